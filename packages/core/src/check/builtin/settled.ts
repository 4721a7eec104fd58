import { type PieceEdge, type PieceResult, roleText } from "../../piece/piece.js";
import type { Plan } from "../../plan/plan.js";
import { type CheckResult, makeCheck } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";

/** A shorter edge (mm) is a step between two others. */
const STEP_MM = 3;

/** Every edge of every piece is sewn to another, lies on a fold, is finished, hemmed, faced or closed, or is said to be left open. */
export const settled: BuiltinCheck = ({ plan, pieces }) => {
  const sewn = sewnNames(plan, pieces);
  return pieces.map((piece): CheckResult => {
    const bare = piece.edges.filter(
      (e) => e.finish === "seam" && e.treatment === undefined && e.length > STEP_MM && !sewn.has(plain(e.name)),
    );
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

/** The other half of a piece that was opened out is treated as the half it mirrors. */
const plain = (name: string): string => name.replace(/_other$/, "");

/** Edges sewn to one that is on this draft. What is made along the edges of a piece is sewn to them, edge to edge. */
function sewnNames({ sews, shapings }: Plan, pieces: readonly PieceResult[]): ReadonlySet<string> {
  const there = new Set(pieces.flatMap((p) => p.edges.map((e) => e.name)));
  const names = new Set<string>();
  for (const { first, second } of sews)
    if ([...first, ...second].every((name) => there.has(name))) for (const name of [...first, ...second]) names.add(name);
  for (const { source } of shapings) {
    if (source.is !== "pieceFrom") continue;
    const edgesOf = (key: string): readonly PieceEdge[] => pieces.find((p) => p.key === key)?.edges ?? [];
    const base = new Set(edgesOf(source.of).map((e) => e.role));
    for (const edge of edgesOf(source.key)) {
      names.add(edge.name);
      if (base.has(edge.role) && (source.strip?.along.includes(edge.role) ?? false)) names.add(`${source.of}.${edge.role}`);
    }
  }
  return names;
}
