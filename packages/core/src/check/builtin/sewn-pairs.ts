import { evaluated } from "../../formula/evaluated.js";
import { type PieceEdge, type PieceResult, pairText, roleText } from "../../piece/piece.js";
import { easeOf } from "../../plan/ease-of.js";
import { type CheckResult, makeCheck } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";

// Common practice, no source: edges that are sewn together agree within an eighth of an inch.
const AGREE_MM = 25.4 / 8;

interface Side {
  readonly pieces: readonly PieceResult[];
  readonly edges: readonly PieceEdge[];
  readonly mm: number;
}

/** The two sides of every seam are equally long, but for the ease their author gives. */
export const sewnPairs: BuiltinCheck = ({ plan, environment, pieces }) =>
  plan.sews.flatMap((sew): CheckResult[] => {
    const [first, second] = [sideOf(pieces, sew.first), sideOf(pieces, sew.second)];
    if (!first || !second) return [];
    const tolerance = sew.within ? evaluated(sew.within, environment) : AGREE_MM;
    const eased = easeOf(sew, environment);
    const expected = second.mm + eased;
    if (!Number.isFinite(expected + tolerance)) return [];
    return [
      makeCheck({
        id: `sewn ${sew.first.join("+")} ${sew.second.join("+")}`,
        statement: sew.statement,
        name: `${pairText(first.pieces, second.pieces)}: ${roleText(first.edges[0] as PieceEdge)} edges agree${eased === 0 ? "" : ", with the ease"}`,
        status: Math.abs(first.mm - expected) <= tolerance + 1e-6 ? "pass" : "fail",
        kind: "length",
        got: first.mm,
        expected,
        tolerance,
        board: first.pieces[0]?.board,
        edges: [...sew.first, ...sew.second],
        seam: { first: sew.first, second: sew.second },
        cause: causeOf(first, second, sew.eased !== undefined),
      }),
    ];
  });

/** A dart in one of the edges may not have been put back; without one, a width was measured from another line, or an end wants truing. */
function causeOf(first: Side, second: Side, eased: boolean): string {
  if (eased) return "The ease is not what is asked for: the two were drafted from different measurements, or one was changed since.";
  const darts = [...first.edges, ...second.edges].some((e) => e.sewn !== e.path);
  return darts
    ? "The two are sewn together with the dart closed: what it takes was not put back, or was put back twice."
    : "The two are sewn together: true one to the other at its end, or look for the point that was measured from another line.";
}

function sideOf(pieces: readonly PieceResult[], names: readonly string[]): Side | undefined {
  const found = names.flatMap((name) => {
    for (const piece of pieces) {
      const edge = piece.edges.find((e) => e.name === name);
      if (edge) return [{ piece, edge }];
    }
    return [];
  });
  if (found.length < names.length) return undefined;
  return { pieces: found.map((f) => f.piece), edges: found.map((f) => f.edge), mm: found.reduce((sum, f) => sum + f.edge.length, 0) };
}
