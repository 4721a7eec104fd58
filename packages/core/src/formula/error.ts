import type { Span } from "./tree.js";

/** What is wrong with a formula: where in its text, why, and what to write instead. */
export class FormulaError extends Error {
  override readonly name = "FormulaError";
  constructor(
    readonly why: string,
    readonly fix: string,
    readonly at: Span,
  ) {
    super(fix ? `${why} ${fix}` : why);
  }
}
