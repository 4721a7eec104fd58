import type { Point } from "../../geometry/point.js";
import { selfCrossing } from "../../geometry/ring.js";
import type { PieceResult } from "../../piece/piece.js";
import { type CheckResult, PLAIN_CHECK } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";

const OPEN_MM = 0.1;
/** Less than a square centimetre is no piece. */
const LEAST_AREA_MM2 = 100;

/** Each outline is closed and has an area, and neither it nor its cutting line crosses itself. */
export const outline: BuiltinCheck = ({ pieces }) =>
  pieces.flatMap((piece) => [
    closed(piece),
    ...(piece.area < LEAST_AREA_MM2 ? [withoutArea(piece)] : []),
    simple(
      piece,
      "outline",
      "outline",
      selfCrossing(piece.net),
      "A width or depth is larger than the room it has: check the measurement that places this corner.",
    ),
    ...(piece.cutting === piece.net
      ? []
      : [
          simple(
            piece,
            "cutting",
            "cutting line",
            selfCrossing(piece.cutting),
            "The allowance is wider than the room it has there: a hollow or a slit narrower than two allowances. Give that edge less.",
          ),
        ]),
  ]);

function about(piece: PieceResult, at: Point | undefined): Omit<CheckResult, "id" | "name" | "status" | "kind" | "got" | "expected"> {
  return { ...PLAIN_CHECK, at, board: piece.board, onPiece: true };
}

function closed(piece: PieceResult): CheckResult {
  const holds = piece.gap.mm <= OPEN_MM;
  return {
    ...about(piece, holds ? undefined : piece.gap.at),
    id: `closed ${piece.key}`,
    name: `${piece.title}: outline closed`,
    status: holds ? "pass" : "fail",
    kind: "length",
    got: piece.gap.mm,
    expected: 0,
    tolerance: OPEN_MM,
    cause: "Two edges that follow each other do not meet: one of their points was measured from the wrong line.",
  };
}

function withoutArea(piece: PieceResult): CheckResult {
  return {
    ...about(piece, piece.net[0]),
    id: `area ${piece.key}`,
    name: `${piece.title}: has an area`,
    status: "fail",
    kind: "number",
    relation: "holds",
    got: 0,
    expected: 1,
    cause: "Its edges lie on each other: two of them run the same way, or a point was named twice.",
  };
}

function simple(piece: PieceResult, id: string, what: string, crossing: Point | undefined, cause: string): CheckResult {
  return {
    ...about(piece, crossing),
    id: `${id}-crosses ${piece.key}`,
    name: `${piece.title}: ${what} does not cross itself`,
    status: crossing ? "fail" : "pass",
    kind: "number",
    relation: "holds",
    got: crossing ? 1 : 0,
    expected: 0,
    cause,
  };
}
