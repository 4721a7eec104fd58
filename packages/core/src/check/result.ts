import type { Point } from "../geometry/point.js";
import type { Kind } from "../quantity/kind.js";

export type CheckStatus = "pass" | "look" | "fail";

/** One check made: the two figures, how far apart they may be, where, and what usually causes a miss. */
export interface CheckResult {
  readonly name: string;
  readonly status: CheckStatus;
  readonly kind: Kind;
  /** mm, radians or plain. */
  readonly got: number;
  readonly expected: number | readonly [number, number];
  readonly tolerance: number;
  /** Where on its board, when the check is about one place. */
  readonly at: Point | undefined;
  readonly board: string | undefined;
  /** Edges the check is about, as Piece.role. */
  readonly edges: readonly string[];
  readonly cause: string | undefined;
}
