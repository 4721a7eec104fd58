import { straightCubic } from "../geometry/curve/cubic.js";
import { mirror } from "../geometry/line.js";
import { intersectPaths } from "../geometry/path/intersect-paths.js";
import { endOf, joinPaths, mapPath, type Path, polyline, reversePath, shiftPath, startOf } from "../geometry/path/path.js";
import { pathBetween } from "../geometry/path/path-between.js";
import { distance, type Point } from "../geometry/point.js";
import { assemble, type EdgeParts } from "../piece/assemble.js";
import type { PieceResult } from "../piece/piece.js";
import { DraftError } from "../verb/draft-error.js";
import { extendForms } from "../system/shaping-forms.js";
import { edgeOf, exchange } from "./outline/find.js";
import type { Shaping } from "./shaping.js";

/** Carry an edge out: a stand or a pleat square to it, or a turn-up whose sides mirror what lies above. */
export const extend: Shaping = {
  ...extendForms,
  gradual: true,
  prepare(which, filled) {
    const name = filled.name("edge");
    const by = filled.length("by");
    return (pieces, f, share) => {
      const { piece, index } = edgeOf(pieces, name);
      const mm = by(f) * share;
      if (mm < 0) throw new DraftError("An edge is carried out, not in.", "Give a length above nothing.");
      return mm === 0 ? [...pieces] : exchange(pieces, piece, [carriedOut(piece, index, mm, which === 0)]);
    };
  },
};

/** A piece with one of its edges carried out by a length (mm), its sides following straight or as the mirror image of those above. */
export function carriedOut(piece: PieceResult, index: number, mm: number, mirrored: boolean): PieceResult {
  const n = piece.edges.length;
  const edge = piece.edges[index] as EdgeParts;
  const [a, b] = [startOf(edge.path), endOf(edge.path)];
  const length = distance(a, b);
  if (length < 1e-6) throw new DraftError("The edge has no length.", "Its two ends fall on each other.");
  // Outlines run clockwise on the paper: outward lies to the left of the way.
  const out = { x: (b.y - a.y) / length, y: -(b.x - a.x) / length };
  const [before, after] = [piece.edges[(index + n - 1) % n] as EdgeParts, piece.edges[(index + 1) % n] as EdgeParts];
  const far = { a: { x: a.x + out.x * mm, y: a.y + out.y * mm }, b: { x: b.x + out.x * mm, y: b.y + out.y * mm } };
  const rise = mirrored ? turnedUp(reversePath(before.path), { a, b }, far) : straight(a, far.a);
  const fall = reversePath(mirrored ? turnedUp(after.path, { a, b }, far) : straight(b, far.b));
  const whole = mirrored ? polyline([endOf(rise), startOf(fall)]) : shiftPath(edge.path, out.x * mm, out.y * mm);
  const grown = (e: EdgeParts, path: Path): EdgeParts => ({ ...e, path, sewn: path });
  const edges = piece.edges.map((e, i): EdgeParts => {
    if (i === index) return grown(e, whole);
    if (e === before && e === after) return grown(e, joinPaths([fall, e.path, rise]));
    if (e === before) return grown(e, joinPaths([e.path, rise]));
    return e === after ? grown(e, joinPaths([fall, e.path])) : e;
  });
  return assemble({ ...piece, edges, inside: [...piece.inside, { label: edge.role.replace(/_/g, " "), path: edge.path }] });
}

const straight = (from: Point, to: Point): Path => ({ segments: [straightCubic(from, to)] });

/** A side edge, from the hem inward, mirrored over the hem and cut off where the turn-up ends. */
function turnedUp(side: Path, hem: { a: Point; b: Point }, far: { a: Point; b: Point }): Path {
  const over = mapPath(side, (p) => mirror(p, hem) ?? p);
  const u = { x: far.b.x - far.a.x, y: far.b.y - far.a.y };
  const end = polyline([
    { x: far.a.x - u.x, y: far.a.y - u.y },
    { x: far.b.x + u.x, y: far.b.y + u.y },
  ]);
  const [at] = intersectPaths(over, end);
  const kept = at && pathBetween(over, startOf(over), at);
  if (!kept) throw new DraftError("The turn-up is deeper than the sides above it are long.", "Turn up less.");
  return kept;
}
