import type { MeasurementSet, SystemSheet } from "@lodrin/contract";
import { loadSystem, type Plan, run, sampleBody, statementsOf } from "@lodrin/core";
import { drawPieces, strokeData } from "@lodrin/formats";
import { type Coverage, coverageOf } from "./coverage.js";

/** A small drawing: what it spans, and its strokes as SVG data by layer. */
export interface Picture {
  readonly box: string;
  readonly strokes: readonly { readonly d: string; readonly layer: string }[];
}

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
    picture: pictureOf(plan),
    covers: sets.map((set) => coverageOf(plan, set)),
  };
}

/** The pieces a system makes, from a real run on a body in the middle of its ranges. */
export function pictureOf(plan: Plan): Picture {
  const drawing = drawPieces(run(plan, sampleBody(plan)));
  const { minX, minY, maxX, maxY } = drawing.bounds;
  const strokes = drawing.marks.flatMap((m) =>
    m.kind === "stroke" && m.layer !== "notches" && m.layer !== "grain" ? [{ d: strokeData(m), layer: m.layer }] : [],
  );
  return { box: `${minX} ${minY} ${maxX - minX} ${maxY - minY}`, strokes };
}
