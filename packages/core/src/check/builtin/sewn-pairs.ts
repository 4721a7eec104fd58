import { pairText, type PieceResult, roleText } from "../../piece/piece.js";
import type { CheckResult } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";

// Common practice, no source: edges that are sewn together agree within an eighth of an inch.
const AGREE_MM = 25.4 / 8;

/** Every two edges that are sewn together are equally long. */
export const sewnPairs: BuiltinCheck = ({ plan, frame, pieces }) =>
  plan.sews.flatMap((sew): CheckResult[] => {
    const first = edgeOf(pieces, sew.first);
    const second = edgeOf(pieces, sew.second);
    if (!first || !second) return [];
    const tolerance = sew.within?.run(frame) ?? AGREE_MM;
    return [
      {
        name: `${pairText(first.piece, second.piece)}: ${roleText(first.edge)} edges agree`,
        status: Math.abs(first.edge.length - second.edge.length) <= tolerance + 1e-6 ? "pass" : "fail",
        kind: "length",
        got: first.edge.length,
        expected: second.edge.length,
        tolerance,
        at: undefined,
        board: first.piece.board,
        edges: [first.edge.name, second.edge.name],
        cause: "The two are sewn together. One was measured from another line, or a dart was not put back.",
      },
    ];
  });

function edgeOf(
  pieces: readonly PieceResult[],
  side: { piece: string; role: string },
): { piece: PieceResult; edge: PieceResult["edges"][number] } | undefined {
  const piece = pieces.find((p) => p.key === side.piece);
  const edge = piece?.edges.find((e) => e.role === side.role);
  return piece && edge ? { piece, edge } : undefined;
}
