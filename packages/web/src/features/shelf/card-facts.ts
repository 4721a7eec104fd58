import type { MeasurementSet, SystemSheet } from "@lodrin/contract";
import { loadSystem, type Plan, run, sampleBody, statementsOf } from "@lodrin/core";
import { drawPieces } from "@lodrin/formats";
import { type Coverage, coverageOf } from "./coverage.js";
import { type Picture, pictureOf } from "./picture.js";

/** What a card of the shelf says of a system. Plain data, so that it can be worked out beside the page. */
export interface CardFacts {
  readonly about: string;
  readonly suits: string;
  readonly points: number;
  readonly unit: "in" | "cm";
  readonly picture: Picture;
  /** How far each set asked about fills the system, in the order asked. */
  readonly covers: readonly Coverage[];
}

/** The facts of a system's card. `sets` are the newest of each person. */
export function cardFacts(
  { notation, bases }: Pick<SystemSheet, "notation" | "bases">,
  sets: readonly Pick<MeasurementSet, "written" | "unit">[],
): CardFacts {
  const { plan, system } = loadSystem(notation, bases);
  return {
    about: system.about ?? "",
    suits: system.suits ?? "",
    points: statementsOf(plan.system, "point").length,
    unit: system.unit,
    picture: piecesPicture(plan),
    covers: sets.map((set) => coverageOf(plan, set)),
  };
}

/** The pieces a system makes, from a real run on a body in the middle of its ranges. */
export const piecesPicture = (plan: Plan): Picture => pictureOf(drawPieces(run(plan, sampleBody(plan))), ["notches", "grain"]);
