import { type Cubic, cubicAt, splitCubic } from "./cubic.js";
import type { Path } from "./path.js";
import type { Point } from "./point.js";

/** A curve is never cut into more than 1024 stretches: enough for nine metres, and a bound for what no body has. */
const DEEPEST_HALVING = 10;

/** Distance of the handles from the chord, between its ends: an upper bound on how far the cubic strays from it. */
function stray(c: Cubic): number {
  const dx = c.p3.x - c.p0.x;
  const dy = c.p3.y - c.p0.y;
  const squared = dx * dx + dy * dy;
  return Math.sqrt(Math.max(offChordSquared(c.p1, c.p0, dx, dy, squared), offChordSquared(c.p2, c.p0, dx, dy, squared)));
}

function offChordSquared(p: Point, from: Point, dx: number, dy: number, squared: number): number {
  const x = p.x - from.x;
  const y = p.y - from.y;
  const t = squared > 0 ? Math.max(0, Math.min(1, (x * dx + y * dy) / squared)) : 0;
  const offX = x - dx * t;
  const offY = y - dy * t;
  return offX * offX + offY * offY;
}

function flattenCubic(c: Cubic, tolerance: number, out: Point[], depth: number): void {
  if (c.straight || depth >= DEEPEST_HALVING || stray(c) <= tolerance) {
    out.push(c.p3);
    return;
  }
  const [a, b] = splitCubic(c, 0.5);
  flattenCubic(a, tolerance, out, depth + 1);
  flattenCubic(b, tolerance, out, depth + 1);
}

/** The path as corner points, straying at most `tolerance` mm from it. */
export function flatten(path: Path, tolerance = 0.05): Point[] {
  const first = path.parts[0] as Cubic;
  const out: Point[] = [cubicAt(first, 0)];
  for (const part of path.parts) flattenCubic(part, tolerance, out, 0);
  return out;
}
