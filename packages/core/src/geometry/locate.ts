import { type Cubic, splitCubic } from "./cubic.js";
import { cubicLength } from "./cubic-length.js";
import type { Path } from "./path.js";
import { distance, type Point } from "./point.js";

const SAMPLES = 24;

/** Length in mm from a path's start to the place on it nearest to `p`, and how far off the path `p` lies. */
export function locate(path: Path, p: Point): { along: number; off: number } {
  let best = { along: 0, off: Infinity };
  let before = 0;
  for (const segment of path.segments) {
    if (beyond(segment, p, best.off) < best.off) {
      const { along, off } = segment.straight ? onStraight(segment, p) : onCurve(segment, p);
      if (off < best.off - 1e-9) best = { along: before + along, off };
    }
    before += cubicLength(segment);
  }
  return best;
}

/** How far `p` lies at least from a cubic, which lies within the box of its handles. */
function beyond({ p0, p1, p2, p3 }: Cubic, p: Point, enough: number): number {
  const dx = Math.max(Math.min(p0.x, p1.x, p2.x, p3.x) - p.x, p.x - Math.max(p0.x, p1.x, p2.x, p3.x), 0);
  if (dx >= enough) return dx;
  const dy = Math.max(Math.min(p0.y, p1.y, p2.y, p3.y) - p.y, p.y - Math.max(p0.y, p1.y, p2.y, p3.y), 0);
  return Math.sqrt(dx * dx + dy * dy);
}

function onStraight({ p0, p3 }: Cubic, p: Point): { along: number; off: number } {
  const [dx, dy] = [p3.x - p0.x, p3.y - p0.y];
  const squared = dx * dx + dy * dy;
  const t = squared === 0 ? 0 : Math.max(0, Math.min(1, ((p.x - p0.x) * dx + (p.y - p0.y) * dy) / squared));
  const [x, y] = [p0.x + dx * t - p.x, p0.y + dy * t - p.y];
  return { along: t * Math.sqrt(squared), off: Math.sqrt(x * x + y * y) };
}

function onCurve(segment: Cubic, p: Point): { along: number; off: number } {
  const t = nearestParameter(segment, p);
  return { along: t === 0 ? 0 : cubicLength(t === 1 ? segment : splitCubic(segment, t)[0]), off: Math.sqrt(apart(segment, p, t)) };
}

/** The square of the distance of a place of a cubic from `p`. */
function apart({ p0, p1, p2, p3 }: Cubic, p: Point, t: number): number {
  const s = 1 - t;
  const [a, b, c, d] = [s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t];
  const x = a * p0.x + b * p1.x + c * p2.x + d * p3.x - p.x;
  const y = a * p0.y + b * p1.y + c * p2.y + d * p3.y - p.y;
  return x * x + y * y;
}

const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** The parameter in 0..1 at which a cubic is nearest to `p`: the best of evenly spaced samples, then golden-section steps round it. */
function nearestParameter(c: Cubic, p: Point): number {
  // The ends are meant exactly when a curve begins or ends at the place.
  if (distance(c.p0, p) === 0) return 0;
  if (distance(c.p3, p) === 0) return 1;
  let index = 0;
  let least = apart(c, p, 0);
  for (let i = 1; i <= SAMPLES; i++) {
    const far = apart(c, p, i / SAMPLES);
    if (far < least) [index, least] = [i, far];
  }
  let low = Math.max(0, (index - 1) / SAMPLES);
  let high = Math.min(1, (index + 1) / SAMPLES);
  let a = high - GOLDEN * (high - low);
  let b = low + GOLDEN * (high - low);
  let [farA, farB] = [apart(c, p, a), apart(c, p, b)];
  for (let i = 0; i < 60; i++) {
    if (farA < farB) {
      high = b;
      [b, farB] = [a, farA];
      a = high - GOLDEN * (high - low);
      farA = apart(c, p, a);
    } else {
      low = a;
      [a, farA] = [b, farB];
      b = low + GOLDEN * (high - low);
      farB = apart(c, p, b);
    }
  }
  const middle = (low + high) / 2;
  const there = apart(c, p, middle);
  return apart(c, p, 0) <= there ? 0 : apart(c, p, 1) <= there ? 1 : middle;
}
