import type { Point } from "@lodrin/core";

/** How far beside what it measures a dimension is drawn, in pixels. */
const OFF = 13;
/** How much further its figure stands. */
const TEXT_OFF = 8;

/** So much of the paper's left is covered by its rule, and so wide is a letter of the figure, in pixels. */
const RULE = 28;
const LETTER = 10;

/**
 * Where the dimension of a course from `a` to `b` runs, and where its figure `text` stands: on the other side where it would lie
 * under the rule. Screen pixels; `u` along, `n` away from it, `width` that of the figure.
 */
export function besideCourse(
  a: Point,
  b: Point,
  text: string,
): { p: Point; q: Point; mid: Point; u: Point; n: Point; length: number; width: number } {
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  const u = length === 0 ? { x: 1, y: 0 } : { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
  const own = u.y < -0.01 || (Math.abs(u.y) <= 0.01 && u.x > 0) ? { x: u.y, y: -u.x } : { x: -u.y, y: u.x };
  const width = text.length * LETTER;
  const covered = own.x < -0.5 && (a.x + b.x) / 2 + own.x * (OFF + TEXT_OFF) - width < RULE;
  const n = covered ? { x: -own.x, y: -own.y } : own;
  const shift = (at: Point): Point => ({ x: at.x + n.x * OFF, y: at.y + n.y * OFF });
  const [p, q] = [shift(a), shift(b)];
  return { p, q, u, n, length, width, mid: { x: (p.x + q.x) / 2 + n.x * TEXT_OFF, y: (p.y + q.y) / 2 + n.y * TEXT_OFF } };
}
