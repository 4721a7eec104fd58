import { ClipType, FillRule, type PathsD, PathType } from "clipper2-ts/dist/Core.js";
import { ClipperD } from "clipper2-ts/dist/Engine.js";
import type { Point } from "../point.js";

/** Decimals of a millimetre that places are kept to. */
const DECIMALS = 5;

/**
 * The outer border of what a ring that lies over itself covers: what is wound round clockwise on the paper at least once.
 * Loops that run the other way round fall away.
 */
export function unionOutline(ring: readonly Point[]): Point[] {
  const clipper = new ClipperD(DECIMALS);
  clipper.addPaths([ring.map(({ x, y }) => ({ x, y }))], PathType.Subject, false);
  const borders: PathsD = [];
  clipper.execute(ClipType.Union, FillRule.Positive, borders);
  let largest: readonly Point[] = ring;
  let most = 0;
  for (const border of borders) {
    const area = doubleArea(border);
    if (area > most) [largest, most] = [border, area];
  }
  return largest.map(({ x, y }) => ({ x, y }));
}

/** Twice the area, positive for a ring that runs clockwise on the paper. */
const doubleArea = (ring: readonly Point[]): number =>
  ring.reduce((sum, p, i) => {
    const q = ring[(i + 1) % ring.length] as Point;
    return sum + p.x * q.y - p.y * q.x;
  }, 0);
