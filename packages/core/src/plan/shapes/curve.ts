import { compileAs } from "../../formula/compile.js";
import { FormulaError } from "../../formula/error.js";
import { parseFormula } from "../../formula/parse.js";
import type { Evaluate, Scope } from "../../formula/scope.js";
import { hobby, type Knot } from "../../geometry/hobby.js";
import type { Point } from "../../geometry/point.js";
import { samePlace } from "../../geometry/point.js";
import { pointText } from "../../verb/form.js";
import { DraftError } from "../../verb/draft-error.js";
import { type Heading, headingOf } from "../direction.js";
import { CURVE_STYLES, type CurveStyle } from "../curve-styles.js";
import { pointReader } from "../lines.js";
import { gather, type References } from "../references.js";
import type { Shape } from "./shape.js";

/** Hobby's spline through its points, with the directions the author fixed. */
export const curve: Shape = (step, scope, uses) => {
  const ids = step.through;
  if (ids.length < 2) throw new FormulaError("A curve needs two points at least.", "Write it like #10 > #12 > #5.", [0, 0]);
  ids.forEach((id) => uses.points.add(id));
  const points = ids.map((id) => pointReader(id, scope, [0, 0]));
  const headings: (Heading | undefined)[] = ids.map(() => undefined);
  const style = styleOf(step.like);
  const [leaving, arriving] = [step.leaving ?? style?.leaving, step.arriving ?? style?.arriving];
  if (leaving !== undefined) headings[0] = headingOf(leaving, scope, uses);
  if (arriving !== undefined) headings[ids.length - 1] = headingOf(arriving, scope, uses);
  const fullness = fullnessOf(step.fullness, style?.fullness ?? 1, scope, uses);
  for (const pass of step.passing ?? []) {
    const i = ids.indexOf(pass.at);
    if (i < 0) throw new FormulaError(`The curve does not run through ${pointText(pass.at)}.`, "Name one of its own points.", [0, 0]);
    headings[i] = headingOf(pass.direction, scope, uses);
  }
  return (f) => {
    const at = points.map((p) => p(f));
    refuseRepeats(at, ids);
    const tension = tensionOf(fullness(f));
    const knots = at.map((p, i): Knot => ({ at: p, heading: headings[i]?.(f, chordAt(at, i)), tension }));
    return hobby(knots);
  };
};

function styleOf(like: string | undefined): CurveStyle | undefined {
  if (like === undefined) return undefined;
  const style = CURVE_STYLES[like];
  if (!Object.hasOwn(CURVE_STYLES, like) || !style)
    throw new FormulaError(`There is no kind of curve called ${like}.`, `There are: ${Object.keys(CURVE_STYLES).join(", ")}.`, [0, 0]);
  return style;
}

function fullnessOf(text: string | undefined, otherwise: number, scope: Scope, uses: References): Evaluate {
  if (text === undefined) return () => otherwise;
  const tree = parseFormula(text);
  gather(tree, uses);
  return compileAs(tree, scope, "number").run;
}

/** A curve as full as asked: 1 is Hobby's plain curve, more bows out, less lies nearer to its chords. Tension, its inverse, is 3/4 at least. */
function tensionOf(fullness: number): number {
  if (!(fullness >= 0.1 && fullness <= 4 / 3))
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
