import { boundsOf } from "../../geometry/bounds.js";
import { intersectPaths } from "../../geometry/path/intersect-paths.js";
import { nearestOnPath } from "../../geometry/path/nearest-on-path.js";
import { endOf, type Path, pathLength, pointAtLength, polyline, splitPath, startOf } from "../../geometry/path/path.js";
import { distance, type Point } from "../../geometry/point.js";
import { insideRing } from "../../geometry/ring/ring.js";
import { assemble, type EdgeParts } from "../../piece/assemble.js";
import type { PieceResult } from "../../piece/piece.js";
import { lies, middle, regionOf } from "./contents.js";

/** A part as a piece of its own, with what lies on its region. A part away from the fold is cut as a pair. */
export function extractPart(piece: PieceResult, edges: EdgeParts[], key: string): PieceResult {
  const ring = regionOf(edges);
  const region = { ring, border: polyline([...ring, ring[0] as Point]) };
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
    darts: piece.darts.filter((d) => insideRing(middle(...d.fold), ring)),
    inside: piece.inside.flatMap((l) => {
      const kept = stretchWithin(l.path, region);
      return kept ? [{ ...l, path: kept }] : [];
    }),
    notches: piece.notches.filter((n) => lies(n.at, ring)),
    marks: piece.marks.filter((m) => lies(m.at, ring)),
  });
}

/** A stretch shorter than this (mm) says nothing. */
const LEAST_MM = 1;

/** The region of a part, as corner points and as a path. */
interface Region {
  readonly ring: readonly Point[];
  readonly border: Path;
}

/** The longest stretch of a path that lies on a region. */
function stretchWithin(path: Path, { ring, border }: Region): Path | undefined {
  const length = pathLength(path);
  const crossings = intersectPaths(path, border).map((p) => nearestOnPath(path, p).along);
  const stops = [0, ...crossings.sort((a, b) => a - b), length];
  let best: { from: number; to: number } | undefined;
  for (let i = 1; i < stops.length; i++) {
    const [from, to] = [stops[i - 1] as number, stops[i] as number];
    if (to - from < LEAST_MM || (best && to - from <= best.to - best.from)) continue;
    if (lies(pointAtLength(path, (from + to) / 2).at, ring)) best = { from, to };
  }
  if (!best) return undefined;
  return best.to - best.from > length - LEAST_MM ? path : splitPath(splitPath(path, best.to)[0], best.from)[1];
}

/** The longest stretch of a straight line that lies on a region. */
function within(a: Point, b: Point, region: Region): [Point, Point] | undefined {
  const kept = stretchWithin(polyline([a, b]), region);
  return kept && [startOf(kept), endOf(kept)];
}

/** The grain through the middle of the part, as long as the part is. */
function lengthwise([a, b]: readonly [Point, Point], region: Region): [Point, Point] {
  const kept = within(a, b, region);
  if (kept) return kept;
  const box = boundsOf(region.ring) ?? { minX: 0, minY: 0, maxX: 0, maxY: 0 };
  const mid = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  const length = distance(a, b) || 1;
  const half = Math.min(length, box.maxY - box.minY, 400) / 2;
  const u = { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
  return [
    { x: mid.x - u.x * half, y: mid.y - u.y * half },
    { x: mid.x + u.x * half, y: mid.y + u.y * half },
  ];
}
