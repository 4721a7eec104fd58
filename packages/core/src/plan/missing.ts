import { DraftProblem } from "../formula/error.js";

/** A step reads a point or path that is not on this draft; the run says whether it was skipped or failed. */
export class MissingPart extends DraftProblem {
  override readonly name = "MissingPart";
  constructor(readonly what: string) {
    super(`${what} is not on this draft`);
  }
}
