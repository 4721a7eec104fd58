import { type Cubic, cubicHeading } from "../../geometry/curve/cubic.js";
import { turnOf } from "../../geometry/point.js";
import { type PieceEdge, type PieceResult, roleText } from "../../piece/piece.js";
import { type CheckResult, makeCheck } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";

// Common practice, no source: the eye sees a corner of more than about three degrees in a curve.
const FLOWS_RAD = (3 * Math.PI) / 180;

/** Where one curve of an edge goes over into another there is no corner, unless its author draws one on purpose. */
export const flows: BuiltinCheck = ({ pieces }) =>
  pieces.flatMap((piece) => piece.edges.flatMap((edge) => (edge.pointed ? [] : sharpest(piece, edge))));

function sharpest(piece: PieceResult, edge: PieceEdge): CheckResult[] {
  const { segments } = edge.sewn;
  let worst: { rad: number; before: Cubic } | undefined;
  for (let i = 1; i < segments.length; i++) {
    const [before, after] = [segments[i - 1] as Cubic, segments[i] as Cubic];
    if (before.straight || after.straight) continue;
    const rad = Math.abs(turnOf(cubicHeading(before, 1), cubicHeading(after, 0)));
    if (!worst || rad > worst.rad) worst = { rad, before };
  }
  if (!worst) return [];
  return [
    makeCheck({
      id: `flows ${edge.name}`,
      onPiece: true,
      name: `${piece.title}: ${roleText(edge)} flows without a corner`,
      status: worst.rad <= FLOWS_RAD ? "pass" : "warn",
      kind: "angle",
      got: worst.rad,
      expected: 0,
      tolerance: FLOWS_RAD,
      at: worst.before.p3,
      board: piece.board,
      edges: [edge.name],
      cause: "Two curves meet there at an angle: give them one direction at the point they share, or draw them as one curve.",
    }),
  ];
}
