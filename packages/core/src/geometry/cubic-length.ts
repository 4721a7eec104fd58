import { type Cubic, cubicSlope, splitCubic } from "./cubic.js";
import { distance } from "./point.js";

// Gauss–Legendre nodes and weights on -1..1 (Abramowitz & Stegun, table 25.4; checked in the tests by their exactness
// on polynomials), 8 and 16 points; symmetric halves only.
const X8 = [0.1834346424956498, 0.525532409916329, 0.7966664774136267, 0.9602898564975363];
const W8 = [0.362683783378362, 0.3137066458778873, 0.2223810344533745, 0.1012285362903763];
const X16 = [
  0.0950125098376374, 0.2816035507792589, 0.4580167776572274, 0.6178762444026438, 0.755404408355003, 0.8656312023878318, 0.9445750230732326,
  0.9894009349916499,
];
const W16 = [
  0.1894506104550685, 0.1826034150449236, 0.1691565193950025, 0.1495959888165767, 0.1246289712555339, 0.0951585116824928,
  0.0622535239386479, 0.0271524594117541,
];

function speedIntegral(c: Cubic, nodes: readonly number[], weights: readonly number[]): number {
  const ax = c.p1.x - c.p0.x;
  const ay = c.p1.y - c.p0.y;
  const bx = c.p2.x - c.p1.x;
  const by = c.p2.y - c.p1.y;
  const dx = c.p3.x - c.p2.x;
  const dy = c.p3.y - c.p2.y;
  let sum = 0;
  for (let i = 0; i < nodes.length; i++) {
    const half = 0.5 * (nodes[i] as number);
    for (let side = -1; side <= 1; side += 2) {
      const t = 0.5 + side * half;
      const s = 1 - t;
      const u = s * s;
      const v = 2 * s * t;
      const w = t * t;
      const x = u * ax + v * bx + w * dx;
      const y = u * ay + v * by + w * dy;
      sum += (weights[i] as number) * Math.sqrt(x * x + y * y);
    }
  }
  return 1.5 * sum;
}

const DEEPEST_HALVING = 24;

/**
 * Arc length of a cubic in mm. 8-point against 16-point Gauss–Legendre, halving where they differ:
 * relative error below 1e-9 on smooth cubics, below 1e-7 where a cusp lies inside.
 */
export function cubicLength(c: Cubic, depth = 0): number {
  if (c.straight) return distance(c.p0, c.p3);
  const fine = speedIntegral(c, X16, W16);
  const coarse = speedIntegral(c, X8, W8);
  if (!(Math.abs(fine - coarse) > 1e-8 * fine) || depth >= DEEPEST_HALVING || fine < 1e-9) return fine;
  const [a, b] = splitCubic(c, 0.5);
  return cubicLength(a, depth + 1) + cubicLength(b, depth + 1);
}

/** Parameter t at which the arc from the start has the given length (mm), within 1e-7 mm or the last float; clamped to 0..1. */
export function cubicParameterAt(c: Cubic, lengthMm: number): number {
  const total = cubicLength(c);
  if (!(lengthMm > 0) || total === 0) return 0;
  if (lengthMm >= total) return 1;
  if (c.straight) return lengthMm / total;
  let low = 0;
  let high = 1;
  let t = lengthMm / total;
  for (let i = 0; i < 60; i++) {
    const error = cubicLength(splitCubic(c, t)[0]) - lengthMm;
    if (Math.abs(error) < 1e-7) return t;
    if (error > 0) high = t;
    else low = t;
    const slope = cubicSlope(c, t);
    const next = t - error / Math.sqrt(slope.x * slope.x + slope.y * slope.y);
    t = next > low && next < high ? next : (low + high) / 2;
  }
  return t;
}
