import { direction } from "../geometry/line.js";
import { nearestOnPath } from "../geometry/path/nearest-on-path.js";
import { type Path, pathLength, pointAtLength } from "../geometry/path/path.js";
import { distance as distanceBetween, type Point } from "../geometry/point.js";
import { DraftError } from "./draft-error.js";
import { form } from "./form.js";
import type { Verb } from "./verb.js";

/** The form that goes past an end on purpose. */
export const BEYOND = 3;

/** As near as this (mm) to an end a point is the end. */
const AT_THE_END_MM = 0.05;

/**
 * How far along a path `mm` from a point on it is (mm from its start). From either end there is one way on the path: back along it.
 * `beyond` takes the other, past the nearer end.
 */
function lengthTo(path: Path, from: Point, mm: number, beyond: boolean): number {
  const { along: at } = nearestOnPath(path, from);
  const length = pathLength(path);
  if (beyond) return at > length / 2 ? at + mm : at - mm;
  if (at >= length - AT_THE_END_MM) return at - Math.abs(mm);
  return at <= AT_THE_END_MM ? at + Math.abs(mm) : at + mm;
}

export const along: Verb = {
  word: "along",
  forms: [
    form("{line:line} from {from:point}, {distance:length}"),
    form("{path:path}, {share:number} of the way"),
    form("{line:line} from {from:point}, back {distance:length}"),
    form("{line:line} from {from:point}, beyond {distance:length}"),
  ],
  course: true,
  description:
    "Along a line or curve from a point on it by a length, onward or back, or a share of the whole way. From the end of a named line back along it is meant, whichever is written; `beyond` goes past the end, straight on.",
  prepare(which, filled) {
    if (which === 1) {
      const path = filled.path("path");
      const share = filled.number("share");
      return (f) => {
        const p = path(f);
        return pointAtLength(p, pathLength(p) * share(f)).at;
      };
    }
    const line = filled.line("line");
    const from = filled.point("from");
    const distance = filled.length("distance");
    const sign = which === 2 ? -1 : 1;
    return (f) => {
      const target = line(f);
      const p = from(f);
      const d = sign * distance(f);
      if (target.path) return pointAtLength(target.path, lengthTo(target.path, p, d, which === BEYOND)).at;
      const u = direction(target.line);
      if (!u)
        throw new DraftError(
          "The line has no length, so nothing lies along it.",
          "Its two points fall on each other: check the measurements.",
        );
      const { a, b } = target.line;
      const onward = which === BEYOND && distanceBetween(p, a) < distanceBetween(p, b) ? -d : d;
      return { x: p.x + u.x * onward, y: p.y + u.y * onward };
    };
  },
};
