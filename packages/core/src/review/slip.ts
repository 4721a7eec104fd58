import type { Frame } from "../formula/scope.js";
import type { SlipCode } from "./codes.js";

/** One way a hand may go wrong at one step: its code, what then happened in words, and the step drawn with it. */
export interface Slip {
  readonly code: SlipCode;
  /** The step it happens at, by its place in the plan. */
  readonly step: number;
  readonly says: string;
  /** How common it is beside the others. */
  readonly weight: number;
  /** Draws the step, wrong, into a frame. May throw where it cannot be drawn so. */
  readonly draw: (frame: Frame) => void;
}
