import { type Given, type HomeUnit, type Plan, run, sampleBody, statementsOf } from "@lodrin/core";
import { drawBoard } from "../drawing/board.js";
import { drawPieces } from "../drawing/pieces.js";
import { thumbnail } from "./thumbnail.js";

/** What a card of the shelf says of a version of a system. */
export interface SystemFacts {
  readonly about: string;
  readonly suits: string;
  readonly points: number;
  readonly unit: HomeUnit;
  /** The measurements it needs with its settings as they stand. */
  readonly needs: readonly string[];
}

/** A version's facts, and the pieces it makes on a body in the middle of its ranges as a small SVG picture. */
export function systemCard(plan: Plan): { readonly facts: SystemFacts; readonly picture: string } {
  const { about = "", suits = "", unit } = plan.system;
  return {
    facts: { about, suits, unit, points: statementsOf(plan.system, "point").length, needs: run(plan, {}).missing },
    picture: thumbnail(drawPieces(run(plan, sampleBody(plan))), ["notches", "grain"]),
  };
}

/** What a draft is drawn from. */
export interface DraftAnswers {
  readonly measurements: Given;
  readonly settings: Given;
  readonly unit: HomeUnit;
}

/** What a card says of a draft: how many steps it has, its checks and those that fail or are doubtful, and the measurements it lacks. */
export interface DraftFacts {
  readonly steps: number;
  readonly checks: number;
  readonly misses: number;
  readonly missing: number;
}

/** A draft's facts, and its board as a small SVG picture: while figures are missing, on a body in the middle of its ranges. */
export function draftCard(
  plan: Plan,
  { measurements, settings, unit }: DraftAnswers,
): { readonly facts: DraftFacts; readonly picture: string } {
  const drafted = run(plan, measurements, settings, unit);
  const shown = drafted.missing.length > 0 ? run(plan, sampleBody(plan), settings) : drafted;
  return {
    facts: {
      steps: plan.steps.length,
      checks: drafted.checks.length,
      misses: drafted.checks.filter((c) => c.status !== "pass").length,
      missing: drafted.missing.length,
    },
    picture: thumbnail(drawBoard(plan, shown)),
  };
}
