import { FormulaError } from "../formula/error.js";
import type { PlanProblem } from "./plan.js";

/** Makes a part of a statement; what is wrong in it is reported under the part's name, and gives undefined. */
export type NotePart = <T>(name: string, make: () => T) => T | undefined;

export const partNoter =
  (statement: number, report: (problem: PlanProblem) => void): NotePart =>
  (name, make) => {
    try {
      return make();
    } catch (error) {
      if (!(error instanceof FormulaError)) throw error;
      report({ statement, part: error.part ?? name, at: error.at, why: error.why, fix: error.fix, put: error.put });
      return undefined;
    }
  };
