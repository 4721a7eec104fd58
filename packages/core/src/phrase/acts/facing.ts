import { act, type Act } from "../clause.js";
import { AMOUNT, LINE } from "../grammar/main-rules.js";
import { on, p, saying } from "../grammar/rules.js";
import type { Amount, Line } from "../meaning.js";
import { NOT_SO } from "../sheet/unclear.js";
import { laidOff } from "./laid-off.js";
import { also } from "./piece-parts.js";
import { EDGE, PIECE, pieceKey, pieceOf, roleOf } from "./shaping.js";

const PLEAT_WORD = saying<string>("pleat").said(
  on(p`(pleat|knife pleat)`, () => ""),
  on(p`box pleat`, () => "Box pleat."),
  on(p`inverted pleat`, () => "Inverted pleat."),
);
export const PLEAT = saying<Act>("pleat").said(
  on(
    p`(let in|add|put in|lay|put|insert|let|allow|make|take)? (a)? ${AMOUNT} (deep|wide)? ${PLEAT_WORD} (at|on|in|along) ${EDGE}`,
    ([by, kind = "", edge]) =>
      by && edge !== undefined
        ? also(`pleat ${edge} ${kind}`, pieceOf(edge), (sheet) => [
            `  pleat ${laidOff(by, sheet).formula} at ${roleOf(edge)}`,
            ...(kind === "" ? [] : [`  note "${kind}"`]),
          ])
        : undefined,
  ),
  on(p`(let in|add|put in|lay|make|fold)? (a)? pleat (of)? ${AMOUNT} (at|on|in|along) ${EDGE}`, ([by, edge]) =>
    by && edge !== undefined
      ? also(`pleat ${edge}`, pieceOf(edge), (sheet) => [`  pleat ${laidOff(by, sheet).formula} at ${roleOf(edge)}`])
      : undefined,
  ),
);

export const FACING = saying<Act>("facing").said(
  on(p`${PIECE} (:|,) (cut|draw)? (a)? facing (of)? ${AMOUNT} (wide|in width|deep)? (along|at|from) ${LINE}`, ([piece, by, line], g) =>
    facing(by, piece && line && g.lines.find((l) => l.piece === piece.key && (l.words === wordsOf(line) || l.text === line.text))?.path),
  ),
  on(
    p`(a|cut a|draw a|trace a)? facing (of)? ${AMOUNT} (wide|in width|deep)? (is)? (cut|drawn|traced|taken)? (along|from|off|at) ${EDGE}`,
    ([by, edge]) => facing(by, edge),
  ),
  on(p`(cut|draw|make|trace) (a)? ${AMOUNT} (wide)? facing (along|for|from|of|at) ${EDGE}`, ([by, edge]) => facing(by, edge)),
  on(p`(cut|draw|make|trace)? (a)? ${EDGE} facing ,? (of)? ${AMOUNT} (wide|in width|deep)?`, ([edge, by]) => facing(by, edge), 0.1),
  on(p`(cut|draw|make|trace)? (a)? facing (along|for|of|at) ${EDGE} ,? ${AMOUNT} (wide|in width|deep)`, ([edge, by]) => facing(by, edge)),
);
const wordsOf = (line: Line): string => (line.role ?? line.text).replace(/_line$/, "").replace(/_/g, " ");
function facing(by: Amount | undefined, edge: string | undefined): Act | undefined {
  if (!by || edge === undefined) return undefined;
  return act(`facing ${edge}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    const words = `${roleOf(edge).replace(/_/g, " ")} facing`;
    const title = words.replace(/^./, (c) => c.toUpperCase());
    const own = sheet.ground.pieces.some((piece) => piece.key === pieceKey(words)) ? `${pieceOf(edge)} ${words}` : title;
    return sheet.put(
      "end",
      `piece ${pieceKey(own)} "${own}" from ${pieceOf(edge)}, strip ${laidOff(by, sheet).formula} along ${roleOf(edge)}`,
    );
  });
}
