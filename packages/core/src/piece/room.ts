import { boundsOf } from "../geometry/bounds.js";
import { type Box, crossesBox } from "../geometry/box.js";
import { flatten } from "../geometry/flatten.js";
import { distance, type Point } from "../geometry/point.js";
import type { PieceResult } from "./piece.js";

/** Places tried across and down a piece. */
const ACROSS = 12;
const DOWN = 24;

/**
 * Where a title of the given size (mm) lies best on a piece: its middle, as near the middle of the piece as it can without
 * lying over the outline, a dart, another inside line or a level line. Where nothing is free, the middle of the piece.
 */
export function roomForTitle(piece: PieceResult, width: number, height: number): Point {
  const box = boundsOf(piece.net) ?? { minX: 0, minY: 0, maxX: 0, maxY: 0 };
  const middle = { x: box.minX + (box.maxX - box.minX) * 0.55, y: (box.minY + box.maxY) / 2 };
  const lines = stretchesOf(piece);
  const tried: Point[] = [middle];
  for (let i = 1; i < ACROSS; i++)
    for (let j = 1; j < DOWN; j++)
      tried.push({ x: box.minX + ((box.maxX - box.minX) * i) / ACROSS, y: box.minY + ((box.maxY - box.minY) * j) / DOWN });
  tried.sort((a, b) => distance(a, middle) - distance(b, middle));
  const free = (p: Point): boolean => {
    const title: Box = { x: p.x - width / 2, y: p.y - height / 2, w: width, h: height };
    return isInside(piece.net, p) && !lines.some(([a, b]) => crossesBox(a, b, title));
  };
  return tried.find(free) ?? middle;
}

function stretchesOf(piece: PieceResult): (readonly [Point, Point])[] {
  const through = [...piece.inside.map((l) => flatten(l.path, 1)), [...piece.net, ...piece.net.slice(0, 1)]];
  const stretches = through.flatMap((places) => places.slice(1).map((b, i) => [places[i] as Point, b] as const));
  return [...stretches, ...piece.levels.map((l) => [l.a, l.b] as const)];
}

/** Even-odd rule: a ray to the right crosses the ring an odd number of times. */
function isInside(ring: readonly Point[], p: Point): boolean {
  let inside = false;
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length] as Point;
    if (a.y > p.y !== b.y > p.y && p.x < a.x + ((p.y - a.y) / (b.y - a.y)) * (b.x - a.x)) inside = !inside;
  });
  return inside;
}
