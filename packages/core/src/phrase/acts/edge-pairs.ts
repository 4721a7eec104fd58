import { on, p, saying, wordsRow } from "../grammar/rules.js";
import type { Ground, KnownPiece } from "../ground/ground.js";
import { EDGE, PIECE, roleOf } from "./shaping.js";

/** Two pieces' edges of one role, as `the back and front side seams`. */
export const BOTH = saying<readonly [string, string]>("edges of two pieces").said(
  on(p`${wordsRole()} (seams|edges|lines)? of ${PIECE} and (of)? ${PIECE}`, ([role = "", a, b]) =>
    a && b && a !== b && [a, b].every((piece) => piece.edges.some((e) => e.role === role))
      ? [`${a.key}.${role}`, `${b.key}.${role}`]
      : undefined,
  ),
  on(p`${EDGE} (seam|edge)? and ${EDGE} (seam|edge)?`, ([a, b]) => (a !== undefined && b !== undefined && a !== b ? [a, b] : undefined)),
  {
    starts: (chart, at) => {
      const words = [chart.tokens[at]?.text, chart.tokens[at + 2]?.text];
      const pieces = words.map((word) => chart.ground.pieces.find((piece) => piece.words === word));
      const [a, b] = pieces;
      if (!a || !b || chart.tokens[at + 1]?.text !== "and") return [];
      return chart.parse(ROLE, at + 3).flatMap((got) => {
        const has = [a, b].every((piece) => piece.edges.some((e) => e.role === got.value));
        return has ? [{ value: [`${a.key}.${got.value}`, `${b.key}.${got.value}`] as const, to: got.to, cost: got.cost }] : [];
      });
    },
  },
  on(p`(both|two) ${wordsRole()} (seams|edges|lines)?`, ([role = ""], { pieces }) => {
    const with_ = pieces.filter((piece) => piece.edges.some((e) => e.role === role));
    const [a, b] = with_;
    return a && b && with_.length === 2 ? [`${a.key}.${role}`, `${b.key}.${role}`] : undefined;
  }),
  on(p`${wordsRole()} seams`, ([role = ""], { pieces }) => {
    const with_ = pieces.filter((piece) => piece.edges.some((e) => e.role === role));
    const [a, b] = with_;
    return a && b && with_.length === 2 ? [`${a.key}.${role}`, `${b.key}.${role}`] : undefined;
  }),
);
const ROLE = saying<string>("role of an edge").said(on(p`${wordsRole()} (seam|seams|edge|edges|line|lines)?`, ([role]) => role));
function wordsRole() {
  return wordsRow<string>("role", 2, (words, { pieces }) => {
    const role = words.replace(/s$/, "").replace(/ /g, "_");
    return pieces.some((piece) => piece.edges.some((e) => e.role === role)) ? role : undefined;
  });
}

/** The edge of the same role on another piece. */
export const sameOn = (piece: KnownPiece, edge: string, { lines }: Ground): string | undefined =>
  lines.find((line) => line.path === `${piece.key}.${roleOf(edge)}` && line.path !== edge)?.path;
