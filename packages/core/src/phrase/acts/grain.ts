import { pointText } from "../../verb/form.js";
import type { Act } from "../clause.js";
import { DEGREES } from "../grammar/figures.js";
import { LINE } from "../grammar/main-rules.js";
import { on, p, saying } from "../grammar/rules.js";
import type { Ground, KnownPiece } from "../ground/ground.js";
import type { Line } from "../meaning.js";
import { also, pieceOn } from "./piece-parts.js";
import { isFold, PIECE } from "./shaping.js";

export const GRAIN = saying<Act>("grain").said(
  on(p`(straight)? grain (of ${PIECE})? (is|runs|lies)? on (a)? (bias|true bias|cross)`, ([piece], g) =>
    onBias(piece ?? pieceOn(g.board, g), g),
  ),
  on(p`(cut|lay|place|put) ${PIECE} on (a)? (bias|true bias|cross)`, ([piece], g) => onBias(piece, g)),
  on(p`grain (line)? of ${PIECE} (runs|is|lies) (at)? ${DEGREES} (to|from|off) ${LINE}`, ([piece, by, line]) => grain(piece, line, by)),
  on(p`grain (line)? of ${PIECE} (runs|is|lies) (parallel to|along|with|parallel with) ${LINE}`, ([piece, line]) => grain(piece, line)),
  on(
    p`(place|draw|mark|put|run|rule)? (straight)? grain (line)? (of ${PIECE})? (is|runs)? (parallel to|along|with|parallel with|on) ${LINE}`,
    ([piece, line], g) => grain(piece ?? (line && pieceOn(line.board, g)), line),
    0.1,
  ),
  on(
    p`(place|draw|mark|put|run|rule)? (straight)? grain (line)? (at)? ${DEGREES} (to|from|off) ${LINE}`,
    ([by, line], g) => grain(line && pieceOn(line.board, g), line, by),
    0.1,
  ),
  on(
    p`(place|draw|mark|put|run|rule|lay)? (straight)? (grain|grain line) (of ${PIECE})? (runs|goes|is|lies)? (straight)? (down|up|parallel to|along|with) ${LINE} (of ${PIECE})?`,
    ([one, line, two], g) => grain(one ?? two ?? (line && pieceOn(line.board, g)), line),
    0.2,
  ),
  on(
    p`(place|draw|mark|put|run|rule|lay)? (straight)? (grain|grain line) of ${PIECE} (runs|goes|is|lies)? at ${DEGREES}`,
    ([piece, by], g) => {
      const centre = g.lines.find((l) => l.piece === piece?.key && isFold(l, g) && l.ends);
      return piece && centre?.ends
        ? grain(
            piece,
            { text: `${pointText(centre.ends[0])}-${pointText(centre.ends[1])}`, board: centre.board, straight: true, ends: centre.ends },
            by,
          )
        : undefined;
    },
    0.2,
  ),
  on(p`${PIECE} (:|,)? (straight)? grain (runs|line|lies)? (parallel to|along|parallel with) ${LINE}`, ([piece, line]) =>
    grain(piece, line),
  ),
);
/** On the bias: at 45 degrees to the centre of the piece. */
function onBias(piece: KnownPiece | undefined, ground: Ground): Act | undefined {
  const centre = ground.lines.find((l) => l.piece === piece?.key && isFold(l, ground) && l.ends);
  if (!piece || !centre?.ends) return undefined;
  return grain(
    piece,
    { text: `${pointText(centre.ends[0])}-${pointText(centre.ends[1])}`, board: centre.board, straight: true, ends: centre.ends },
    45,
  );
}
function grain(piece: KnownPiece | undefined, line: Line | undefined, turned?: number): Act | undefined {
  if (!piece || !line) return undefined;
  return also(`grain ${piece.key}`, piece.key, (sheet) => [
    `  grain along ${sheet.line(line)[1]}${turned === undefined ? "" : ` at ${turned}°`}`,
  ]);
}
