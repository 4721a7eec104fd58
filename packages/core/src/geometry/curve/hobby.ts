import type { Cubic } from "./cubic.js";
import type { Path } from "../path/path.js";
import { bearing, distance, type Point } from "../point.js";

/**
 * Hobby's spline. J. D. Hobby, "Smooth, easy to compute interpolating splines", Discrete & Computational Geometry 1
 * (1986) 123–140, with the rules METAPOST publishes for open paths: given directions, curl at free ends, tension 1 or more.
 */
export interface Knot {
  readonly at: Point;
  /** Direction of travel at this knot in radians (clockwise on the paper), when it is fixed. */
  readonly heading?: number | undefined;
  /** Tension of the stretch after this knot, at least 3/4; 1 is Hobby's plain curve, more is straighter. */
  readonly tension?: number | undefined;
}

const CURL = 1;
/** Hobby's two weights, (√5 − 1)/2 and (3 − √5)/2. */
const NEAR = (Math.sqrt(5) - 1) / 2;
const FAR = (3 - Math.sqrt(5)) / 2;

/** How far the handles reach, as a share of the chord (Hobby's ρ and σ; METAPOST's "velocity"). */
function velocity(theta: number, phi: number, tension: number): number {
  const st = Math.sin(theta);
  const ct = Math.cos(theta);
  const sp = Math.sin(phi);
  const cp = Math.cos(phi);
  const above = 2 + Math.SQRT2 * (st - sp / 16) * (sp - st / 16) * (ct - cp);
  const below = 3 * tension * (1 + NEAR * ct + FAR * cp);
  return Math.min(4, above / below);
}

/** An angle brought into -π..π. */
function wrapped(angle: number): number {
  return angle - 2 * Math.PI * Math.round(angle / (2 * Math.PI));
}

/**
 * The curve through two or more knots as cubics. Knots with a fixed heading break the run; a free end has curl 1.
 * Knots must not coincide with their neighbours.
 */
export function hobby(knots: readonly Knot[]): Path {
  const segments: Cubic[] = [];
  let from = 0;
  for (let i = 1; i < knots.length; i++) {
    if (i === knots.length - 1 || (knots[i] as Knot).heading !== undefined) {
      segments.push(...stretch(knots.slice(from, i + 1)));
      from = i;
    }
  }
  return { segments };
}

/** One stretch: only its first and last knot may have a fixed heading. */
function stretch(knots: readonly Knot[]): Cubic[] {
  const n = knots.length - 1;
  const chord: number[] = [];
  const lean: number[] = [];
  for (let i = 0; i < n; i++) {
    const a = (knots[i] as Knot).at;
    const b = (knots[i + 1] as Knot).at;
    chord.push(distance(a, b));
    lean.push(bearing(a, b));
  }
  const psi: number[] = [0];
  for (let i = 1; i < n; i++) psi.push(wrapped((lean[i] as number) - (lean[i - 1] as number)));
  psi.push(0);
  const theta = solveThetas(knots, chord, lean, psi);
  const cubics: Cubic[] = [];
  for (let i = 0; i < n; i++) {
    const phi = -(psi[i + 1] as number) - (theta[i + 1] as number);
    cubics.push(handles((knots[i] as Knot).at, (knots[i + 1] as Knot).at, theta[i] as number, phi, tensionOf(knots[i] as Knot)));
  }
  return cubics;
}

const tensionOf = (knot: Knot): number => knot.tension ?? 1;

function handles(a: Point, b: Point, theta: number, phi: number, tension: number): Cubic {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const rho = velocity(theta, phi, tension);
  const sigma = velocity(phi, theta, tension);
  const ct = Math.cos(theta);
  const st = Math.sin(theta);
  const cp = Math.cos(phi);
  const sp = Math.sin(phi);
  return {
    p0: a,
    p1: { x: a.x + (dx * ct - dy * st) * rho, y: a.y + (dx * st + dy * ct) * rho },
    p2: { x: b.x - (dx * cp + dy * sp) * sigma, y: b.y - (dy * cp - dx * sp) * sigma },
    p3: b,
    straight: false,
  };
}

/** Angles θ of the outgoing direction against each chord: METAPOST's tridiagonal system, solved by elimination. */
function solveThetas(knots: readonly Knot[], chord: readonly number[], lean: readonly number[], psi: readonly number[]): number[] {
  const n = knots.length - 1;
  const lower: number[] = new Array<number>(n + 1).fill(0);
  const middle: number[] = new Array<number>(n + 1).fill(1);
  const upper: number[] = new Array<number>(n + 1).fill(0);
  const right: number[] = new Array<number>(n + 1).fill(0);
  const first = (knots[0] as Knot).heading;
  const last = (knots[n] as Knot).heading;
  const inverse = (i: number): number => 1 / tensionOf(knots[i] as Knot);

  if (first !== undefined) right[0] = wrapped(first - (lean[0] as number));
  else if (n === 1 && last === undefined) return [0, 0];
  else {
    const a = inverse(0);
    const curl = curlRatio(a, a);
    middle[0] = curl.own;
    upper[0] = curl.other;
    right[0] = -curl.other * (psi[1] as number);
  }

  for (let i = 1; i < n; i++) {
    const before = inverse(i - 1);
    const after = inverse(i);
    const pull = 1 / (before * before * (chord[i - 1] as number));
    const push = 1 / (after * after * (chord[i] as number));
    const a = before * pull;
    const b = (3 - before) * pull;
    const c = (3 - after) * push;
    const d = after * push;
    lower[i] = a;
    middle[i] = b + c;
    upper[i] = d;
    right[i] = -b * (psi[i] as number) - d * (psi[i + 1] as number);
  }

  if (last !== undefined) right[n] = wrapped(last - (lean[n - 1] as number));
  else {
    const a = inverse(n - 1);
    const curl = curlRatio(a, a);
    lower[n] = curl.other;
    middle[n] = curl.own;
  }
  return eliminate(lower, middle, upper, right);
}

/** METAPOST's equation for a curl of 1 at a free end: own·θ₀ + other·φ₁ = 0. */
function curlRatio(alpha: number, beta: number): { own: number; other: number } {
  return { own: alpha ** 3 * CURL + (3 - beta) * beta ** 2, other: (3 - alpha) * alpha ** 2 * CURL + beta ** 3 };
}

function eliminate(lower: number[], middle: number[], upper: number[], right: number[]): number[] {
  const n = middle.length;
  for (let i = 1; i < n; i++) {
    const share = (lower[i] as number) / (middle[i - 1] as number);
    middle[i] = (middle[i] as number) - share * (upper[i - 1] as number);
    right[i] = (right[i] as number) - share * (right[i - 1] as number);
  }
  const solved = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i--) {
    const after = i + 1 < n ? (upper[i] as number) * (solved[i + 1] as number) : 0;
    solved[i] = ((right[i] as number) - after) / (middle[i] as number);
  }
  return solved;
}
