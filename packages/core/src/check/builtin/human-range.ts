import { boundsOf } from "../../geometry/bounds.js";
import type { PieceEdge, PieceResult } from "../../piece/piece.js";
import type { Plan } from "../../plan/plan.js";
import { type CheckResult, makeCheck } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";
import { type NeckEdge, neckLength, necksOf, neckText } from "./neck.js";

/** Common practice, no source: a smallest child to a very large adult, in mm. */
const RANGES = {
  shoulder: { from: 50, to: 230, what: "shoulder length", cause: "Check the neck width, the half back and where the shoulder tip stands." },
  armhole: {
    from: 90,
    to: 330,
    what: "armhole depth",
    cause: "Check the scye depth or the armhole line, and the line it was measured from.",
  },
} as const;

const NECK_ROUND = { from: 240, to: 760 };

/** Shoulder length, armhole depth and the whole neck lie within human range. */
export const humanRange: BuiltinCheck = ({ plan, pieces }) => [
  ...pieces.filter((p) => !isMade(plan, p)).flatMap((piece) => byEdge(piece, pieces, plan)),
  ...necksOf(pieces, plan.sews).flatMap(neckRound),
];

/** A facing, or what it leaves of a lining, has a part of the shoulder: the piece it was made from has the whole. */
const isMade = ({ shapings }: Plan, { key }: PieceResult): boolean =>
  shapings.some(({ source: s }) => s.is === "pieceFrom" && s.key === key);

/** The length of a shoulder: where panels share it, that of all their edges on its side of the seam. */
function shoulderLength(edge: PieceEdge, pieces: readonly PieceResult[], { sews }: Plan): number {
  const shares = (names: readonly string[]): boolean => names.length > 1 && names.includes(edge.name);
  const sew = sews.find(({ first, second }) => shares(first) || shares(second));
  if (!sew) return edge.length;
  const side = shares(sew.first) ? sew.first : sew.second;
  return pieces.reduce((sum, { edges }) => edges.reduce((mm, e) => (side.includes(e.name) ? mm + e.length : mm), sum), 0);
}

function byEdge(piece: PieceResult, pieces: readonly PieceResult[], plan: Plan): CheckResult[] {
  const n = piece.edges.length;
  const beside = (i: number): string[] => [i + n - 1, i + 1].map((k) => piece.edges[k % n]?.role ?? "");
  return piece.edges.flatMap((edge, i) => {
    if (edge.role === "shoulder") return [inRange(piece, edge, shoulderLength(edge, pieces, plan), RANGES.shoulder)];
    // A part of an armhole, below a yoke, has no shoulder beside it.
    if (edge.role === "armhole" && beside(i).includes("shoulder")) return [inRange(piece, edge, heightOf(edge), RANGES.armhole)];
    return [];
  });
}

function heightOf(edge: PieceEdge): number {
  const box = boundsOf(edge.places);
  return box ? box.maxY - box.minY : 0;
}

function inRange(
  piece: PieceResult,
  edge: PieceEdge,
  got: number,
  range: { from: number; to: number; what: string; cause: string },
): CheckResult {
  return makeCheck({
    id: `human-range ${edge.name}`,
    relation: "between",
    name: `${piece.title}: ${range.what} within human range`,
    status: got >= range.from && got <= range.to ? "pass" : "warn",
    kind: "length",
    got,
    expected: [range.from, range.to],
    board: piece.board,
    edges: [edge.name],
    cause: range.cause,
  });
}

function neckRound(necks: readonly NeckEdge[]): CheckResult[] {
  if (necks.length < 2) return [];
  const got = neckLength(necks);
  return [
    makeCheck({
      id: `human-range neck ${necks[0]?.edge.name ?? ""}`,
      relation: "between",
      name: `Neck round ${neckText(necks)} within human range`,
      status: got >= NECK_ROUND.from && got <= NECK_ROUND.to ? "pass" : "warn",
      kind: "length",
      got,
      expected: [NECK_ROUND.from, NECK_ROUND.to],
      board: necks[0]?.piece.board,
      edges: necks.map(({ edge }) => edge.name),
      cause: "Check the neck measurement and what is taken off for width and depth.",
    }),
  ];
}
