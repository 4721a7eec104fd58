import { pointAtLength } from "../geometry/path/path.js";
import { amended } from "./assemble.js";
import { mouthsOn } from "./mouths.js";
import { type PieceResult, roleText } from "./piece.js";
import { type SeamWalk, segmentAt, walkedAlong, type WalkSegment } from "./walk.js";

/** A balance notch of a seam: so far (mm) from where its first side begins. */
export interface SeamNotch {
  readonly id: string;
  readonly mm: number;
  readonly ticks: number;
}

/** The pieces with the notches of a seam on both its sides, where they meet when it is walked. One beyond the end is doubted on its piece. */
export function withSeamNotches(pieces: readonly PieceResult[], walk: SeamWalk, notches: readonly SeamNotch[]): readonly PieceResult[] {
  return notches.reduce((now, notch) => {
    const { segment } = segmentAt(walk.first, 0);
    if (!(notch.mm > 0 && notch.mm < walk.first.length))
      return now.map((p) => (p.key === segment.piece.key ? amended(p, { doubts: [...p.doubts, beyond(segment, notch)] }) : p));
    const first = segmentAt(walk.first, notch.mm);
    const second = segmentAt(walk.second, walkedAlong(walk, notch.mm));
    return [first, second].reduce((list, { segment: on, along }) => notched(list, on, along, notch), now);
  }, pieces);
}

const beyond = ({ edge }: WalkSegment, { mm }: SeamNotch): string => {
  const where = roleText(edge);
  return Number.isFinite(mm)
    ? `A notch of ${where} lies beyond its end and is left out: it is sewn over less than that.`
    : `A notch of ${where} is left out: what its place is worked out from is not on the draft.`;
};

/** The notch on the edge as it is cut: over the mouths of darts that are closed before it. */
function notched(
  pieces: readonly PieceResult[],
  { piece, edge, reversed }: WalkSegment,
  along: number,
  { id, ticks }: SeamNotch,
): readonly PieceResult[] {
  const { path } = edge;
  const sewnAlong = reversed ? edge.length - along : along;
  const cut = mouthsOn(piece, path).reduce((mm, m) => (mm >= m.from - 1e-9 ? mm + m.length : mm), sewnAlong);
  const at = pointAtLength(path, cut).at;
  return pieces.map((p) => (p.key === piece.key ? amended(p, { notches: [...p.notches, { id, at, ticks }] }) : p));
}
