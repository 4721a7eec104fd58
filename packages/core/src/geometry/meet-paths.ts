import { flatten } from "./flatten.js";
import type { Path } from "./path.js";
import { distance, type Point } from "./point.js";

/** Where stretches a–b and c–d cross, ends included; undefined otherwise. */
function crossOrTouch(a: Point, b: Point, c: Point, d: Point): Point | undefined {
  const ux = b.x - a.x;
  const uy = b.y - a.y;
  const vx = d.x - c.x;
  const vy = d.y - c.y;
  const cross = ux * vy - uy * vx;
  if (!(Math.abs(cross) > 1e-12)) return undefined;
  const t = ((c.x - a.x) * vy - (c.y - a.y) * vx) / cross;
  const s = ((c.x - a.x) * uy - (c.y - a.y) * ux) / cross;
  const within = t >= -1e-9 && t <= 1 + 1e-9 && s >= -1e-9 && s <= 1 + 1e-9;
  return within ? { x: a.x + ux * t, y: a.y + uy * t } : undefined;
}

const FINE_MM = 0.002;

/** Places where two paths meet, in the order of travel of the first; good to a few thousandths of a millimetre. */
export function crossPaths(first: Path, second: Path): Point[] {
  const a = flatten(first, FINE_MM);
  const b = flatten(second, FINE_MM);
  const found: Point[] = [];
  for (let i = 1; i < a.length; i++) {
    for (let j = 1; j < b.length; j++) {
      const at = crossOrTouch(a[i - 1] as Point, a[i] as Point, b[j - 1] as Point, b[j] as Point);
      if (at && !found.some((p) => distance(p, at) < 0.01)) found.push(at);
    }
  }
  return found;
}
