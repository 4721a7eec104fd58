import type { Point } from "../../geometry/point.js";
import { distanceToRing, selfIntersection } from "../../geometry/ring/ring.js";
import type { PieceResult } from "../../piece/piece.js";
import { type CheckResult, makeCheck } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";

const OPEN_MM = 0.1;
/** Less than a square centimetre is no piece. */
const LEAST_AREA_MM2 = 100;

/** Each outline is closed and has an area, does not cross itself, and is followed by its cutting line. */
export const outline: BuiltinCheck = ({ pieces }) =>
  pieces.flatMap((piece) => [
    closed(piece),
    ...(piece.area < LEAST_AREA_MM2 ? [withoutArea(piece)] : []),
    simple(
      piece,
      "outline",
      "outline",
      selfIntersection(piece.net),
      "A width or depth is larger than the room it has: check the measurement that places this corner.",
    ),
    ...(piece.cutting === piece.net ? [] : [followed(piece)]),
  ]);

function closed(piece: PieceResult): CheckResult {
  const holds = piece.gap.mm <= OPEN_MM;
  return makeCheck({
    at: holds ? undefined : piece.gap.at,
    board: piece.board,
    onPiece: true,
    id: `closed ${piece.key}`,
    name: `${piece.title}: outline closed`,
    status: holds ? "pass" : "fail",
    kind: "length",
    got: piece.gap.mm,
    expected: 0,
    tolerance: OPEN_MM,
    cause: "Two edges that follow each other do not meet: one of their points was measured from the wrong line.",
  });
}

/** A place of the outline farther from the cutting line than this many of its allowances lies in a slit that the allowances fill. */
const MOST_ALLOWANCES = 3;

/** The cutting line goes along every edge: where allowances lie over each other in a slit it runs straight across, and the slit would not be cut. */
function followed(piece: PieceResult): CheckResult {
  const most = Math.max(...piece.edges.map((e) => e.allowance)) * MOST_ALLOWANCES;
  const missed = piece.covered ? piece.net.find((p) => distanceToRing(p, piece.cutting) > most) : undefined;
  return makeCheck({
    at: missed,
    board: piece.board,
    onPiece: true,
    id: `cutting-follows ${piece.key}`,
    name: `${piece.title}: cutting line goes along every edge`,
    status: missed ? "warn" : "pass",
    kind: "number",
    relation: "holds",
    got: missed ? 0 : 1,
    expected: 1,
    cause:
      "The allowances lie over each other in a slit narrower than both: the cutting line runs straight across it. Give those edges less, or cut the slit open by hand.",
  });
}

function withoutArea(piece: PieceResult): CheckResult {
  return makeCheck({
    at: piece.net[0],
    board: piece.board,
    onPiece: true,
    id: `area ${piece.key}`,
    name: `${piece.title}: has an area`,
    status: "fail",
    kind: "number",
    relation: "holds",
    got: 0,
    expected: 1,
    cause: "Its edges lie on each other: two of them run the same way, or a point was named twice.",
  });
}

function simple(piece: PieceResult, id: string, what: string, crossing: Point | undefined, cause: string): CheckResult {
  return makeCheck({
    at: crossing,
    board: piece.board,
    onPiece: true,
    id: `${id}-crosses ${piece.key}`,
    name: `${piece.title}: ${what} does not cross itself`,
    status: crossing ? "fail" : "pass",
    kind: "number",
    relation: "holds",
    got: crossing ? 1 : 0,
    expected: 0,
    cause,
  });
}
