import { type Cubic, cubicSlope, splitCubic } from "./cubic.js";
import { distance } from "../point.js";

// Gauss–Kronrod, 15 points on -1..1 with the 7-point Gauss rule among them (Piessens et al., QUADPACK, 1983, routine qk15;
// from memory, checked in the tests by their exactness on polynomials). As parameters on 0..1, the middle first; the points
// of the Gauss rule are the middle and every second pair after it.
const NODES = [
  0.20778495500789848, 0.4058451513773972, 0.5860872354676911, 0.7415311855993945, 0.8648644233597691, 0.9491079123427585,
  0.9914553711208126,
] as const;
const KRONROD = [
  0.20443294007529889, 0.19035057806478542, 0.1690047266392679, 0.14065325971552592, 0.10479001032225019, 0.06309209262997856,
  0.022935322010529224,
] as const;
const GAUSS = [0, 0.3818300505051189, 0, 0.27970539148927664, 0, 0.1294849661688697, 0] as const;
const KRONROD_MIDDLE = 0.20948214108472782;
const GAUSS_MIDDLE = 0.4179591836734694;
const BELOW = Float64Array.from(NODES, (x) => 0.5 - 0.5 * x);
const ABOVE = Float64Array.from(NODES, (x) => 0.5 + 0.5 * x);
const W_KRONROD = Float64Array.from(KRONROD, (w) => 0.5 * w);
const W_GAUSS = Float64Array.from(GAUSS, (w) => 0.5 * w);

/** How far the two rules may differ, as a share of the length: the finer one is then about the square of it off. */
const RULES_AGREE = 1e-9;

/** A cubic that sets out or arrives against its chord, or whose control polygon is longer than this many chords, may turn back between the points that are looked at: it is halved. */
const MOST_WOUND = 1.6;

const DEEPEST_HALVING = 24;

/**
 * Arc length of a cubic in mm. 15-point Gauss–Kronrod against its 7-point Gauss rule, halving where they differ:
 * relative error below 1e-9 on smooth cubics, below 2e-6 where a cusp lies inside; of a straight cubic that turns back twice
 * between two of the points that are looked at, up to 1e-4 may be missed.
 */
export function cubicLength(c: Cubic, depth = 0): number {
  if (c.straight) return distance(c.p0, c.p3);
  // The speed is a quadratic in t either way: x² t² + x¹ t + x⁰.
  const x0 = 3 * (c.p1.x - c.p0.x);
  const y0 = 3 * (c.p1.y - c.p0.y);
  const x1 = 6 * (c.p2.x - 2 * c.p1.x + c.p0.x);
  const y1 = 6 * (c.p2.y - 2 * c.p1.y + c.p0.y);
  const x2 = 3 * (c.p3.x - c.p0.x + 3 * (c.p1.x - c.p2.x));
  const y2 = 3 * (c.p3.y - c.p0.y + 3 * (c.p1.y - c.p2.y));
  const ex = 3 * (c.p3.x - c.p2.x);
  const ey = 3 * (c.p3.y - c.p2.y);
  const mx = (0.5 * x2 + x1) * 0.5 + x0;
  const my = (0.5 * y2 + y1) * 0.5 + y0;
  const middle = Math.sqrt(mx * mx + my * my);
  let fine = 0.5 * KRONROD_MIDDLE * middle;
  let coarse = 0.5 * GAUSS_MIDDLE * middle;
  for (let i = 0; i < 7; i++) {
    const t = BELOW[i] as number;
    const s = ABOVE[i] as number;
    const ax = (x2 * t + x1) * t + x0;
    const ay = (y2 * t + y1) * t + y0;
    const bx = (x2 * s + x1) * s + x0;
    const by = (y2 * s + y1) * s + y0;
    const speed = Math.sqrt(ax * ax + ay * ay) + Math.sqrt(bx * bx + by * by);
    fine += (W_KRONROD[i] as number) * speed;
    coarse += (W_GAUSS[i] as number) * speed;
  }
  const chordX = c.p3.x - c.p0.x;
  const chordY = c.p3.y - c.p0.y;
  const polygon = (Math.sqrt(x0 * x0 + y0 * y0) + Math.sqrt(ex * ex + ey * ey)) / 3 + distance(c.p1, c.p2);
  const wound =
    polygon > MOST_WOUND * Math.sqrt(chordX * chordX + chordY * chordY) || x0 * chordX + y0 * chordY < 0 || ex * chordX + ey * chordY < 0;
  if ((!wound && !(Math.abs(fine - coarse) > RULES_AGREE * fine)) || depth >= DEEPEST_HALVING || fine < 1e-9) return fine;
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
