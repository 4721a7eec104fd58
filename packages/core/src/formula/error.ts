import type { Span } from "./tree.js";

/** What a draft cannot do with its figures; any other error is a mistake of the program. */
export class DraftProblem extends Error {}

/** What is wrong with a formula: where in its text, why, and what to write instead. An empty place stands for the whole of its text. */
export class FormulaError extends DraftProblem {
  override readonly name = "FormulaError";
  constructor(
    readonly why: string,
    readonly fix: string,
    readonly at: Span,
    /** What to put in that place instead, where it can be told. */
    readonly put?: string,
  ) {
    super(fix ? `${why} ${fix}` : why);
  }

  /** The field of the statement it stands in, where its thrower knows. */
  field: string | undefined = undefined;
}

/** Reads a field of a statement; what is wrong in it is known to stand there. */
export function inField<T>(field: string, make: () => T): T {
  try {
    return make();
  } catch (error) {
    if (error instanceof FormulaError) error.field ??= field;
    throw error;
  }
}
