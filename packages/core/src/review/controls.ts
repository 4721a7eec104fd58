import { evaluated } from "../formula/evaluated.js";
import type { Plan } from "../plan/plan.js";
import type { HomeUnit } from "../quantity/units.js";
import type { Run } from "../run/run.js";
import { crossReadings, type NamedMeasure, ownReadings } from "./reading.js";
import { redraw, redrawing, type Redrawing } from "./redraw.js";
import { handTolerance } from "./review.js";
import type { Slip } from "./slip.js";
import { slipsOf } from "./slips.js";

/** A control measurement: what to read on the paper, what it should be (mm), and the steps it keeps watch over. */
export interface ControlReading {
  readonly name: string;
  readonly expected: number;
  /** What it keeps watch over, in its author's words. */
  readonly says?: string | undefined;
  /** Of a suggested one, how many of the steps before it a slip would show in. */
  readonly watches?: number;
}

/** Of each step, so many of its most common slips are tried. */
const SLIPS_A_STEP = 4;
/** Straight distances are offered from the first point of a board to so many of its last. */
const LAST_POINTS = 10;

/** The control measurements of a draft: those its author named, or where none are, the few that catch the most slips. */
export function controlsOf(plan: Plan, run: Run, unit: HomeUnit = plan.system.unit): ControlReading[] {
  const named = plan.controls.flatMap(({ source, reads }): ControlReading[] => {
    const expected = evaluated(reads, run.environment);
    return Number.isFinite(expected) ? [{ name: source.reads, expected, says: source.text }] : [];
  });
  return named.length > 0 ? named : suggestControls(plan, run, undefined, unit);
}

/** The few readings that catch the most slips: each the one that shows most of those the ones before it do not. */
export function suggestControls(plan: Plan, run: Run, most = 5, unit: HomeUnit = plan.system.unit): ControlReading[] {
  const drawing = redrawing(plan, run);
  const readings = [...ownReadings(drawing), ...straightReadings(drawing)];
  const tolerance = 2 * handTolerance(unit);
  const caught = readings.map(() => new Set<string>());
  plan.steps.forEach((_, step) => {
    commonest(slipsOf(drawing, step, unit)).forEach((slip, k) => {
      const { environment } = redraw(drawing, step, slip.draw);
      readings.forEach(({ measured }, i) => {
        if (!measured.dependencies.has(step)) return;
        const by = Math.abs(measured.on(environment) - measured.on(drawing.environment));
        if (!(by <= tolerance)) caught[i]?.add(`${step} ${k}`);
      });
    });
  });
  return chosen(readings, caught, most).map(({ name, measured }, i, all) => ({
    name,
    expected: measured.on(drawing.environment),
    watches: new Set([...(caught[readings.indexOf(all[i] as NamedMeasure)] ?? [])].map((slip) => slip.split(" ")[0])).size,
  }));
}

/** The reading that catches most of what is left, again and again. */
function chosen(readings: readonly NamedMeasure[], caught: readonly ReadonlySet<string>[], most: number): NamedMeasure[] {
  const seen = new Set<string>();
  const found: NamedMeasure[] = [];
  while (found.length < most) {
    const gains = caught.map((slips) => [...slips].filter((slip) => !seen.has(slip)).length);
    const best = Math.max(0, ...gains);
    const reading = readings[gains.indexOf(best)];
    if (best === 0 || !reading) break;
    for (const slip of caught[gains.indexOf(best)] ?? []) seen.add(slip);
    found.push(reading);
  }
  return found;
}

/** The most common slips of a step, each of another sort. */
function commonest(slips: readonly Slip[]): Slip[] {
  const sorted = [...slips].sort((a, b) => b.weight - a.weight);
  return sorted.filter(({ code }, i) => sorted.findIndex((s) => s.code === code) === i).slice(0, SLIPS_A_STEP);
}

/** From the first point of each board straight to its last points. */
function straightReadings(drawing: Redrawing): NamedMeasure[] {
  const { plan, run } = drawing;
  const boards = new Map<string, number[]>();
  plan.steps.forEach(({ makes, board }, i) => {
    if (makes === "point" && run.outcomes[i]?.status === "drawn") boards.set(board, [...(boards.get(board) ?? []), i]);
  });
  return [...boards.values()].flatMap((points) =>
    points
      .slice(1)
      .slice(-LAST_POINTS)
      .flatMap((i) => crossReadings(drawing, i).slice(0, 1)),
  );
}
