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

/** How near a finger must come to a line; a point beside it comes first. */
const REACH_OF_LINES = 9;

/** The drawn line nearest to a place, both in mm, within a finger's reach at `k` pixels a millimetre. */
export function nearestOn<P extends { readonly places: readonly Point[] }>(at: Point, paths: readonly P[], k: number): P | undefined {
  let best: P | undefined;
  let least = REACH_OF_LINES / k;
  for (const path of paths) {
    path.places.slice(1).forEach((b, i) => {
      const off = offSegment(at, path.places[i] as Point, b);
      if (off < least) [best, least] = [path, off];
    });
  }
  return best;
}

function offSegment(at: Point, a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const squared = dx * dx + dy * dy;
  const share = squared === 0 ? 0 : Math.min(1, Math.max(0, ((at.x - a.x) * dx + (at.y - a.y) * dy) / squared));
  return Math.hypot(at.x - a.x - share * dx, at.y - a.y - share * dy);
}
