import type { Cubic } from "./cubic.js";
import { intersectLines } from "../line.js";
import type { Path } from "../path/path.js";
import { bearing, distance, type Point } from "../point.js";

/** A quarter of a right angle a piece: a cubic then strays from the circle by less than 1e-7 of its radius. */
const LARGEST_PIECE = Math.PI / 8;

/** Round `centre` from `from`, turning by `rad` (clockwise on the paper), as cubics. */
export function arcPath(centre: Point, from: Point, rad: number): Path {
  const pieces = Math.max(1, Math.ceil(Math.abs(rad) / LARGEST_PIECE));
  const step = rad / pieces;
  const r = distance(centre, from);
  const start = bearing(centre, from);
  const k = (4 / 3) * Math.tan(step / 4);
  const at = (angle: number): Point => ({ x: centre.x + r * Math.cos(angle), y: centre.y + r * Math.sin(angle) });
  const segments = Array.from({ length: pieces }, (_, i): Cubic => {
    const [a, b] = [start + i * step, start + (i + 1) * step];
    const [p0, p3] = [at(a), at(b)];
    return {
      p0,
      p1: { x: p0.x - k * r * Math.sin(a), y: p0.y + k * r * Math.cos(a) },
      p2: { x: p3.x + k * r * Math.sin(b), y: p3.y - k * r * Math.cos(b) },
      p3,
      straight: false,
    };
  });
  return { segments };
}

/** The circle through three places; undefined when they lie in a line. */
export function circleThrough(a: Point, b: Point, c: Point): { centre: Point; turn: number } | undefined {
  const middle = (p: Point, q: Point): Point => ({ x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 });
  const square = (p: Point, q: Point): { a: Point; b: Point } => {
    const m = middle(p, q);
    return { a: m, b: { x: m.x - (q.y - p.y), y: m.y + (q.x - p.x) } };
  };
  const centre = intersectLines(square(a, b), square(b, c));
  if (!centre) return undefined;
  const on = (rad: number): number => (rad < 0 ? rad + 2 * Math.PI : rad);
  const to = on(bearing(centre, c) - bearing(centre, a));
  const by = on(bearing(centre, b) - bearing(centre, a));
  return { centre, turn: by <= to ? to : to - 2 * Math.PI };
}
