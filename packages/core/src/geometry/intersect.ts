import { type Cubic, cubicAt } from "./curve/cubic.js";
import { direction, type Line } from "./line.js";
import type { Path } from "./path/path.js";
import type { Point } from "./point.js";

/** Real roots of a·t³ + b·t² + c·t + d within 0..1 (a hair outside is clamped), ascending. */
export function cubicRoots(a: number, b: number, c: number, d: number): number[] {
  const scale = Math.max(Math.abs(a), Math.abs(b), Math.abs(c), Math.abs(d));
  if (!(scale > 0)) return [];
  const roots = solve(a / scale, b / scale, c / scale, d / scale).map((t) => polish(t, a, b, c, d));
  const inside = roots.filter((t) => t >= -1e-9 && t <= 1 + 1e-9).map((t) => Math.min(1, Math.max(0, t)));
  return inside.sort((x, y) => x - y).filter((t, i) => i === 0 || t - (inside[i - 1] as number) > 1e-9);
}

function solve(a: number, b: number, c: number, d: number): number[] {
  if (Math.abs(a) < 1e-12) {
    if (Math.abs(b) < 1e-12) return Math.abs(c) < 1e-12 ? [] : [-d / c];
    const disc = c * c - 4 * b * d;
    if (disc < 0) return disc > -1e-14 ? [-c / (2 * b)] : [];
    const q = -0.5 * (c + Math.sign(c || 1) * Math.sqrt(disc));
    return q === 0 ? [0] : [q / b, d / q];
  }
  const B = b / a;
  const C = c / a;
  const D = d / a;
  const q = (3 * C - B * B) / 9;
  const r = (9 * B * C - 27 * D - 2 * B * B * B) / 54;
  const disc = q * q * q + r * r;
  if (disc > 1e-16) {
    const s = Math.cbrt(r + Math.sqrt(disc));
    const t = Math.cbrt(r - Math.sqrt(disc));
    return [s + t - B / 3];
  }
  const angle = Math.acos(Math.max(-1, Math.min(1, r / Math.sqrt(Math.max(1e-300, -q * q * q)))));
  const m = 2 * Math.sqrt(Math.max(0, -q));
  return [0, 1, 2].map((k) => m * Math.cos((angle + 2 * Math.PI * k) / 3) - B / 3);
}

/** Two Newton steps: enough to bring a closed-form root to the last float. */
function polish(t: number, a: number, b: number, c: number, d: number): number {
  for (let i = 0; i < 2; i++) {
    const slope = (3 * a * t + 2 * b) * t + c;
    if (Math.abs(slope) < 1e-12) return t;
    t -= (((a * t + b) * t + c) * t + d) / slope;
  }
  return t;
}

/** Places where a cubic meets an endless line, in the order of travel. A cubic lying along the line meets it nowhere. */
export function intersectCubicLine(cubic: Cubic, line: Line): Point[] {
  const u = direction(line);
  if (!u) return [];
  const off = (p: Point): number => (p.x - line.a.x) * u.y - (p.y - line.a.y) * u.x;
  const [d0, d1, d2, d3] = [off(cubic.p0), off(cubic.p1), off(cubic.p2), off(cubic.p3)];
  if (Math.max(Math.abs(d0), Math.abs(d1), Math.abs(d2), Math.abs(d3)) < 1e-9) return [];
  return cubicRoots(d3 - 3 * d2 + 3 * d1 - d0, 3 * (d2 - 2 * d1 + d0), 3 * (d1 - d0), d0).map((t) => cubicAt(cubic, t));
}

/** Places where a path meets an endless line, in the order of travel. */
export function intersectPathLine(path: Path, line: Line): Point[] {
  const places = path.segments.flatMap((segment) => intersectCubicLine(segment, line));
  return places.filter((p, i) => i === 0 || Math.hypot(p.x - (places[i - 1] as Point).x, p.y - (places[i - 1] as Point).y) > 1e-6);
}
