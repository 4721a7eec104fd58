import type { Point } from "./point.js";

/** A perspective from the paper (mm) to a picture (pixels): nine numbers by rows, the last of them 1. */
export type Homography = readonly [number, number, number, number, number, number, number, number, number];

/** A place whose true position on the paper is known, and where it is seen in the picture. */
export interface PointPair {
  readonly paper: Point;
  readonly picture: Point;
}

/** What was found of how a picture was taken. */
export interface Camera {
  readonly toPicture: Homography;
  /** What is left over at each place, on the paper, mm. */
  readonly left: readonly number[];
}

/** The place in the picture of a place on the paper, or the other way with the inverse. */
export function throughHomography([a, b, c, d, e, f, g, h, i]: Homography, { x, y }: Point): Point {
  const w = g * x + h * y + i;
  return { x: (a * x + b * y + c) / w, y: (d * x + e * y + f) / w };
}

/** The inverse of a perspective, scaled so that its last number is 1; undefined where there is none. */
export function inverseOf([a, b, c, d, e, f, g, h, i]: Homography): Homography | undefined {
  const [A, B, C] = [e * i - f * h, c * h - b * i, b * f - c * e];
  const [D, E, F] = [f * g - d * i, a * i - c * g, c * d - a * f];
  const [G, H, I] = [d * h - e * g, b * g - a * h, a * e - b * d];
  if (Math.abs(a * A + b * D + c * G) < 1e-12 || Math.abs(I) < 1e-15) return undefined;
  return [A / I, B / I, C / I, D / I, E / I, F / I, G / I, H / I, 1];
}

/** Where on the paper a place of the picture lies. */
export function toPaper({ toPicture }: Pick<Camera, "toPicture">, place: Point): Point | undefined {
  const back = inverseOf(toPicture);
  return back && throughHomography(back, place);
}

/**
 * The perspective through four or more places, by least squares over normalised coordinates (the direct linear
 * transformation with isotropic scaling: Hartley, “In defense of the eight-point algorithm”, IEEE PAMI 19, 1997; from
 * memory). Undefined for fewer than four, or where three of four lie in one line.
 */
export function homographyOf(seen: readonly PointPair[]): Camera | undefined {
  if (seen.length < 4) return undefined;
  const from = normaliser(seen.map((s) => s.paper));
  const to = normaliser(seen.map((s) => s.picture));
  const rows = seen.flatMap(({ paper, picture }) => {
    const p = from.apply(paper);
    const q = to.apply(picture);
    return [
      [p.x, p.y, 1, 0, 0, 0, -q.x * p.x, -q.x * p.y, q.x],
      [0, 0, 0, p.x, p.y, 1, -q.y * p.x, -q.y * p.y, q.y],
    ];
  });
  const solved = leastSquares(rows);
  if (!solved) return undefined;
  const [a, b, c, d, e, f, g, h] = solved as [number, number, number, number, number, number, number, number];
  // Over normalised places a perspective that folds the paper together shows by itself.
  if (Math.abs(a * (e - f * h) - b * (d - f * g) + c * (d * h - e * g)) < FOLDED) return undefined;
  const whole = multiply(to.back, multiply([a, b, c, d, e, f, g, h, 1], from.matrix));
  const last = whole[8];
  if (Math.abs(last) < 1e-15) return undefined;
  const toPicture = whole.map((n) => n / last) as unknown as Homography;
  const back = inverseOf(toPicture);
  if (!back) return undefined;
  const left = seen.map(({ paper, picture }) => {
    const there = throughHomography(back, picture);
    return Math.hypot(there.x - paper.x, there.y - paper.y);
  });
  return { toPicture, left };
}

/** Moves and scales places so that they lie about their middle, about 1.4 from it. */
function normaliser(places: readonly Point[]): { apply: (p: Point) => Point; matrix: Homography; back: Homography } {
  const cx = places.reduce((sum, p) => sum + p.x, 0) / places.length;
  const cy = places.reduce((sum, p) => sum + p.y, 0) / places.length;
  const far = places.reduce((sum, p) => sum + Math.hypot(p.x - cx, p.y - cy), 0) / places.length;
  const k = far > 0 ? Math.SQRT2 / far : 1;
  return {
    apply: (p) => ({ x: (p.x - cx) * k, y: (p.y - cy) * k }),
    matrix: [k, 0, -k * cx, 0, k, -k * cy, 0, 0, 1],
    back: [1 / k, 0, cx, 0, 1 / k, cy, 0, 0, 1],
  };
}

function multiply(m: Homography, n: Homography): Homography {
  const at = (r: number, c: number): number =>
    (m[3 * r] as number) * (n[c] as number) +
    (m[3 * r + 1] as number) * (n[3 + c] as number) +
    (m[3 * r + 2] as number) * (n[6 + c] as number);
  return [at(0, 0), at(0, 1), at(0, 2), at(1, 0), at(1, 1), at(1, 2), at(2, 0), at(2, 1), at(2, 2)];
}

/** A perspective with a determinant below it takes the paper to a line. */
const FOLDED = 1e-9;
const UNKNOWNS = 8;

/** Solves rows of eight factors and a result by their normal equations, with pivots; undefined where they do not say enough. */
function leastSquares(rows: readonly (readonly number[])[]): number[] | undefined {
  const m = Array.from({ length: UNKNOWNS }, (_, i) =>
    Array.from({ length: UNKNOWNS + 1 }, (__, j) => rows.reduce((sum, row) => sum + (row[i] as number) * (row[j] as number), 0)),
  );
  for (let c = 0; c < UNKNOWNS; c++) {
    const pivot = m.slice(c).reduce((best, row, i) => (Math.abs(row[c] as number) > Math.abs(m[best]?.[c] as number) ? c + i : best), c);
    const row = m[pivot] as number[];
    if (Math.abs(row[c] as number) < 1e-10) return undefined;
    [m[c], m[pivot]] = [row, m[c] as number[]];
    m.forEach((other, r) => {
      if (r === c) return;
      const by = (other[c] as number) / (row[c] as number);
      for (let k = c; k <= UNKNOWNS; k++) other[k] = (other[k] as number) - by * (row[k] as number);
    });
  }
  return m.map((row, i) => (row[UNKNOWNS] as number) / (row[i] as number));
}
