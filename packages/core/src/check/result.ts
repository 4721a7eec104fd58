import { inWords } from "../formula/in-words.js";
import type { Point } from "../geometry/point.js";
import type { SewnEdges } from "../piece/walk.js";
import type { CheckRelation } from "../plan/plan.js";
import type { Kind } from "../quantity/kind.js";

export type CheckStatus = "pass" | "warn" | "fail";

/** One check made: the two figures, how far apart they may be, where, and what usually causes a miss. */
export interface CheckResult {
  /** The same for the same check on every body, and no other's: code knows a check by it. */
  readonly id: string;
  /** The statement that asks for it; undefined for one made on every draft. */
  readonly statement: number | undefined;
  /** What people read. */
  readonly name: string;
  readonly status: CheckStatus;
  readonly kind: Kind;
  readonly relation: CheckRelation;
  /** mm, radians or plain. */
  readonly got: number;
  readonly expected: number | readonly [number, number];
  readonly tolerance: number;
  /** Where on its board, when the check is about one place. */
  readonly at: Point | undefined;
  readonly board: string | undefined;
  /** The place lies on a piece taken off the board, not on the board. */
  readonly onPiece: boolean;
  /** Edges the check is about, as Piece.role. */
  readonly edges: readonly string[];
  /** The seam to be walked, when the check is about one. */
  readonly seam: SewnEdges | undefined;
  readonly cause: string | undefined;
}

type Optional = "statement" | "relation" | "tolerance" | "at" | "board" | "onPiece" | "edges" | "seam" | "cause";

const NO_EDGES: readonly string[] = [];

/**
 * A check made. Most have no place, no edges and no seam, are asked by no statement and compare two figures for being equal.
 * Written out: a draft makes dozens at every move of a slider, and copying what is left of an object is slow.
 */
export function makeCheck(made: Omit<CheckResult, Optional> & { readonly [K in Optional]?: CheckResult[K] | undefined }): CheckResult {
  return {
    id: made.id,
    statement: made.statement,
    name: inWords(made.name),
    status: made.status,
    kind: made.kind,
    relation: made.relation ?? "equal",
    got: made.got,
    expected: made.expected,
    tolerance: made.tolerance ?? 0,
    at: made.at,
    board: made.board,
    onPiece: made.onPiece ?? false,
    edges: made.edges ?? NO_EDGES,
    seam: made.seam,
    cause: made.cause === undefined ? undefined : inWords(made.cause),
  };
}
