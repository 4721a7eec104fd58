import { compileAs } from "../formula/compile.js";
import { FormulaError } from "../formula/error.js";
import { parseFormula } from "../formula/parse.js";
import type { Scope } from "../formula/scope.js";
import type { Kind } from "../quantity/kind.js";
import type { PlannedFormula, PlanProblem } from "./plan.js";
import { gather, type References } from "./references.js";

/** Compiles the formulas of statements in one scope, and keeps what is wrong with them. */
export class FormulaReader {
  readonly problems: PlanProblem[] = [];

  constructor(readonly scope: Scope) {}

  /** Compiles a formula of a statement; a problem is noted with its part and gives undefined. */
  formula(text: string, kind: Kind, statement: number, part: string, uses?: References): PlannedFormula | undefined {
    try {
      const tree = parseFormula(text);
      if (uses) gather(tree, uses);
      return { name: part, text, tree, kind, typed: compileAs(tree, this.scope, kind) };
    } catch (error) {
      this.note(error, statement, part);
      return undefined;
    }
  }

  note(error: unknown, statement: number, part?: string): PlanProblem {
    if (!(error instanceof FormulaError)) throw error;
    const problem = { statement, part, at: error.at, why: error.why, fix: error.fix };
    this.problems.push(problem);
    return problem;
  }

  twice(name: string, statement: number): void {
    this.problems.push({ statement, why: `${name} is already there.`, fix: "Give each its own name." });
  }
}
