import { DraftProblem } from "../formula/error.js";
import { parseFormula } from "../formula/parse.js";
import type { Environment } from "../formula/scope.js";
import { nearestOnPath } from "../geometry/path/nearest-on-path.js";
import { endOf, pathLength, startOf } from "../geometry/path/path.js";
import { distance, type Point } from "../geometry/point.js";
import { CURVE_STYLES } from "../plan/compile/curve-styles.js";
import { PATH_MAKERS } from "../plan/paths/index.js";
import type { Plan } from "../plan/plan.js";
import { StepReader } from "../plan/compile/step-reader.js";
import type { PathStep } from "../system/model.js";

/** Taken hold of within this share of its length from an end, a curve changes its direction there; elsewhere its fullness. */
const END_SHARE = 0.2;
/** Angles are proposed in fives, and as a word within so many degrees of level or plumb. */
const ANGLE_STEP = 5;
const WORD_WITHIN = 4;
/** Fullness is proposed in twentieths, within what a curve may be. */
const FULLEST = 1.3;
const FLATTEST = 0.1;
const FULLNESS_STEP = 0.05;

/**
 * The curve as it would be written when it is pulled from a place on it to another (mm on its board): another direction where
 * it was held near an end, another fullness in between, never a coordinate. The same step where nothing of it would change.
 */
export function pulledCurve(plan: Plan, environment: Environment, step: PathStep, from: Point, to: Point): PathStep {
  const drawn = environment.paths[plan.scope.paths.get(step.key) ?? -1];
  if (step.type !== "curve" || !drawn) return step;
  const share = nearestOnPath(drawn, from).along / pathLength(drawn);
  if (share < END_SHARE) return changed(step, { leaving: directionOf(startOf(drawn), to, step.leaving) });
  if (share > 1 - END_SHARE) return changed(step, { arriving: directionOf(to, endOf(drawn), step.arriving) });
  // How long it is to be says how full it is.
  return step.asLongAs === undefined ? withFullness(plan, environment, step, to) : step;
}

const changed = (step: PathStep, change: { leaving: string } | { arriving: string }): PathStep =>
  Object.entries(change).every(([field, now]) => step[field as "leaving"] === now) ? step : { ...step, ...change };

/** The way from one place to another as a curve's direction is written; what stands there already where it says the same. */
function directionOf(from: Point, to: Point, before: string | undefined): string {
  const degrees = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
  if (!Number.isFinite(degrees) || distance(from, to) < 1) return before ?? "level";
  const off = (what: number): number => Math.abs(((((degrees - what) % 180) + 270) % 180) - 90);
  if (off(0) <= WORD_WITHIN) return "level";
  if (off(90) <= WORD_WITHIN) return "plumb";
  return `at ${Math.round(degrees / ANGLE_STEP) * ANGLE_STEP}°`;
}

/** The curve as full as brings it nearest to a place. */
function withFullness(plan: Plan, environment: Environment, step: PathStep, to: Point): PathStep {
  const place = plan.steps.find(({ source }) => source.is === "path" && source.key === step.key)?.node ?? plan.graph.nodes.length;
  const reader = new StepReader(plan.scope.apart().above(place), parseFormula);
  const offAt = (fullness: string): number => {
    try {
      const path = PATH_MAKERS.curve({ ...step, fullness }, reader)(environment);
      return nearestOnPath(path, to).off;
    } catch (error) {
      // A curve that cannot be drawn so full is no proposal.
      if (!(error instanceof DraftProblem)) throw error;
      return Infinity;
    }
  };
  let [best, least] = ["", Infinity];
  for (let n = Math.round(FLATTEST / FULLNESS_STEP); n <= Math.round(FULLEST / FULLNESS_STEP); n++) {
    const fullness = String(Number((n * FULLNESS_STEP).toFixed(2)));
    const off = offAt(fullness);
    if (off < least - 1e-9) [best, least] = [fullness, off];
  }
  if (best === "" || best === step.fullness) return step;
  // What a curve of its kind is by itself is not said.
  const usual = String(CURVE_STYLES[step.like ?? ""]?.fullness ?? 1);
  if (best !== usual) return { ...step, fullness: best };
  if (step.fullness === undefined) return step;
  const { fullness: _, ...plain } = step;
  return plain;
}
