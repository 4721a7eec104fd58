import { crossPaths } from "../geometry/meet-paths.js";
import { pathBetween } from "../geometry/path-between.js";
import { endOf, type Path, polyline, reversePath, startOf } from "../geometry/path.js";
import { distance, type Point } from "../geometry/point.js";
import { insideRing } from "../geometry/ring.js";
import { boundsOf } from "../geometry/bounds.js";
import { assemble, type EdgeParts } from "../piece/assemble.js";
import type { PieceResult } from "../piece/piece.js";
import { DraftError } from "../verb/draft-error.js";
import { splitForms } from "../system/shaping-forms.js";
import { pointText } from "../verb/form.js";
import { regionOf, lies, middle } from "./contents.js";
import { exchange, lineOf, pieceOf, pointOf } from "./find.js";
import { placeAt, stretch } from "./ring.js";
import type { Shaping } from "./shaping.js";

/** Cut a piece in two along a line; both new edges take the line's name and its allowance. */
export const split: Shaping = {
  ...splitForms,
  gradual: false,
  prepare(which, filled) {
    const [key, first, second] = [filled.name("piece"), filled.name("first"), filled.name("second")];
    const line = which === 2 ? undefined : filled.name("line");
    const ends = which === 2 ? ([filled.name("from"), filled.name("to")] as const) : undefined;
    const allow = which === 0 ? filled.length("allow") : () => 0;
    return (pieces, f) => {
      const piece = pieceOf(pieces, key);
      const path = line !== undefined ? lineOf(piece, line) : polyline((ends ?? []).map((id) => pointOf(piece, id)));
      const what = line ?? (ends ?? []).map(pointText).join("–");
      return exchange(pieces, piece, cutInTwo(piece, path, what, line ?? "cut", Math.max(0, allow(f)), [first, second]));
    };
  },
};

function cutInTwo(
  piece: PieceResult,
  path: Path,
  what: string,
  role: string,
  allowance: number,
  keys: readonly [string, string],
): PieceResult[] {
  const cut = fromEdgeToEdge(piece, path);
  const from = cut && placeAt(piece, startOf(cut));
  const to = cut && placeAt(piece, endOf(cut));
  if (!cut || !from || !to)
    throw new DraftError(
      `${what} does not run from edge to edge of ${piece.title}.`,
      "Carry the line on until it meets the outline at both ends.",
    );
  const seam = (along: Path): EdgeParts => ({ role, path: along, sewn: along, allowance, finish: "seam", pointed: false, corner: "mitre" });
  const one = [...stretch(piece, from, to), seam(reversePath(cut))];
  const other = [...stretch(piece, to, from), seam(cut)];
  const [upper, lower] = upperFirst(one, other);
  return [part(piece, upper, keys[0]), part(piece, lower, keys[1])];
}

/** The line between the two places where it meets the outline: its own ends, or where it crosses. */
function fromEdgeToEdge(piece: PieceResult, path: Path): Path | undefined {
  if (placeAt(piece, startOf(path)) && placeAt(piece, endOf(path))) return path;
  const met = piece.edges.flatMap((e) => crossPaths(path, e.path)).filter((p, i, all) => all.findIndex((q) => distance(p, q) < 0.05) === i);
  const ends = [startOf(path), endOf(path)].filter((p) => placeAt(piece, p) && !met.some((q) => distance(p, q) < 1));
  const [a, b] = [...met, ...ends];
  return met.length + ends.length === 2 && a && b ? pathBetween(path, a, b) : undefined;
}

/** Upper before lower; level with each other, the one nearer the centre first. */
function upperFirst(one: EdgeParts[], other: EdgeParts[]): [EdgeParts[], EdgeParts[]] {
  const centre = (edges: readonly EdgeParts[]): Point => {
    const box = boundsOf(regionOf(edges)) ?? { minX: 0, minY: 0, maxX: 0, maxY: 0 };
    return { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  };
  const [a, b] = [centre(one), centre(other)];
  const first = Math.abs(a.y - b.y) >= Math.abs(a.x - b.x) ? a.y <= b.y : a.x <= b.x;
  return first ? [one, other] : [other, one];
}

/** A part as a piece of its own, with what lies on its region. A part away from the fold is cut as a pair. */
function part(piece: PieceResult, edges: EdgeParts[], key: string): PieceResult {
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
