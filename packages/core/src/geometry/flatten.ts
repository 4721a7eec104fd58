import { type Cubic, cubicAt, splitCubic } from "./cubic.js";
import type { Path } from "./path.js";
import type { Point } from "./point.js";

const DEEPEST_HALVING = 14;

/** Distance of the handles from the chord: an upper bound on how far the cubic strays from it. */
function stray(c: Cubic): number {
  const dx = c.p3.x - c.p0.x;
  const dy = c.p3.y - c.p0.y;
  const chord = Math.sqrt(dx * dx + dy * dy);
  return Math.max(offChord(c.p1, c.p0, dx, dy, chord), offChord(c.p2, c.p0, dx, dy, chord));
}

function offChord(p: Point, from: Point, dx: number, dy: number, chord: number): number {
  const x = p.x - from.x;
  const y = p.y - from.y;
  return chord > 1e-9 ? Math.abs(x * dy - y * dx) / chord : Math.sqrt(x * x + y * y);
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
