import { hobby } from "../../geometry/curve/hobby.js";
import { endOf, headingAtEnd, headingAtStart, type Path, startOf } from "../../geometry/path/path.js";
import type { Point } from "../../geometry/point.js";

const angle = (u: Point): number => Math.atan2(u.y, u.x);

/** The curve a ruler would draw from the end of one path to the start of another, leaving and arriving as they run. */
export function curveBetween(lead: Path, tail: Path): Path {
  return hobby([
    { at: endOf(lead), heading: angle(headingAtEnd(lead)) },
    { at: startOf(tail), heading: angle(headingAtStart(tail)) },
  ]);
}
