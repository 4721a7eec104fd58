import type { Point } from "../point.js";

/**
 * Where two stretches a–b and c–d meet; undefined otherwise. `slack` is how far beyond their ends, as a share of their
 * length, they still count: a little more than nothing counts a touch at the ends, a little less only a proper crossing.
 */
export function intersectSegments(a: Point, b: Point, c: Point, d: Point, slack: number): Point | undefined {
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

/** Slack at which only a proper crossing counts, and at which a touch at the ends counts as well. */
const PROPERLY = -1e-9;
export const TOUCHING = 1e-9;

/** Where two stretches a–b and c–d cross properly (not merely touch); undefined otherwise. */
export const properIntersection = (a: Point, b: Point, c: Point, d: Point): Point | undefined => intersectSegments(a, b, c, d, PROPERLY);

/** Sides of a ring are boxed this many together before they are looked at one by one. */
const TOGETHER = 8;

/** The first place where a ring of corner points crosses itself; undefined when it is simple; with the slack `TOUCHING` also where it touches itself. Sides are compared by their boxes first. */
export function selfIntersection(ring: readonly Point[], slack = PROPERLY): Point | undefined {
  const n = ring.length;
  const groups = Math.ceil(n / TOGETHER);
  const boxes = sideBoxes(ring, groups);
  for (let g = 0; g < groups; g++) {
    for (let h = g; h < groups; h++) {
      if (apart(boxes, n + g, n + h)) continue;
      const [iEnd, jEnd] = [Math.min(n, (g + 1) * TOGETHER), Math.min(n, (h + 1) * TOGETHER)];
      for (let i = g * TOGETHER; i < iEnd; i++) {
        for (let j = Math.max(i + 2, h * TOGETHER); j < jEnd; j++) {
          const at = apart(boxes, i, j) ? undefined : sidesCross(ring, i, j, slack);
          if (at) return at;
        }
      }
    }
  }
  return undefined;
}

/** The boxes of the sides and, after them, those of their groups: left, right, top and foot of each, one after the other. */
function sideBoxes(ring: readonly Point[], groups: number): Float64Array {
  const n = ring.length;
  const boxes = roomFor(4 * (n + groups));
  for (let i = 0; i < n; i++) {
    const a = ring[i] as Point;
    const b = ring[i + 1 === n ? 0 : i + 1] as Point;
    const at = 4 * i;
    boxes[at] = a.x < b.x ? a.x : b.x;
    boxes[at + 1] = a.x < b.x ? b.x : a.x;
    boxes[at + 2] = a.y < b.y ? a.y : b.y;
    boxes[at + 3] = a.y < b.y ? b.y : a.y;
    const group = 4 * (n + Math.floor(i / TOGETHER));
    const first = i % TOGETHER === 0;
    for (let k = 0; k < 4; k++) {
      const own = boxes[at + k] as number;
      const theirs = boxes[group + k] as number;
      if (first || (k % 2 === 0 ? own < theirs : own > theirs)) boxes[group + k] = own;
    }
  }
  return boxes;
}

// Kept from call to call: making room again costs more than all the comparing.
let room = new Float64Array(4_096);

function roomFor(size: number): Float64Array {
  if (room.length < size) room = new Float64Array(2 * size);
  return room;
}

/** True when two of the boxes share no place. */
function apart(boxes: Float64Array, i: number, j: number): boolean {
  const a = 4 * i;
  const b = 4 * j;
  return (
    (boxes[b] as number) > (boxes[a + 1] as number) ||
    (boxes[b + 1] as number) < (boxes[a] as number) ||
    (boxes[b + 2] as number) > (boxes[a + 3] as number) ||
    (boxes[b + 3] as number) < (boxes[a + 2] as number)
  );
}

/** Where two sides of a ring cross; sides that share a corner never do. */
function sidesCross(ring: readonly Point[], i: number, j: number, slack: number): Point | undefined {
  const n = ring.length;
  const between = Math.abs(i - j);
  if (between <= 1 || between === n - 1) return undefined;
  const a = ring[i] as Point;
  const b = ring[(i + 1) % n] as Point;
  const c = ring[j] as Point;
  const d = ring[(j + 1) % n] as Point;
  return intersectSegments(a, b, c, d, slack);
}

/** How far (mm) a place lies from a ring of corner points. */
export function distanceToRing(p: Point, ring: readonly Point[]): number {
  let least = Infinity;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const a = ring[j] as Point;
    const b = ring[i] as Point;
    const dx = b.x - a.x;
    const dy = b.y - a.y;
    const squared = dx * dx + dy * dy;
    const t = squared === 0 ? 0 : Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / squared));
    const x = p.x - a.x - dx * t;
    const y = p.y - a.y - dy * t;
    const off = x * x + y * y;
    if (off < least) least = off;
  }
  return Math.sqrt(least);
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
