import { type Cubic, splitCubic } from "../curve/cubic.js";
import { cubicLength } from "../curve/cubic-length.js";
import type { Path } from "./path.js";
import { distance, type Point } from "../point.js";

const SAMPLES = 24;

/** A place on a path by its length from the start, and how far off it lies what it is the nearest place to; mm. */
export interface NearestPlace {
  readonly along: number;
  readonly off: number;
}

/** The place of a path nearest to `p`. */
export const nearestOnPath = (path: Path, p: Point): NearestPlace => placeOnPath(path, p, Infinity) ?? { along: 0, off: Infinity };

/** The same where it lies nearer than `within` (mm), else undefined: what is farther away is told from the boxes of the curves. */
export function placeOnPath({ segments }: Path, p: Point, within: number): NearestPlace | undefined {
  let index = -1;
  let least = within;
  let on = 0;
  for (let i = 0; i < segments.length; i++) {
    const segment = segments[i] as Cubic;
    if (beyond(segment, p, least) >= least) continue;
    const { along, off } = segment.straight ? onStraight(segment, p) : onCurve(segment, p);
    if (off < least - 1e-9) [index, least, on] = [i, off, along];
  }
  if (index < 0) return undefined;
  for (let i = 0; i < index; i++) on += cubicLength(segments[i] as Cubic);
  return { along: on, off: least };
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

/** Newton's steps that are tried before halving alone goes on, and how near two of them come to each other before it is enough. */
const MOST_STEPS = 40;
const NEAR_ENOUGH = 1e-13;

/**
 * The parameter in 0..1 at which a cubic is nearest to `p`: evenly spaced samples, then in each valley between them Newton's method on the slope of
 * the squared distance, held within the samples on either side (halving where a step would leave them).
 */
function nearestParameter(c: Cubic, p: Point): number {
  // The ends are meant exactly when a curve begins or ends at the place.
  if (distance(c.p0, p) === 0) return 0;
  if (distance(c.p3, p) === 0) return 1;
  // Of every sample that is lower than its neighbours the valley is gone down into: a curve may come near twice.
  let [best, least] = [0, apart(c, p, 0)];
  let [before, here] = [Infinity, least];
  for (let i = 0; i <= SAMPLES; i++) {
    const after = i < SAMPLES ? apart(c, p, (i + 1) / SAMPLES) : Infinity;
    if (here <= before && here <= after) {
      const t = lowest(c, p, Math.max(0, (i - 1) / SAMPLES), Math.min(1, (i + 1) / SAMPLES), i / SAMPLES);
      const there = apart(c, p, t);
      if (there < least) [best, least] = [t, there];
      if (here < least) [best, least] = [i / SAMPLES, here];
    }
    [before, here] = [here, after];
  }
  return apart(c, p, 1) <= least ? 1 : best;
}

/** Where between `low` and `high` the squared distance is lowest, beginning from `first`, which is lower than both. */
function lowest({ p0, p1, p2, p3 }: Cubic, p: Point, from: number, to: number, first: number): number {
  // The curve less the place as polynomials in t: a t³ + b t² + c t + d.
  const ax = p3.x - p0.x + 3 * (p1.x - p2.x);
  const ay = p3.y - p0.y + 3 * (p1.y - p2.y);
  const bx = 3 * (p2.x - 2 * p1.x + p0.x);
  const by = 3 * (p2.y - 2 * p1.y + p0.y);
  const cx = 3 * (p1.x - p0.x);
  const cy = 3 * (p1.y - p0.y);
  const dx = p0.x - p.x;
  const dy = p0.y - p.y;
  let [low, high, t] = [from, to, first];
  for (let i = 0; i < MOST_STEPS; i++) {
    const x = ((ax * t + bx) * t + cx) * t + dx;
    const y = ((ay * t + by) * t + cy) * t + dy;
    const vx = (3 * ax * t + 2 * bx) * t + cx;
    const vy = (3 * ay * t + 2 * by) * t + cy;
    const slope = x * vx + y * vy;
    if (slope > 0) high = t;
    else low = t;
    const bend = vx * vx + vy * vy + x * (6 * ax * t + 2 * bx) + y * (6 * ay * t + 2 * by);
    const next = t - slope / bend;
    const taken = next > low && next < high ? next : (low + high) / 2;
    if (Math.abs(taken - t) < NEAR_ENOUGH) return taken;
    t = taken;
  }
  return t;
}
