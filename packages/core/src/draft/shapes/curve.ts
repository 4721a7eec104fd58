import { FormulaError } from "../../formula/error.js";
import { hobby, type Knot } from "../../geometry/hobby.js";
import type { Point } from "../../geometry/point.js";
import { samePlace } from "../../geometry/point.js";
import { pointText } from "../../verb/form.js";
import { DraftError } from "../../verb/draft-error.js";
import { type Heading, headingOf } from "../direction.js";
import { pointReader } from "../lines.js";
import type { Shape } from "./shape.js";

/** Hobby's spline through its points, with the directions the author fixed. */
export const curve: Shape = (step, scope, uses) => {
  const ids = step.through;
  if (ids.length < 2) throw new FormulaError("A curve needs two points at least.", "Write it like #10 > #12 > #5.", [0, 0]);
  ids.forEach((id) => uses.points.add(id));
  const points = ids.map((id) => pointReader(id, scope, [0, 0]));
  const headings: (Heading | undefined)[] = ids.map(() => undefined);
  if (step.leaving !== undefined) headings[0] = headingOf(step.leaving, scope, uses);
  if (step.arriving !== undefined) headings[ids.length - 1] = headingOf(step.arriving, scope, uses);
  for (const pass of step.passing ?? []) {
    const i = ids.indexOf(pass.at);
    if (i < 0) throw new FormulaError(`The curve does not run through ${pointText(pass.at)}.`, "Name one of its own points.", [0, 0]);
    headings[i] = headingOf(pass.direction, scope, uses);
  }
  return (f) => {
    const at = points.map((p) => p(f));
    refuseRepeats(at, ids);
    const knots = at.map((p, i): Knot => ({ at: p, heading: headings[i]?.(f, chordAt(at, i)) }));
    return hobby(knots);
  };
};

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
