import { DraftProblem } from "../formula/error.js";

/** Why a step cannot be drawn with these figures, and what to do about it. */
export class DraftError extends DraftProblem {
  override readonly name = "DraftError";
  constructor(
    readonly why: string,
    readonly fix: string,
  ) {
    super(`${why} ${fix}`);
  }
}
