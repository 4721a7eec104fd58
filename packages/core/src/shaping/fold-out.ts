import { pathLength, pointAtLength } from "../geometry/path/path.js";
import { bearing, type Point, turn, turnBetween } from "../geometry/point.js";
import type { PieceResult } from "../piece/piece.js";
import { DraftError } from "../verb/draft-error.js";
import { foldForms } from "../system/shaping-forms.js";
import { pointText } from "../verb/form.js";
import { exchange, pieceOf, pointOf } from "./outline/find.js";
import { movePart, sidesOf } from "./outline/move-part.js";
import { onOutline, placeAt, type RingPlace } from "./outline/ring.js";
import type { Shaping } from "./shaping.js";

/** Fold a wedge away: as wide as asked at one edge, or between two points of it, nothing at the place it is folded to. */
export const foldOut: Shaping = {
  ...foldForms,
  gradual: true,
  prepare(which, filled) {
    const [key, from, to] = [filled.name("piece"), filled.name("from"), filled.name("to")];
    const other = which === 0 ? filled.name("other") : undefined;
    const by = which === 0 ? () => 0 : filled.length("by");
    return (pieces, f, share) => {
      const piece = pieceOf(pieces, key);
      const wedge = other === undefined ? wideAt(piece, from, by(f) * share) : between(piece, from, other);
      return exchange(pieces, piece, [folded(piece, wedge, to, other === undefined ? 1 : share)]);
    };
  },
};

type Wedge = readonly [RingPlace, RingPlace];

/** The mouth of a wedge so wide (mm), in the middle of which the point lies. */
function wideAt(piece: PieceResult, from: string, mm: number): Wedge {
  if (mm < 0) throw new DraftError("A wedge cannot be less than nothing.", "To add width, spread: spread Sleeve from #1 to #2 by 1.");
  const at = onOutline(piece, pointOf(piece, from), pointText(from));
  const edge = piece.edges[at.edge]?.path;
  if (!edge || at.along - mm / 2 < 0 || at.along + mm / 2 > pathLength(edge))
    throw new DraftError(
      `The wedge is wider than the edge has room for at ${pointText(from)}.`,
      "Fold out less, or nearer the middle of the edge.",
    );
  return [
    { edge: at.edge, along: at.along - mm / 2 },
    { edge: at.edge, along: at.along + mm / 2 },
  ];
}

/** The mouth of a wedge between two points of one edge. */
function between(piece: PieceResult, from: string, other: string): Wedge {
  const [a, b] = [from, other].map((id) => onOutline(piece, pointOf(piece, id), pointText(id))) as [RingPlace, RingPlace];
  if (a.edge !== b.edge)
    throw new DraftError(
      `${pointText(from)} and ${pointText(other)} do not lie on one edge of ${piece.title}.`,
      "A wedge opens in one edge.",
    );
  return a.along <= b.along ? [a, b] : [b, a];
}

function folded(piece: PieceResult, wedge: Wedge, to: string, share: number): PieceResult {
  const hinge = pointOf(piece, to);
  const end = placeAt(piece, hinge);
  if (!end)
    throw new DraftError(
      `The wedge ends at ${pointText(to)}, inside ${piece.title}: paper that is folded away there does not lie flat.`,
      "Let it run out at the edge across. To take it out as far as a point inside, draw a dart there, close it, and open another from that point.",
    );
  const whole = sidesOf(piece, { mouth: wedge, to: end, over: [] });
  // Half folded, the wedge has been folded from the side that stays.
  const [still, moved] = whole.side === "after" ? wedge : ([wedge[1], wedge[0]] as const);
  const part = { edge: moved.edge, along: still.along + (moved.along - still.along) * share };
  const mouth: Wedge = whole.side === "after" ? [still, part] : [part, still];
  const sides = share === 1 ? whole : sidesOf(piece, { mouth, to: end, over: [] });
  const edge = piece.edges[still.edge] as PieceResult["edges"][number];
  const [a, b] = mouth.map((m) => pointAtLength(edge.path, m.along).at) as [Point, Point];
  const by = turnBetween(bearing(hinge, b), bearing(hinge, a));
  return movePart(piece, sides, (p) => turn(p, hinge, sides.side === "after" ? by : -by));
}
