import type { Point } from "../geometry/point.js";

/** Sides a place may be named by when there are several: the one that comes first in each order. */
export const SIDES: readonly { readonly word: string; readonly before: (a: Point, b: Point) => number }[] = [
  { word: "upper", before: (a, b) => a.y - b.y },
  { word: "lower", before: (a, b) => b.y - a.y },
  { word: "inner", before: (a, b) => a.x - b.x },
  { word: "outer", before: (a, b) => b.x - a.x },
];
