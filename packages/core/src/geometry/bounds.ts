import type { Point } from "./point.js";

/** An upright box in mm. */
export interface Bounds {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
}

/** The smallest box around the given places; undefined when there are none. */
export function boundsOf(places: Iterable<Point>): Bounds | undefined {
  let minX = Infinity;
  let minY = Infinity;
  let maxX = -Infinity;
  let maxY = -Infinity;
  for (const p of places) {
    if (p.x < minX) minX = p.x;
    if (p.y < minY) minY = p.y;
    if (p.x > maxX) maxX = p.x;
    if (p.y > maxY) maxY = p.y;
  }
  return minX <= maxX ? { minX, minY, maxX, maxY } : undefined;
}

/** The box grown by `mm` on every side. */
export const growBounds = (b: Bounds, mm: number): Bounds => ({
  minX: b.minX - mm,
  minY: b.minY - mm,
  maxX: b.maxX + mm,
  maxY: b.maxY + mm,
});
