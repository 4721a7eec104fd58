import { headingAtEnd, headingAtStart, startOf, endOf } from "../../geometry/path/path.js";
import { turnOf } from "../../geometry/point.js";
import { type PieceEdge, type PieceResult, roleText } from "../../piece/piece.js";
import { type CheckResult, makeCheck } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";

// Common practice, no source: an edge meets a fold square within three degrees, or the opened piece shows a point or a dip.
const SQUARE_RAD = (3 * Math.PI) / 180;

/** Every edge that runs into a fold meets it square, unless its author says that it comes to a point there. */
export const squareAtFold: BuiltinCheck = ({ pieces }) =>
  pieces.flatMap((piece) => piece.edges.flatMap((edge, i) => (edge.finish === "fold" ? atBothEnds(piece, i) : [])));

function atBothEnds(piece: PieceResult, i: number): CheckResult[] {
  const n = piece.edges.length;
  const fold = piece.edges[i] as PieceEdge;
  const before = piece.edges[(i + n - 1) % n] as PieceEdge;
  const after = piece.edges[(i + 1) % n] as PieceEdge;
  const first = corner(piece, before, Math.abs(turnOf(headingAtEnd(before.path), headingAtStart(fold.path))), startOf(fold.path));
  const last = corner(piece, after, Math.abs(turnOf(headingAtEnd(fold.path), headingAtStart(after.path))), endOf(fold.path));
  return [...(before.pointed ? [] : [first]), ...(after.pointed ? [] : [last])];
}

function corner(piece: PieceResult, edge: PieceEdge, rad: number, at: CheckResult["at"]): CheckResult {
  const square = Math.PI / 2;
  return makeCheck({
    id: `square-at-fold ${edge.name}`,
    onPiece: true,
    name: `${piece.title}: ${roleText(edge)} square at the fold`,
    status: Math.abs(rad - square) <= SQUARE_RAD ? "pass" : "warn",
    kind: "angle",
    got: rad,
    expected: square,
    tolerance: SQUARE_RAD,
    at,
    board: piece.board,
    edges: [edge.name],
    cause: "Opened out, the edge shows a point or a dip at the centre. Let it run level for a finger's width at the fold.",
  });
}
