import type { Environment } from "../formula/scope.js";
import type { SlipCode } from "./codes.js";

/** One way a hand may go wrong at one step: its code, what then happened in words, and the step drawn with it. */
export interface Slip {
  readonly code: SlipCode;
  /** The step it happens at, by its place in the plan. */
  readonly step: number;
  /** Where in the rule, and what was taken instead: no other slip at this step has the same code and place. */
  readonly place: string;
  readonly says: string;
  /** How common it is beside the others. */
  readonly weight: number;
  /** Draws the step, wrong, into an environment. May throw where it cannot be drawn so. */
  readonly draw: (environment: Environment) => void;
}

/** True for the same slip: at the same step, of the same sort, in the same place. */
export const sameSlip = (a: SlipPlace, b: SlipPlace): boolean => a.step === b.step && a.code === b.code && a.place === b.place;

/** Which slip it is. */
export type SlipPlace = Pick<Slip, "step" | "code" | "place">;
