import type { Environment } from "../../formula/scope.js";
import { endOf, startOf } from "../../geometry/path/path.js";
import type { Point } from "../../geometry/point.js";
import { distanceToRing } from "../../geometry/ring/ring.js";
import type { PieceResult } from "../../piece/piece.js";
import { type CheckResult, makeCheck } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";

/** Levels are compared that begin where the waist does; a shaped centre moves it a little. */
const FROM_THE_CENTRE_MM = 60;
/** How far (mm) from the outline the end of a level may lie that reaches it. */
const AT_THE_EDGE_MM = 2;

/** The paper is folded or cut by the widest of the other levels: the waist, with what its darts take, runs off it when it is wider still. */
export const waistOnPaper: BuiltinCheck = ({ plan, environment, pieces }) =>
  plan.levels.flatMap(({ board, title, waist: waists, others }): CheckResult[] => {
    const waist = widest(waists, environment);
    if (!waist) return [];
    const onBoard = pieces.filter((p) => p.board === board && p.carried.turnedAt === undefined);
    const other = widest(others, environment, { inner: waist.inner.x, onBoard });
    if (!other) return [];
    return [
      makeCheck({
        id: `waist-on-paper ${board}`,
        name: `${title}: waist on the paper`,
        status: waist.outer.x <= other.outer.x + 1e-6 ? "pass" : "warn",
        kind: "length",
        relation: "at most",
        got: waist.outer.x,
        expected: other.outer.x,
        at: waist.outer,
        board,
        cause: "With its dart the waist is wider than bust and hip: fold the paper by the waist, or take less into the dart.",
      }),
    ];
  });

/** The level that reaches furthest out, with its ends; of those that begin at `inner` and reach an edge of a piece, where that is asked. */
function widest(
  paths: readonly number[],
  environment: Environment,
  asked?: { readonly inner: number; readonly onBoard: readonly PieceResult[] },
): { inner: Point; outer: Point } | undefined {
  let found: { inner: Point; outer: Point } | undefined;
  for (const index of paths) {
    const path = environment.paths[index];
    if (!path) continue;
    const [a, b] = [startOf(path), endOf(path)];
    const ends = a.x < b.x ? { inner: a, outer: b } : { inner: b, outer: a };
    if (asked && Math.abs(ends.inner.x - asked.inner) >= FROM_THE_CENTRE_MM) continue;
    // A bust level that stops at the bust point tells nothing of the paper.
    if (asked && asked.onBoard.length > 0 && !reachesEdge(ends.outer, asked.onBoard)) continue;
    if (!found || ends.outer.x > found.outer.x) found = ends;
  }
  return found;
}

const reachesEdge = (p: Point, pieces: readonly PieceResult[]): boolean =>
  pieces.some(({ net }) => distanceToRing(p, net) <= AT_THE_EDGE_MM);
