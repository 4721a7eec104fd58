import { flatten } from "./flatten.js";
import type { Path } from "./path.js";
import { distance, type Point } from "./point.js";
import { meetStretches } from "./ring.js";

/** Stretches that touch at their ends count as meeting. */
const TOUCH = 1e-9;

const FINE_MM = 0.002;

/** Places where two paths meet, in the order of travel of the first; good to a few thousandths of a millimetre. */
export function crossPaths(first: Path, second: Path): Point[] {
  const a = flatten(first, FINE_MM);
  const b = flatten(second, FINE_MM);
  const found: Point[] = [];
  for (let i = 1; i < a.length; i++) {
    for (let j = 1; j < b.length; j++) {
      const at = meetStretches(a[i - 1] as Point, a[i] as Point, b[j - 1] as Point, b[j] as Point, TOUCH);
      if (at && !found.some((p) => distance(p, at) < 0.01)) found.push(at);
    }
  }
  return found;
}
