import { selfCrossing } from "../../geometry/ring.js";
import type { Point } from "../../geometry/point.js";
import type { PieceResult } from "../../piece/piece.js";
import type { CheckResult } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";

const OPEN_MM = 0.1;

/** Each outline is closed and does not cross itself. */
export const outline: BuiltinCheck = ({ pieces }) => pieces.flatMap((piece) => [closed(piece), simple(piece, selfCrossing(piece.net))]);

function closed(piece: PieceResult): CheckResult {
  const holds = piece.gap.mm <= OPEN_MM;
  return {
    name: `${piece.title}: outline closed`,
    status: holds ? "pass" : "fail",
    kind: "length",
    got: piece.gap.mm,
    expected: 0,
    tolerance: OPEN_MM,
    at: holds ? undefined : piece.gap.at,
    board: piece.board,
    edges: [],
    cause: "Two edges that follow each other do not meet: one of their points was measured from the wrong line.",
  };
}

function simple(piece: PieceResult, crossing: Point | undefined): CheckResult {
  return {
    name: `${piece.title}: outline does not cross itself`,
    status: crossing ? "fail" : "pass",
    kind: "number",
    got: crossing ? 1 : 0,
    expected: 0,
    tolerance: 0,
    at: crossing,
    board: piece.board,
    edges: [],
    cause: "A width or depth is larger than the room it has: check the measurement that places this corner.",
  };
}
