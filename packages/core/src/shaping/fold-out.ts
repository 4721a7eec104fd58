import { pathLength, placeAlong } from "../geometry/path.js";
import { bearing, type Point, turn, turnBetween } from "../geometry/point.js";
import type { PieceResult } from "../piece/piece.js";
import { DraftError } from "../verb/draft-error.js";
import { form, pointText } from "../verb/form.js";
import { exchange, pieceOf, pointOf } from "./find.js";
import { movePart, sidesOf } from "./move-part.js";
import { onOutline, type RingPlace } from "./ring.js";
import type { Shaping } from "./shaping.js";

/** Fold a wedge away: as wide as asked at one edge, nothing at the place it is folded to. */
export const foldOut: Shaping = {
  word: "fold",
  forms: [form("{piece:piece} from {from:point} to {to:point} by {by:length}")],
  gradual: true,
  says: "A wedge folded away: so wide along the edge at the first point, running out to nothing at the second.",
  prepare(_, filled) {
    const [key, from, to] = [filled.name("piece"), filled.name("from"), filled.name("to")];
    const by = filled.length("by");
    return (pieces, f, share) => {
      const piece = pieceOf(pieces, key);
      return exchange(pieces, piece, [folded(piece, from, to, by(f) * share)]);
    };
  },
};

function folded(piece: PieceResult, from: string, to: string, mm: number): PieceResult {
  if (mm < 0) throw new DraftError("A wedge cannot be less than nothing.", "To add width, spread: spread Sleeve from #1 to #2 by 1.");
  const at = onOutline(piece, pointOf(piece, from), pointText(from));
  const hinge = pointOf(piece, to);
  const edge = piece.edges[at.edge]?.path;
  if (!edge || at.along - mm / 2 < 0 || at.along + mm / 2 > pathLength(edge))
    throw new DraftError(
      `The wedge is wider than the edge has room for at ${pointText(from)}.`,
      "Fold out less, or nearer the middle of the edge.",
    );
  const mouth: [RingPlace, RingPlace] = [
    { edge: at.edge, along: at.along - mm / 2 },
    { edge: at.edge, along: at.along + mm / 2 },
  ];
  const sides = sidesOf(piece, { mouth, to: onOutline(piece, hinge, pointText(to)), over: [] });
  const [a, b] = mouth.map((m) => placeAlong(edge, m.along).at) as [Point, Point];
  const whole = turnBetween(bearing(hinge, b), bearing(hinge, a));
  const by = sides.side === "after" ? whole : -whole;
  return movePart(piece, sides, (p) => turn(p, hinge, by));
}
