import { type Cubic, cubicAt } from "../curve/cubic.js";
import type { Path } from "./path.js";
import type { Point } from "../point.js";

/** A curve is never cut into more than 1024 stretches: enough for nine metres, and a bound for what no body has. */
const MOST_STRETCHES = 1_024;

/**
 * Into how many equal steps of its parameter a cubic is cut so that the stretches stray at most `tolerance` mm from it: a
 * chord over a step h strays at most h²/8 of the largest second derivative, which a cubic has at one of its ends.
 */
function stretchesFor({ p0, p1, p2, p3, straight }: Cubic, tolerance: number): number {
  if (straight) return 1;
  const ax = p0.x - 2 * p1.x + p2.x;
  const ay = p0.y - 2 * p1.y + p2.y;
  const bx = p1.x - 2 * p2.x + p3.x;
  const by = p1.y - 2 * p2.y + p3.y;
  const bend = 6 * Math.sqrt(Math.max(ax * ax + ay * ay, bx * bx + by * by));
  return Math.max(1, Math.min(MOST_STRETCHES, Math.ceil(Math.sqrt(bend / (8 * tolerance)))));
}

/** The path as corner points, straying at most `tolerance` mm from it. */
export function flatten(path: Path, tolerance = 0.05): Point[] {
  const first = path.segments[0] as Cubic;
  const out: Point[] = [first.p0];
  for (const segment of path.segments) {
    const n = stretchesFor(segment, tolerance);
    for (let i = 1; i < n; i++) out.push(cubicAt(segment, i / n));
    out.push(segment.p3);
  }
  return out;
}
