import type { Point } from "../geometry/point.js";
import type { SewnEdges } from "../piece/walk.js";
import type { CheckRelation } from "../plan/plan.js";
import type { Kind } from "../quantity/kind.js";

export type CheckStatus = "pass" | "look" | "fail";

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

/** What most checks have in common: no place, no edges, no seam, nothing asked by a statement. */
export const PLAIN_CHECK = {
  statement: undefined,
  relation: "equal",
  tolerance: 0,
  at: undefined,
  board: undefined,
  onPiece: false,
  edges: [],
  seam: undefined,
  cause: undefined,
} as const satisfies Partial<CheckResult>;
