import { act, type Act } from "../clause.js";
import { on, p, saying } from "../grammar/rules.js";
import type { KnownPiece } from "../ground/ground.js";
import { ask } from "../sheet/unclear.js";
import { also, pieceOn } from "./piece-parts.js";
import { PIECE } from "./shaping.js";
import { CUT, MIRRORED, TIMES } from "./tracing.js";

/** How often a piece that is there is cut. */
export const CUTTING = saying<Act>("cut number").said(
  on(p`cut ${PIECE} (piece)? ${TIMES}`, ([piece, times]) => cutAs(piece, times)),
  on(p`(cut|you need|make) ${TIMES} (of)? ${PIECE} ,? ${MIRRORED}?`, ([times, piece, mirrored]) => cutAs(piece, mirrored ?? times)),
  on(p`${PIECE} (:|,|is|are)? (to be)? cut (out)? ,? ${TIMES} ,? ${MIRRORED}?`, ([piece, times, mirrored]) =>
    cutAs(piece, mirrored ?? times),
  ),
  on(p`cut ${TIMES} of (those|these|that|this|it|them)`, () =>
    act("cut which?", () => {
      throw ask("Which piece?");
    }),
  ),
  on(p`${PIECE} (:|,)? ${CUT}`, ([piece, cut]) => cutAs(piece, cut)),
  on(p`${CUT}`, ([cut], g) => cutAs(pieceOn(g.board, g), cut), 0.5),
  on(p`(place|lay|cut|put) ${PIECE} on (a)? fold (of cloth|of fabric|of material)?`, ([piece]) => cutAs(piece, "cut 1 on fold")),
);
function cutAs(piece: KnownPiece | undefined, cut: string | undefined): Act | undefined {
  if (!piece || cut === undefined) return undefined;
  return also(`cut ${piece.key} ${cut}`, piece.key, () => {
    const fold = piece.edges.find((e) => e.fold);
    if (fold && !cut.includes("fold")) throw ask(`Its ${fold.role} is on the fold. With a seam there instead, how much allowance has it?`);
    if (!fold && cut.includes("fold")) throw ask("Which edge is on the fold?");
    return [`  ${cut}`];
  });
}
