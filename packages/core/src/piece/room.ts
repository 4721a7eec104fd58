import { type Bounds, boundsOf } from "../geometry/bounds.js";
import { type Box, crossesBox, overlap } from "../geometry/box.js";
import { flatten } from "../geometry/path/flatten.js";
import { direction, foot } from "../geometry/line.js";
import { endOf, startOf } from "../geometry/path/path.js";
import { distance, type Point } from "../geometry/point.js";
import { properIntersection, insideRing } from "../geometry/ring/ring.js";
import type { PieceResult } from "./piece.js";

/** A straight line from one place to another. */
export type Segment = readonly [Point, Point];

/** Places tried across and down a piece. */
const ACROSS = 12;
const DOWN = 24;
/** Shares of the piece's extent along the grain that the arrow may be long, longest first. */
const GRAIN_SHARES = [0.5, 0.35, 0.2];

/**
 * The arrow to draw for a piece's grain (mm): parallel to the grain, wholly on the piece, off its darts, and as near as can
 * be to a finger's width beside the left edge's middle; where there is room, `offFold` mm off the fold, whose mark stands
 * there, and a quarter of that off everything else drawn. Undefined without a grain or when nothing fits.
 */
export function grainArrow(piece: PieceResult, offFold = 0): Segment | undefined {
  const u = piece.grain && direction({ a: piece.grain[0], b: piece.grain[1] });
  if (!u) return undefined;
  const box = boundsOf(piece.net) ?? EMPTY;
  const wish = { x: box.minX + (box.maxX - box.minX) * 0.28, y: box.minY + (box.maxY - box.minY) * 0.6 };
  const extent = Math.abs(u.x) * (box.maxX - box.minX) + Math.abs(u.y) * (box.maxY - box.minY);
  const folds = piece.edges.filter((e) => e.finish === "fold").map((e) => ({ a: startOf(e.path), b: endOf(e.path) }));
  const clear = (p: Point): boolean => folds.every((fold) => distance(foot(p, fold) ?? p, p) >= offFold);
  const all = placesOn(box, wish);
  const places = offFold > 0 ? [...all.filter(clear), ...all.filter((p) => !clear(p))] : all;
  const lines = linesOf(piece);
  for (const margin of offFold > 0 ? [offFold / 4, 0] : [0]) {
    for (const share of GRAIN_SHARES) {
      const arrow = freeArrow(piece.net, lines, places, { along: u, half: (extent * share) / 2, margin });
      if (arrow) return arrow;
    }
  }
  return undefined;
}

/** The first arrow about one of the places that lies on the region and crosses no line, nor does it moved by the margin to either side. */
function freeArrow(
  region: readonly Point[],
  lines: readonly Segment[],
  places: readonly Point[],
  { along, half, margin }: { readonly along: Point; readonly half: number; readonly margin: number },
): Segment | undefined {
  const at = (p: Point, aside = 0): Segment => {
    const [x, y] = [p.x - along.y * aside, p.y + along.x * aside];
    return [
      { x: x - along.x * half, y: y - along.y * half },
      { x: x + along.x * half, y: y + along.y * half },
    ];
  };
  const free = ([a, b]: Segment): boolean =>
    insideRing(a, region) && insideRing(b, region) && !lines.some(([c, d]) => properIntersection(a, b, c, d));
  const place = places.find((p) => free(at(p)) && (margin === 0 || (free(at(p, margin)) && free(at(p, -margin)))));
  return place && at(place);
}

/**
 * Finds where a title of a given width and height (mm) lies best on a piece: its middle, as near the middle of the piece as
 * it can without lying over the outline, a dart, another inside line, a level line, the grain arrow as drawn, or any of the
 * boxes (mm) that are taken. What does not hang on the size is worked out once; the function gives undefined when there is
 * no such place.
 */
export function titleRoom(
  piece: PieceResult,
  grain: Segment | undefined,
  taken: readonly Box[] = [],
): (width: number, height: number) => Point | undefined {
  const lines = [...linesOf(piece), ...piece.levels.map((l): Segment => [l.a, l.b]), ...(grain ? [grain] : [])];
  const inside = placesOn(boundsOf(piece.net) ?? EMPTY, middleOf(piece)).filter((p) => insideRing(p, piece.net));
  return (width, height) =>
    inside.find((p) => {
      const title: Box = { x: p.x - width / 2, y: p.y - height / 2, w: width, h: height };
      return !taken.some((box) => overlap(title, box)) && !lines.some(([a, b]) => crossesBox(a, b, title));
    });
}

/** The middle of a piece's box, a little to the right, away from a fold. */
export function middleOf(piece: PieceResult): Point {
  const box = boundsOf(piece.net) ?? EMPTY;
  return { x: box.minX + (box.maxX - box.minX) * 0.55, y: (box.minY + box.maxY) / 2 };
}

const EMPTY: Bounds = { minX: 0, minY: 0, maxX: 0, maxY: 0 };

/** The wish itself and a raster over the box, the nearest to the wish first. */
function placesOn(box: Bounds, wish: Point): Point[] {
  const places: Point[] = [wish];
  for (let i = 1; i < ACROSS; i++)
    for (let j = 1; j < DOWN; j++)
      places.push({ x: box.minX + ((box.maxX - box.minX) * i) / ACROSS, y: box.minY + ((box.maxY - box.minY) * j) / DOWN });
  return places.sort((a, b) => distance(a, wish) - distance(b, wish));
}

/** The net line and the lines inside it. */
function linesOf(piece: PieceResult): Segment[] {
  const through = [
    ...piece.inside.map((l) => flatten(l.path, 1)),
    ...piece.darts.map((d) => flatten(d.legs, 1)),
    [...piece.net, ...piece.net.slice(0, 1)],
  ];
  return through.flatMap((places) => places.slice(1).map((b, i): Segment => [places[i] as Point, b]));
}
