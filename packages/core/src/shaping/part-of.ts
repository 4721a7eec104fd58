import { boundsOf } from "../geometry/bounds.js";
import { crossPaths } from "../geometry/meet-paths.js";
import { endOf, polyline, startOf } from "../geometry/path.js";
import { distance, type Point } from "../geometry/point.js";
import { insideRing } from "../geometry/ring.js";
import { assemble, type EdgeParts } from "../piece/assemble.js";
import type { PieceResult } from "../piece/piece.js";
import { lies, middle, regionOf } from "./contents.js";

/** A part as a piece of its own, with what lies on its region. A part away from the fold is cut as a pair. */
export function partOf(piece: PieceResult, edges: EdgeParts[], key: string): PieceResult {
  const region = regionOf(edges);
  const onFold = piece.onFold && edges.some((e) => e.finish === "fold");
  const levels = piece.levels.flatMap((l) => {
    const kept = within(l.a, l.b, region);
    return kept ? [{ ...l, a: kept[0], b: kept[1] }] : [];
  });
  return assemble({
    ...piece,
    key,
    title: key.replace(/_/g, " "),
    onFold,
    cut: piece.onFold && !onFold ? piece.cut * 2 : piece.cut,
    mirrored: piece.mirrored || (piece.onFold && !onFold),
    edges,
    grain: piece.grain && lengthwise(piece.grain, region),
    levels,
    darts: piece.darts.filter((d) => insideRing(middle(...d.fold), region)),
    inside: piece.inside.filter((l) => insideRing(middle(startOf(l.path), endOf(l.path)), region)),
    notches: piece.notches.filter((n) => lies(n.at, region)),
    marks: piece.marks.filter((m) => lies(m.at, region)),
  });
}

/** The longest stretch of a straight line that lies on a region. */
function within(a: Point, b: Point, region: readonly Point[]): [Point, Point] | undefined {
  const line = polyline([a, b]);
  const border = polyline([...region, region[0] as Point]);
  const along = (p: Point): number => distance(a, p);
  const stops = [a, ...crossPaths(line, border).sort((p, q) => along(p) - along(q)), b];
  let best: [Point, Point] | undefined;
  for (let i = 1; i < stops.length; i++) {
    const [p, q] = [stops[i - 1] as Point, stops[i] as Point];
    if (distance(p, q) > 1 && insideRing(middle(p, q), region) && (!best || distance(p, q) > distance(...best))) best = [p, q];
  }
  return best;
}

/** The grain through the middle of the part, as long as the part is. */
function lengthwise([a, b]: readonly [Point, Point], region: readonly Point[]): [Point, Point] {
  const kept = within(a, b, region);
  if (kept) return kept;
  const box = boundsOf(region) ?? { minX: 0, minY: 0, maxX: 0, maxY: 0 };
  const mid = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  const length = distance(a, b) || 1;
  const half = Math.min(length, box.maxY - box.minY, 400) / 2;
  const u = { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
  return [
    { x: mid.x - u.x * half, y: mid.y - u.y * half },
    { x: mid.x + u.x * half, y: mid.y + u.y * half },
  ];
}
