import { lerp, type Point } from "../point.js";

/** One cubic Bézier: start, two handles, end. A straight stretch has `straight` set and its handles on the thirds. */
export interface Cubic {
  readonly p0: Point;
  readonly p1: Point;
  readonly p2: Point;
  readonly p3: Point;
  readonly straight: boolean;
}

/** The straight stretch from `a` to `b` as a cubic. */
export function straightCubic(a: Point, b: Point): Cubic {
  const dx = (b.x - a.x) / 3;
  const dy = (b.y - a.y) / 3;
  return { p0: a, p1: { x: a.x + dx, y: a.y + dy }, p2: { x: b.x - dx, y: b.y - dy }, p3: b, straight: true };
}

/** Place at parameter t, 0..1. */
export function cubicAt(c: Cubic, t: number): Point {
  const s = 1 - t;
  const a = s * s * s;
  const b = 3 * s * s * t;
  const d = 3 * s * t * t;
  const e = t * t * t;
  return { x: a * c.p0.x + b * c.p1.x + d * c.p2.x + e * c.p3.x, y: a * c.p0.y + b * c.p1.y + d * c.p2.y + e * c.p3.y };
}

/** First derivative by t, in mm. */
export function cubicSlope(c: Cubic, t: number): Point {
  const s = 1 - t;
  const a = 3 * s * s;
  const b = 6 * s * t;
  const d = 3 * t * t;
  return {
    x: a * (c.p1.x - c.p0.x) + b * (c.p2.x - c.p1.x) + d * (c.p3.x - c.p2.x),
    y: a * (c.p1.y - c.p0.y) + b * (c.p2.y - c.p1.y) + d * (c.p3.y - c.p2.y),
  };
}

/** Unit direction of travel at t; where the handles coincide, the direction a hair further on. */
export function cubicHeading(c: Cubic, t: number): Point {
  return unitSlope(c, t) ?? unitSlope(c, t < 0.5 ? t + 1e-4 : t - 1e-4) ?? unitSlope(c, 0.5) ?? { x: 1, y: 0 };
}

function unitSlope(c: Cubic, t: number): Point | undefined {
  const { x, y } = cubicSlope(c, t);
  const length = Math.sqrt(x * x + y * y);
  return length > 1e-9 ? { x: x / length, y: y / length } : undefined;
}

/** The two parts of a cubic cut at t (de Casteljau). */
export function splitCubic(c: Cubic, t: number): [Cubic, Cubic] {
  const a = lerp(c.p0, c.p1, t);
  const b = lerp(c.p1, c.p2, t);
  const d = lerp(c.p2, c.p3, t);
  const ab = lerp(a, b, t);
  const bd = lerp(b, d, t);
  const m = lerp(ab, bd, t);
  return [
    { p0: c.p0, p1: a, p2: ab, p3: m, straight: c.straight },
    { p0: m, p1: bd, p2: d, p3: c.p3, straight: c.straight },
  ];
}

/** The same cubic travelled the other way. */
export const reverseCubic = (c: Cubic): Cubic => ({ p0: c.p3, p1: c.p2, p2: c.p1, p3: c.p0, straight: c.straight });

/** Every place of the cubic mapped by `f`, which must be rigid or affine. */
export const mapCubic = (c: Cubic, f: (p: Point) => Point): Cubic => ({
  p0: f(c.p0),
  p1: f(c.p1),
  p2: f(c.p2),
  p3: f(c.p3),
  straight: c.straight,
});
