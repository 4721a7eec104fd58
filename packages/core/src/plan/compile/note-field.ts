import { FormulaError } from "../../formula/error.js";
import type { PlanProblem } from "../plan.js";

/** Makes a field of a statement; what is wrong in it is reported under the field’s name, and gives undefined. */
export type NoteField = <T>(name: string, make: () => T) => T | undefined;

export const fieldNoter =
  (statement: number, report: (problem: PlanProblem) => void): NoteField =>
  (name, make) => {
    try {
      return make();
    } catch (error) {
      if (!(error instanceof FormulaError)) throw error;
      report({ statement, field: error.field ?? name, at: error.at, why: error.why, fix: error.fix, put: error.put });
      return undefined;
    }
  };
