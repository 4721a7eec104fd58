import { roleText } from "../../piece/piece.js";
import { edgeStates } from "../edge-states.js";
import { type CheckResult, makeCheck } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";

/** Every edge of every piece is sewn to another, lies on a fold, is finished, hemmed, faced or closed, or is said to be left open. */
export const settled: BuiltinCheck = ({ plan, pieces }) => {
  const unsaid = edgeStates(plan, pieces).filter(({ is }) => is === "unsaid");
  return pieces.map((piece): CheckResult => {
    const bare = unsaid.flatMap((state) => (state.piece === piece ? [state.edge] : []));
    return makeCheck({
      id: `settled ${piece.key}`,
      onPiece: true,
      name: `${piece.title}: every edge is sewn or finished`,
      status: bare.length === 0 ? "pass" : "warn",
      kind: "number",
      got: bare.length,
      expected: 0,
      board: piece.board,
      at: bare[0]?.places[0],
      edges: bare.map((e) => e.name),
      cause: `Nothing is said of ${bare.map(roleText).join(", ")}: sew it to its partner, or write hemmed, faced, zip or open behind it.`,
    });
  });
};
