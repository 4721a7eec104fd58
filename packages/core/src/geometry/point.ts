/** A place on a board: millimetres, x to the right, y down. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** `a` moved by `dx`, `dy` (mm). */
export const shift = (a: Point, dx: number, dy: number): Point => ({ x: a.x + dx, y: a.y + dy });

/** Straight distance in mm. Written out: Math.hypot guards against overflow that no paper can reach, and is five times slower. */
export function distance(a: Point, b: Point): number {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  return Math.sqrt(dx * dx + dy * dy);
}

/** The point a fraction `t` of the way from `a` to `b`; past the ends when t is outside 0..1. */
export const lerp = (a: Point, b: Point, t: number): Point => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t });

/** Direction from `a` to `b` in radians, clockwise on the paper from straight across to the right (y is down). */
export const bearing = (a: Point, b: Point): number => Math.atan2(b.y - a.y, b.x - a.x);

/** The turn from one unit direction to another: radians, clockwise on the paper, half a turn at most either way. */
export const turnOf = (u: Point, v: Point): number => Math.atan2(u.x * v.y - u.y * v.x, u.x * v.x + u.y * v.y);

/** The turn from the direction `from` to the direction `to` the short way round: radians, clockwise, half a turn at most. */
export function turnBetween(from: number, to: number): number {
  const by = to - from;
  return by > Math.PI ? by - 2 * Math.PI : by < -Math.PI ? by + 2 * Math.PI : by;
}

/** `p` turned about `centre` by `rad` radians, clockwise on the paper. */
export function turn(p: Point, centre: Point, rad: number): Point {
  const c = Math.cos(rad);
  const s = Math.sin(rad);
  const dx = p.x - centre.x;
  const dy = p.y - centre.y;
  return { x: centre.x + dx * c - dy * s, y: centre.y + dx * s + dy * c };
}

/** Points nearer than this (mm) count as the same place. */
export const SAME_PLACE_MM = 1e-6;

/** True when the two places cannot be told apart; false when either is not a number. */
export const samePlace = (a: Point, b: Point): boolean => distance(a, b) <= SAME_PLACE_MM;
