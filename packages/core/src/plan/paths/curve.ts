import { FormulaError } from "../../formula/error.js";
import type { Evaluate, Environment } from "../../formula/scope.js";
import { hobby, type Knot } from "../../geometry/curve/hobby.js";
import { type Path, pathLength } from "../../geometry/path/path.js";
import type { Point } from "../../geometry/point.js";
import { samePlace } from "../../geometry/point.js";
import { pointText } from "../../verb/form.js";
import { DraftError } from "../../verb/draft-error.js";
import type { Heading } from "../compile/direction.js";
import { CURVE_STYLES, type CurveStyle } from "../compile/curve-styles.js";
import { type StepReader, WHOLE } from "../compile/step-reader.js";
import { fitFullness, LEAST_FULL, MOST_FULL } from "./fit-fullness.js";
import type { PathMaker } from "./path-maker.js";

/** Hobby's spline through its points, with the directions the author fixed; as full as said, or as full as makes it as long as said. */
export const curve: PathMaker = (step, read) => {
  const ids = step.through;
  if (ids.length < 2) throw new FormulaError("A curve needs two points at least.", "Write it like #10 > #12 > #5.", WHOLE);
  const points = ids.map((id, i) => read.point(id, `through.${i}`));
  const headings: (Heading | undefined)[] = ids.map(() => undefined);
  const style = styleOf(step.like);
  const [leaving, arriving] = [step.leaving ?? style?.leaving, step.arriving ?? style?.arriving];
  if (leaving !== undefined) headings[0] = read.heading(leaving, "leaving");
  if (arriving !== undefined) headings[ids.length - 1] = read.heading(arriving, "arriving");
  step.passing?.forEach((pass, k) => {
    const i = ids.indexOf(pass.at);
    if (i < 0) {
      const error = new FormulaError(`The curve does not run through ${pointText(pass.at)}.`, "Name one of its own points.", WHOLE);
      error.field = `passing.${k}.at`;
      throw error;
    }
    headings[i] = read.heading(pass.direction, `passing.${k}.direction`);
  });
  const fullness = fullnessOf(step.fullness, style?.fullness ?? 1, read);
  const draw = (f: Environment, full: number): Path => {
    const at: Point[] = [];
    for (const point of points) at.push(point(f));
    refuseRepeats(at, ids);
    const tension = tensionOf(full);
    const knots: Knot[] = [];
    for (let i = 0; i < at.length; i++) {
      const heading = headings[i];
      knots.push({ at: at[i] as Point, heading: heading && heading(f, chordAt(at, i)), tension });
    }
    return hobby(knots);
  };
  if (step.asLongAs === undefined) return (f) => draw(f, fullness(f));
  if (step.fullness !== undefined)
    throw new FormulaError(
      "A curve is as full as it must be to be so long: it cannot be told both.",
      "Leave fullness away, or the length.",
      WHOLE,
    );
  const length = read.figure(step.asLongAs, "length", "asLongAs");
  return (f) => fitFullness((full) => draw(f, full), pathLength, length(f));
};

function styleOf(like: string | undefined): CurveStyle | undefined {
  if (like === undefined) return undefined;
  const style = CURVE_STYLES[like];
  if (Object.hasOwn(CURVE_STYLES, like) && style) return style;
  const error = new FormulaError(`There is no kind of curve called ${like}.`, `There are: ${Object.keys(CURVE_STYLES).join(", ")}.`, WHOLE);
  error.field = "like";
  throw error;
}

function fullnessOf(text: string | undefined, otherwise: number, read: StepReader): Evaluate {
  return text === undefined ? () => otherwise : read.figure(text, "number", "fullness");
}

/** A curve as full as asked: 1 is Hobby's plain curve, more bows out, less lies nearer to its chords. Tension, its inverse, is 3/4 at least. */
function tensionOf(fullness: number): number {
  if (!(fullness >= LEAST_FULL && fullness <= MOST_FULL))
    throw new DraftError("A curve's fullness lies between 0.1 and 1.33.", "1 is the plain curve; 1.2 is fuller, 0.8 flatter.");
  return 1 / fullness;
}

/** From the point before to the point after: roughly where the curve is going. */
function chordAt(at: readonly Point[], i: number): Point {
  const before = at[Math.max(0, i - 1)] as Point;
  const after = at[Math.min(at.length - 1, i + 1)] as Point;
  return { x: after.x - before.x, y: after.y - before.y };
}

function refuseRepeats(at: readonly Point[], ids: readonly string[]): void {
  for (let i = 1; i < at.length; i++) {
    if (samePlace(at[i - 1] as Point, at[i] as Point)) {
      throw new DraftError(
        `${pointText(ids[i - 1] as string)} and ${pointText(ids[i] as string)} fall on each other, so no curve runs between them.`,
        "Check the measurements they come from.",
      );
    }
  }
}
