import { mirror } from "../geometry/line.js";
import { endOf, mapPath, reversePath, startOf } from "../geometry/path/path.js";
import type { Point } from "../geometry/point.js";
import { assemble, type EdgeParts } from "../piece/assemble.js";
import type { PieceResult } from "../piece/piece.js";
import { DraftError } from "../verb/draft-error.js";
import { unfoldForms } from "../system/shaping-forms.js";
import { mapContents } from "./outline/contents.js";
import { exchange, pieceOf } from "./outline/find.js";
import { joinRuns } from "./outline/ring.js";
import type { Shaping } from "./shaping.js";

/** Open a piece out on its fold: both halves as one piece. */
export const unfold: Shaping = {
  ...unfoldForms,
  gradual: false,
  prepare(_, filled) {
    const key = filled.name("piece");
    return (pieces) => {
      const piece = pieceOf(pieces, key);
      return exchange(pieces, piece, [opened(piece)]);
    };
  },
};

function opened(piece: PieceResult): PieceResult {
  const index = piece.edges.findIndex((e) => e.finish === "fold");
  const fold = piece.edges[index];
  if (!fold) throw new DraftError(`${piece.title} has no fold to open.`, "One edge of the piece must be marked fold.");
  const line = { a: startOf(fold.path), b: endOf(fold.path) };
  const over = (p: Point): Point => mirror(p, line) ?? p;
  const half = [...piece.edges.slice(index + 1), ...piece.edges.slice(0, index)];
  const n = half.length;
  const other = half
    .map((e, i): EdgeParts => {
      // The edges beside the fold run on over it; the others stand twice and need names of their own.
      const role = i === 0 || i === n - 1 ? e.role : `${e.role}_other`;
      const path = reversePath(mapPath(e.path, over));
      return { ...e, role, path, sewn: e.sewn === e.path ? path : reversePath(mapPath(e.sewn, over)) };
    })
    .reverse();
  const mirrored = mapContents(piece, over);
  return assemble({
    ...piece,
    onFold: false,
    edges: joinRuns([{ edges: half }, { edges: other }]),
    levels: [...piece.levels, ...mirrored.levels],
    darts: [...piece.darts, ...mirrored.darts.map((d) => ({ ...d, key: `${d.key}_other` }))],
    inside: [...piece.inside, { label: "Centre", path: fold.path }, ...mirrored.inside],
    notches: [...piece.notches, ...mirrored.notches],
    marks: [...piece.marks, ...mirrored.marks],
  });
}
