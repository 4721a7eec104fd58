import type { Cubic } from "../curve/cubic.js";
import { type Path, startOf } from "./path.js";
import type { Point } from "../point.js";

/** A length as text, rounded, no trailing zeros; never an exponent for anything a draft can hold, never "-0". */
export function mmText(value: number, decimals = 3): string {
  const scale = 10 ** decimals;
  return String(Math.round(value * scale) / scale);
}

const pair = (p: Point): string => `${mmText(p.x)} ${mmText(p.y)}`;

const stretch = (c: Cubic): string => (c.straight ? `L${pair(c.p3)}` : `C${pair(c.p1)} ${pair(c.p2)} ${pair(c.p3)}`);

/** SVG path data in mm. */
export const svgData = (path: Path): string => `M${pair(startOf(path))}${path.segments.map(stretch).join("")}`;

/** SVG path data of a line of corner points, in mm. */
export const svgLine = (places: readonly Point[]): string => (places.length === 0 ? "" : `M${places.map(pair).join("L")}`);

/** SVG path data of a closed ring of corner points, in mm. */
export const svgRing = (ring: readonly Point[]): string => (ring.length === 0 ? "" : `${svgLine(ring)}Z`);
