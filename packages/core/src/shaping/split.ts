import { intersectPaths } from "../geometry/path/intersect-paths.js";
import { pathBetween } from "../geometry/path/path-between.js";
import { boundsOf } from "../geometry/bounds.js";
import { placeOnPath } from "../geometry/path/nearest-on-path.js";
import { flatten } from "../geometry/path/flatten.js";
import { endOf, type Path, polyline, reversePath, startOf } from "../geometry/path/path.js";
import { distance, type Point } from "../geometry/point.js";
import { properIntersection } from "../geometry/ring/ring.js";
import { amended, type EdgeParts } from "../piece/assemble.js";
import type { PieceResult } from "../piece/piece.js";
import { DraftError } from "../verb/draft-error.js";
import { splitForms } from "../system/shaping-forms.js";
import { pointText } from "../verb/form.js";
import { regionOf } from "./outline/contents.js";
import { type Cut, cutAlong } from "./outline/cut-along.js";
import { exchange, lineOf, pieceOf, pointOf } from "./outline/find.js";
import { extractPart } from "./outline/extract-part.js";
import { placeAt, stretch } from "./outline/ring.js";
import type { Shaping } from "./shaping.js";

/** Cut a piece in two along a line, or along darts and lines one after the other; both new edges take the name of the first and one allowance. */
export const split: Shaping = {
  ...splitForms,
  gradual: false,
  prepare(which, filled) {
    const [key, first, second] = [filled.name("piece"), filled.name("first"), filled.name("second")];
    const byPoints = which >= 4;
    const ends = byPoints ? ([filled.name("from"), filled.name("to")] as const) : undefined;
    const lines = byPoints ? [] : which < 2 ? [filled.name("line")] : filled.names("lines");
    const allow = which % 2 === 0 ? filled.length("allow") : () => 0;
    return (pieces, f) => {
      const piece = pieceOf(pieces, key);
      const what = ends ? ends.map(pointText).join("–") : lines.join(" and ");
      const cut = ends ? alongLine(piece, polyline(ends.map((id) => pointOf(piece, id))), what) : cutOf(piece, lines, what);
      return exchange(pieces, piece, cutInTwo(piece, cut, ends ? "cut" : (lines[0] ?? "cut"), Math.max(0, allow(f)), [first, second]));
    };
  },
};

function cutOf(piece: PieceResult, lines: readonly string[], what: string): Cut {
  const [only] = lines;
  if (lines.length === 1 && only !== undefined && !piece.darts.some((d) => d.key === only))
    return alongLine(piece, lineOf(piece, only), what);
  return cutAlong(piece, lines, what);
}

function cutInTwo(piece: PieceResult, cut: Cut, role: string, allowance: number, keys: readonly [string, string]): PieceResult[] {
  const seam = (along: Path): EdgeParts => ({
    role,
    path: along,
    sewn: along,
    allowance,
    finish: "seam",
    pointed: false,
    treatment: undefined,
    corner: "mitre",
  });
  const rest = amended(piece, { darts: piece.darts.filter((d) => !cut.darts.includes(d.key)) });
  const one = [...stretch(piece, cut.from[1], cut.to[0]), seam(reversePath(cut.left))];
  const other = [...stretch(piece, cut.to[1], cut.from[0]), seam(cut.right)];
  const [upper, lower] = upperFirst(one, other);
  return [extractPart(rest, upper, keys[0]), extractPart(rest, lower, keys[1])];
}

/** A cut along one line from edge to edge. Throws DraftError when it does not run so, or would run through a dart. */
function alongLine(piece: PieceResult, path: Path, what: string): Cut {
  const cut = fromEdgeToEdge(piece, path);
  const from = cut && placeAt(piece, startOf(cut));
  const to = cut && placeAt(piece, endOf(cut));
  if (!cut || !from || !to)
    throw new DraftError(
      `${what} does not run from edge to edge of ${piece.title}.`,
      "Carry the line on until it meets the outline at both ends.",
    );
  refuseDarts(piece, cut, what);
  return { left: cut, right: cut, from: [from, from], to: [to, to], darts: [] };
}

/** How near (mm) to the mouth of a dart a cut would leave its wedge on one side. */
const BESIDE_MM = 1;

/** A line that runs into a dart or through it would leave the wedge on one of the parts. */
function refuseDarts(piece: PieceResult, cut: Path, what: string): void {
  const places = flatten(cut);
  for (const dart of piece.darts) {
    const { mouth } = dart;
    const into = mouth && [startOf(cut), endOf(cut)].some((p) => placeOnPath(mouth, p, BESIDE_MM) !== undefined);
    const legs = flatten(dart.legs);
    const through = places.some(
      (p, i) => i > 0 && legs.some((q, k) => k > 0 && properIntersection(places[i - 1] as Point, p, legs[k - 1] as Point, q)),
    );
    if (into || through)
      throw new DraftError(
        `${what} runs into the dart ${dart.label}: its wedge would stay on one of the two parts.`,
        `Cut along the dart itself: split ${piece.key} along ${dart.key} and a line that runs on from its point.`,
      );
  }
}

/** The line between the two places where it meets the outline: its own ends, or where it crosses. */
function fromEdgeToEdge(piece: PieceResult, path: Path): Path | undefined {
  if (placeAt(piece, startOf(path)) && placeAt(piece, endOf(path))) return path;
  const met = piece.edges
    .flatMap((e) => intersectPaths(path, e.path))
    .filter((p, i, all) => all.findIndex((q) => distance(p, q) < 0.05) === i);
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
