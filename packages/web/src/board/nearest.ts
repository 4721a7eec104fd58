import type { Point } from "@lodrin/core";

/** How near (screen pixels) a finger must come to a point to mean it. */
const REACH = 16;

/** The place nearest to a finger, if one lies within its reach. */
export function nearestTo<P extends Point>(at: Point, places: readonly P[]): P | undefined {
  let best: P | undefined;
  let least = REACH;
  for (const p of places) {
    const off = Math.hypot(p.x - at.x, p.y - at.y);
    if (off < least) [best, least] = [p, off];
  }
  return best;
}
