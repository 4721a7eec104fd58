import {
  type ControlReading,
  controlsOf,
  type Given,
  type HomeUnit,
  type Library,
  loadSystem,
  type Plan,
  review,
  type Review,
  run,
} from "@lodrin/core";
import { serve } from "../workers/serve.js";

/** What the page asks: the draft, and what the tape read on the paper. */
export interface ReviewQuestion {
  readonly notation: string;
  readonly bases: Library;
  readonly measurements: Given;
  readonly settings: Given;
  readonly writtenIn: HomeUnit;
  /** Of the tape in the hand. */
  readonly unit: HomeUnit;
  readonly readings: Given;
  readonly toleranceMm: number | undefined;
}

export interface ReviewAnswer {
  readonly review: Review;
  readonly controls: readonly ControlReading[];
}

let known: { readonly notation: string; readonly plan: Plan } | undefined;
let controls: { readonly key: string; readonly list: readonly ControlReading[] } | undefined;

// Every slip that a hand might make is tried on the draft: done here, the page goes on answering.
serve<ReviewQuestion, ReviewAnswer>((question, give) => {
  const { notation, bases, measurements, settings, writtenIn, unit, readings, toleranceMm } = question;
  if (known?.notation !== notation) known = { notation, plan: loadSystem(notation, bases).plan };
  const { plan } = known;
  const drafted = run(plan, measurements, settings, writtenIn);
  const judged = review(plan, drafted, readings, toleranceMm === undefined ? { unit } : { unit, toleranceMm });
  const key = JSON.stringify([notation, measurements, settings]);
  if (controls?.key !== key) controls = { key, list: controlsOf(plan, drafted, unit) };
  give({ review: judged, controls: controls.list });
});
