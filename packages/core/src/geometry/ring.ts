import type { Point } from "./point.js";

/**
 * Where two stretches a–b and c–d meet; undefined otherwise. `slack` is how far beyond their ends, as a share of their
 * length, they still count: a little more than nothing counts a touch at the ends, a little less only a proper crossing.
 */
export function meetStretches(a: Point, b: Point, c: Point, d: Point, slack: number): Point | undefined {
  const ux = b.x - a.x;
  const uy = b.y - a.y;
  const vx = d.x - c.x;
  const vy = d.y - c.y;
  const cross = ux * vy - uy * vx;
  if (!(Math.abs(cross) > 1e-12)) return undefined;
  const t = ((c.x - a.x) * vy - (c.y - a.y) * vx) / cross;
  const s = ((c.x - a.x) * uy - (c.y - a.y) * ux) / cross;
  const within = t > -slack && t < 1 + slack && s > -slack && s < 1 + slack;
  return within ? { x: a.x + ux * t, y: a.y + uy * t } : undefined;
}

/** Where two stretches a–b and c–d cross properly (not merely touch); undefined otherwise. */
export const crossStretches = (a: Point, b: Point, c: Point, d: Point): Point | undefined => meetStretches(a, b, c, d, -1e-9);

/** The first place where a ring of corner points crosses itself; undefined when it is simple. Sides are compared by their boxes first. */
export function selfCrossing(ring: readonly Point[]): Point | undefined {
  const n = ring.length;
  const minX = new Float64Array(n);
  const maxX = new Float64Array(n);
  const minY = new Float64Array(n);
  const maxY = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const a = ring[i] as Point;
    const b = ring[(i + 1) % n] as Point;
    minX[i] = Math.min(a.x, b.x);
    maxX[i] = Math.max(a.x, b.x);
    minY[i] = Math.min(a.y, b.y);
    maxY[i] = Math.max(a.y, b.y);
  }
  for (let i = 0; i < n; i++) {
    const left = minX[i] as number;
    const right = maxX[i] as number;
    const top = minY[i] as number;
    const foot = maxY[i] as number;
    for (let j = i + 2; j < n; j++) {
      if ((minX[j] as number) > right || (maxX[j] as number) < left || (minY[j] as number) > foot || (maxY[j] as number) < top) continue;
      const at = sidesCross(ring, i, j);
      if (at) return at;
    }
  }
  return undefined;
}

/** Where two sides of a ring cross; sides that share a corner never do. */
function sidesCross(ring: readonly Point[], i: number, j: number): Point | undefined {
  const n = ring.length;
  const apart = Math.abs(i - j);
  if (apart <= 1 || apart === n - 1) return undefined;
  const a = ring[i] as Point;
  const b = ring[(i + 1) % n] as Point;
  const c = ring[j] as Point;
  const d = ring[(j + 1) % n] as Point;
  return crossStretches(a, b, c, d);
}

/** True when `p` lies inside the ring (even–odd); a place on the ring may go either way. */
export function insideRing(p: Point, ring: readonly Point[]): boolean {
  let inside = false;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const a = ring[i] as Point;
    const b = ring[j] as Point;
    if (a.y > p.y !== b.y > p.y && p.x < ((b.x - a.x) * (p.y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  }
  return inside;
}
