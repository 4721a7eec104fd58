import type { CheckStatus, Point } from "@lodrin/core";

/** A mark at a place of a board: the paper lays it where the board lies. */
export interface BoardMark {
  readonly name: string;
  readonly at: Point;
  readonly board: string | undefined;
  readonly status: CheckStatus;
}
