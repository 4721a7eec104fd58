import { intersectPathLine } from "../geometry/intersect.js";
import { intersectLines, type Line } from "../geometry/line.js";
import { distance, type Point } from "../geometry/point.js";
import { DraftError } from "./draft-error.js";
import type { LineOrPath } from "./verb.js";

/**
 * Where a ray's line meets a target: the crossing ahead of the ray, the nearest when there are several; behind it when
 * there is none ahead. Straight targets are carried on past their ends. Throws DraftError when they never meet.
 */
export function meet(ray: Line, target: LineOrPath): Point {
  const places = target.line ? single(intersectLines(ray, target.line)) : intersectPathLine(target.path, ray);
  const ahead = places.filter((p) => (p.x - ray.a.x) * (ray.b.x - ray.a.x) + (p.y - ray.a.y) * (ray.b.y - ray.a.y) >= -1e-9);
  const nearest = nearestTo(ray.a, ahead.length > 0 ? ahead : places);
  if (!nearest) {
    throw new DraftError(
      target.line ? "The two lines run side by side and never meet." : "The line passes the curve without touching it.",
      "Measure from another point, or to another line.",
    );
  }
  return nearest;
}

const single = (p: Point | undefined): Point[] => (p ? [p] : []);

function nearestTo(from: Point, places: readonly Point[]): Point | undefined {
  return places.reduce<Point | undefined>((best, p) => (!best || distance(from, p) < distance(from, best) ? p : best), undefined);
}
