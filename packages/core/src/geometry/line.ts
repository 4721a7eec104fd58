import { distance, type Point, SAME_PLACE_MM } from "./point.js";

/** A straight line through two places, endless both ways unless a function says otherwise. */
export interface Line {
  readonly a: Point;
  readonly b: Point;
}

/** Unit direction of a line, or undefined when its two places are the same. */
export function direction(line: Line): Point | undefined {
  const length = distance(line.a, line.b);
  if (!(length > SAME_PLACE_MM)) return undefined;
  return { x: (line.b.x - line.a.x) / length, y: (line.b.y - line.a.y) / length };
}

/** Where two endless lines cross; undefined when they are parallel (sine of their angle below 1e-9) or have no direction. */
export function intersectLines(first: Line, second: Line): Point | undefined {
  const u = direction(first);
  const v = direction(second);
  if (!u || !v) return undefined;
  const sine = u.x * v.y - u.y * v.x;
  if (!(Math.abs(sine) > 1e-9)) return undefined;
  const t = ((second.a.x - first.a.x) * v.y - (second.a.y - first.a.y) * v.x) / sine;
  return { x: first.a.x + u.x * t, y: first.a.y + u.y * t };
}

/** Foot of the perpendicular from `p` to an endless line; undefined when the line has no direction. */
export function foot(p: Point, line: Line): Point | undefined {
  const u = direction(line);
  if (!u) return undefined;
  const t = (p.x - line.a.x) * u.x + (p.y - line.a.y) * u.y;
  return { x: line.a.x + u.x * t, y: line.a.y + u.y * t };
}

/** `p` mirrored over an endless line; undefined when the line has no direction. */
export function mirror(p: Point, line: Line): Point | undefined {
  const f = foot(p, line);
  return f && { x: 2 * f.x - p.x, y: 2 * f.y - p.y };
}
