import type { Point } from "@lodrin/core";

/** How far the hand pulled (mm), and the place of its board where it took hold. */
export interface Shift {
  readonly dx: number;
  readonly dy: number;
  readonly at: Point;
}
