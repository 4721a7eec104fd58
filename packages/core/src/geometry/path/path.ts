import { type Cubic, cubicAt, cubicHeading, mapCubic, reverseCubic, splitCubic, straightCubic } from "../curve/cubic.js";
import { cubicLength, cubicParameterAt } from "../curve/cubic-length.js";
import type { Point } from "../point.js";

/** A run of cubics, each starting where the one before it ends. Never empty. */
export interface Path {
  readonly segments: readonly Cubic[];
}

/** A path of straight stretches through two or more places. */
export function polyline(places: readonly Point[]): Path {
  const segments: Cubic[] = [];
  for (let i = 1; i < places.length; i++) segments.push(straightCubic(places[i - 1] as Point, places[i] as Point));
  return { segments };
}

export const startOf = (path: Path): Point => (path.segments[0] as Cubic).p0;
export const endOf = (path: Path): Point => (path.segments[path.segments.length - 1] as Cubic).p3;

/** Length in mm. */
export function pathLength(path: Path): number {
  let sum = 0;
  for (const segment of path.segments) sum += cubicLength(segment);
  return sum;
}

/** The path travelled the other way. */
export const reversePath = (path: Path): Path => ({ segments: path.segments.map(reverseCubic).reverse() });

/** Every place mapped by a rigid or affine `f`. */
export const mapPath = (path: Path, f: (p: Point) => Point): Path => ({ segments: path.segments.map((segment) => mapCubic(segment, f)) });

/** The path moved by `dx`, `dy` (mm). */
export const shiftPath = (path: Path, dx: number, dy: number): Path =>
  dx === 0 && dy === 0 ? path : mapPath(path, (p) => ({ x: p.x + dx, y: p.y + dy }));

/** Unit direction of travel at the start. */
export const headingAtStart = (path: Path): Point => cubicHeading(path.segments[0] as Cubic, 0);

/** Unit direction of travel at the end. */
export const headingAtEnd = (path: Path): Point => cubicHeading(path.segments[path.segments.length - 1] as Cubic, 1);

/** A place on a path and the unit direction of travel there. */
export interface PathPlace {
  readonly at: Point;
  readonly heading: Point;
}

/** The place `mm` along the path from its start; before the start or past the end it goes straight on. */
export function pointAtLength(path: Path, mm: number): PathPlace {
  if (mm < 0) return goOn(startOf(path), headingAtStart(path), mm);
  let left = mm;
  for (const segment of path.segments) {
    const length = cubicLength(segment);
    if (left <= length) {
      const t = cubicParameterAt(segment, left);
      return { at: cubicAt(segment, t), heading: cubicHeading(segment, t) };
    }
    left -= length;
  }
  return goOn(endOf(path), headingAtEnd(path), left);
}

function goOn(from: Point, heading: Point, mm: number): PathPlace {
  return { at: { x: from.x + heading.x * mm, y: from.y + heading.y * mm }, heading };
}

/** A cut as near as this (mm) to where two of its stretches meet falls between them, and leaves no sliver. */
const SLIVER_MM = 1e-6;

/** The two parts of a path cut `mm` from its start; a cut at or beyond an end leaves that part without length. */
export function splitPath(path: Path, mm: number): [Path, Path] {
  const before: Cubic[] = [];
  const after: Cubic[] = [];
  let left = mm;
  for (const segment of path.segments) {
    const length = cubicLength(segment);
    if (left >= length - SLIVER_MM) before.push(segment);
    else if (left <= SLIVER_MM) after.push(segment);
    else {
      const [a, b] = splitCubic(segment, cubicParameterAt(segment, left));
      before.push(a);
      after.push(b);
    }
    left -= length;
  }
  if (before.length === 0) before.push(straightCubic(startOf(path), startOf(path)));
  if (after.length === 0) after.push(straightCubic(endOf(path), endOf(path)));
  return [{ segments: before }, { segments: after }];
}

/** Paths laid end to end as one. */
export function joinPaths(paths: readonly Path[]): Path {
  const all: Cubic[] = [];
  for (const { segments } of paths) for (const segment of segments) all.push(segment);
  return { segments: all };
}
