import { parseTape } from "../quantity/parse-tape.js";
import { type HomeUnit, toMm } from "../quantity/units.js";
import type { Plan } from "../plan/plan.js";
import type { Given } from "../run/inputs.js";
import { redrawn, type Run } from "../run/run.js";
import { type Cause, causesOf, isOff, type TakenReading } from "./causes.js";
import { measuredBy } from "./reading.js";
import { redraw, redrawing, type Redrawing } from "./redraw.js";
import type { Slip } from "./slip.js";

/** How far a hand may be off and still be right: an eighth of an inch, or three millimetres (common practice, no source). */
export const handTolerance = (unit: HomeUnit): number => (unit === "in" ? toMm(1 / 8, "in") : 3);

/** One reading of the tape on a student's own paper, judged. Lengths in mm. */
export interface ReviewedReading {
  readonly name: string;
  readonly expected: number | undefined;
  readonly read: number | undefined;
  /** Read less expected. */
  readonly difference: number | undefined;
  readonly verdict: "right" | "off" | "unread";
  /** What likely happened, the likeliest first; none for a right reading. */
  readonly causes: readonly Cause[];
  /** Later steps that the likeliest cause affects, by name. */
  readonly affects: readonly string[];
  /** For a reading that cannot be judged: why, and what to do. */
  readonly why?: string;
  readonly fix?: string;
}

/** All readings of one draft judged together. */
export interface Review {
  readonly readings: readonly ReviewedReading[];
  /** The fewest slips that explain all readings together. */
  readonly together: readonly Cause[];
}

export interface ReviewOptions {
  /** The tape in the hand: what a reading without a unit is read in. */
  readonly unit?: HomeUnit;
  readonly toleranceMm?: number;
}

/**
 * Judges readings of a hand draft against its run, and finds the slips that explain those that are off. A reading within the
 * tolerance is right, whatever the others say. Readings are named by step (`F7`), or by a length (`dist(F3, F9)`).
 */
export const review = (plan: Plan, run: Run, readings: Given, options: ReviewOptions = {}): Review =>
  judge(plan, run, readings, options).review;

/** The draft as it likely lies on the student's paper: with the slips that explain what was read. */
export function asDrawn(plan: Plan, run: Run, readings: Given, options: ReviewOptions = {}): Run {
  const { drawing, slips } = judge(plan, run, readings, options);
  const drawn = slips.reduce((evaluation, { step, draw }) => redraw({ ...drawing, evaluation }, step, draw), drawing.evaluation);
  return redrawn(run, drawn);
}

interface Judged {
  readonly drawing: Redrawing;
  readonly review: Review;
  readonly slips: readonly Slip[];
}

function judge(
  plan: Plan,
  run: Run,
  readings: Given,
  { unit = plan.system.unit, toleranceMm = handTolerance(unit) }: ReviewOptions,
): Judged {
  const drawing = redrawing(plan, run);
  const refused: ReviewedReading[] = [];
  const taken: TakenReading[] = [];
  const order = Object.keys(readings);
  for (const name of order) {
    const reading = takeReading(name, readings[name] as string | number, drawing, unit);
    if ("verdict" in reading) refused.push(reading);
    else taken.push(reading);
  }
  const { found, together, slips } = causesOf(drawing, taken, unit, toleranceMm);
  const judged = taken.map((reading, i): ReviewedReading => {
    const { name, expected, read } = reading;
    const { causes = [], affects = [] } = found[i] ?? {};
    return { name, expected, read, difference: read - expected, verdict: isOff(reading, toleranceMm) ? "off" : "right", causes, affects };
  });
  return {
    drawing,
    review: { readings: order.flatMap((name) => [...judged, ...refused].find((r) => r.name === name) ?? []), together },
    slips,
  };
}

/** A reading with what it should be, or why it cannot be judged. */
function takeReading(name: string, written: string | number, drawing: Redrawing, unit: HomeUnit): TakenReading | ReviewedReading {
  const measured = measuredBy(name, drawing);
  if ("why" in measured) return unread(name, measured, undefined);
  const expected = measured.on(drawing.environment);
  if (!Number.isFinite(expected))
    return unread(name, { why: `${name} cannot be measured on this draft.`, fix: "Read another step." }, undefined);
  const read = lengthOf(written, unit);
  return "why" in read ? unread(name, read, expected) : { name, measured, expected, read: read.mm };
}

function lengthOf(given: string | number, unit: HomeUnit): { mm: number } | { why: string; fix: string } {
  if (typeof given === "number")
    return Number.isFinite(given) ? { mm: toMm(given, unit) } : { why: "This is no figure.", fix: "Type what the tape reads." };
  const read = parseTape(given, unit);
  return read.ok ? { mm: read.mm } : { why: read.why, fix: "Type what the tape reads, like 10 1/2 or 26.5." };
}

const unread = (name: string, { why, fix }: { why: string; fix: string }, expected: number | undefined): ReviewedReading => ({
  name,
  expected,
  read: undefined,
  difference: undefined,
  verdict: "unread",
  causes: [],
  affects: [],
  why,
  fix,
});
