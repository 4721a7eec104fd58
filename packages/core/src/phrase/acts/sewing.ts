import { AMOUNT } from "../grammar/main-rules.js";
import { on, p, saying } from "../grammar/rules.js";
import type { Amount } from "../meaning.js";
import { ask, NOT_SO } from "../sheet/unclear.js";
import { act, type Act } from "../clause.js";
import { BOTH, sameOn } from "./edge-pairs.js";
import { laidOff } from "./laid-off.js";
import { EDGE, PIECE, pieceOf } from "./shaping.js";

export const SEWN = saying<Act>("sew").said(
  on(
    p`${EDGE} (is|are|to be|must be)? (sewn|joined|set|stitched) (to|with|into|onto) ${EDGE} ,? (with)? ${AMOUNT} (of)? (ease|eased in|eased|easing) (in)?`,
    ([a, b, by]) => sewn(a, b, by),
  ),
  on(
    p`(sew|join|set|stitch|ease) ${EDGE} (to|with|into|onto) ${EDGE} ,? (with|easing in|easing)? ${AMOUNT} (of)? (ease|eased in|eased|easing)? (in)?`,
    ([a, b, by]) => sewn(a, b, by),
    0.1,
  ),
  on(p`(gather|gather up|shirr) ${EDGE} (to fit|to match|into|to|onto) ${EDGE}`, ([a, b]) =>
    a !== undefined && b !== undefined && pieceOf(a) !== pieceOf(b)
      ? act(`gather ${a} ${b}`, (bag, sheet) => {
          if (!bag.holds({ act: 1 })) throw NOT_SO;
          return sheet.put("end", `sew ${a} with ${b}, eased len(${a}) - len(${b})`);
        })
      : undefined,
  ),
  on(p`(ease|work|shrink) ${AMOUNT} of ${EDGE} (in|into|onto|to) ${EDGE}`, ([by, a, b]) => sewn(a, b, by), 0.1),
  on(
    p`(ease|work|shrink) ${AMOUNT} of ${EDGE} (in|into|onto|to) (that of)? ${PIECE} (one|edge|seam)?`,
    ([by, a, piece], g) => (a !== undefined && piece ? sewn(a, sameOn(piece, a, g), by) : undefined),
    0.3,
  ),
  on(p`ease ${EDGE} (to|with|onto|into) ${EDGE}`, ([a, b]) =>
    a !== undefined && b !== undefined
      ? act("ease?", () => {
          throw ask("How much is eased in?");
        })
      : undefined,
  ),
  on(p`(sew|stitch|seam|join) ${BOTH} (together)?`, ([both]) => both && sewn(both[0], both[1], undefined), 0.1),
  on(
    p`(sew|join|set|stitch|ease) ${EDGE} (to|with|into|onto) (that of)? ${PIECE} (one|edge|seam)? ,? (with|easing in|easing) ${AMOUNT} (of)? (ease|eased in|eased|easing)? (in)?`,
    ([a, piece, by], g) => (a !== undefined && piece ? sewn(a, sameOn(piece, a, g), by) : undefined),
    0.2,
  ),
  on(
    p`(sew|join|set|stitch) ${EDGE} (to|with|into|onto) (that of)? ${PIECE} (one|edge|seam)?`,
    ([a, piece], g) => (a !== undefined && piece ? sewn(a, sameOn(piece, a, g), undefined) : undefined),
    0.3,
  ),
  on(p`(sew|stitch|seam) ${EDGE} (to|with|onto) ${EDGE} (together)?`, ([a, b]) => sewn(a, b, undefined), 0.1),
  on(p`${EDGE} (is|are|to be|must be)? (sewn|joined|stitched) (to|with|into|onto) ${EDGE}`, ([a, b]) => sewn(a, b, undefined), 0.1),
);
function sewn(a: string | undefined, b: string | undefined, by: Amount | undefined): Act | undefined {
  if (a === undefined || b === undefined || pieceOf(a) === pieceOf(b)) return undefined;
  return act(`sew ${a} ${b}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    return sheet.put("end", `sew ${a} with ${b}${by ? `, eased ${laidOff(by, sheet).formula}` : ""}`);
  });
}
