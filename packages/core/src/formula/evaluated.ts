import { FormulaError } from "./error.js";
import type { Environment, Typed } from "./scope.js";

/** A formula worked out; not a number where there is none, or where a part of it is not on the draft. */
export function evaluated(rule: Typed | undefined, environment: Environment): number {
  try {
    return rule?.run(environment) ?? Number.NaN;
  } catch (error) {
    if (error instanceof FormulaError) return Number.NaN;
    throw error;
  }
}
