import type { Path } from "../path/path.js";
import type { Point } from "../point.js";

/** Area inside a ring of corner points in mm², without sign. The last corner joins the first. */
export function polygonArea(ring: readonly Point[]): number {
  return Math.abs(signedPolygonArea(ring));
}

/** Area of a ring in mm²; positive when it runs clockwise on the paper (y down). */
export function signedPolygonArea(ring: readonly Point[]): number {
  let twice = 0;
  for (let i = 0; i < ring.length; i++) {
    const a = ring[i] as Point;
    const b = ring[(i + 1) % ring.length] as Point;
    twice += a.x * b.y - b.x * a.y;
  }
  return twice / 2;
}

/** Exact area in mm² inside a closed path of cubics (Green's theorem), positive when it runs clockwise on the paper. */
export function signedPathArea(path: Path): number {
  let sum = 0;
  for (const { p0, p1, p2, p3 } of path.segments) {
    const x1 = p1.x - p0.x;
    const y1 = p1.y - p0.y;
    const x2 = p2.x - p0.x;
    const y2 = p2.y - p0.y;
    const x3 = p3.x - p0.x;
    const y3 = p3.y - p0.y;
    const betweenCurveAndChord = 0.15 * (x1 * (y2 + y3) - x2 * (y1 - 2 * y3) - x3 * (y1 + 2 * y2));
    sum += betweenCurveAndChord + (p0.x * p3.y - p3.x * p0.y) / 2;
  }
  return sum;
}
