import { nearestOnPath } from "./nearest-on-path.js";
import { type Path, reversePath, splitPath } from "./path.js";
import type { Point } from "../point.js";

/** How far off a path (mm) a point may lie and still be taken as a place on it. */
const ON_THE_LINE_MM = 1;

/** The part of a path between the places of it nearest to `a` and `b`, travelled from `a` to `b`. Undefined when either lies more than 1 mm off it. */
export function pathBetween(path: Path, a: Point, b: Point): Path | undefined {
  const from = nearestOnPath(path, a);
  const to = nearestOnPath(path, b);
  if (Math.max(from.off, to.off) > ON_THE_LINE_MM) return undefined;
  const [first, last] = from.along <= to.along ? [from.along, to.along] : [to.along, from.along];
  const part = splitPath(splitPath(path, last)[0], first)[1];
  return from.along <= to.along ? part : reversePath(part);
}
