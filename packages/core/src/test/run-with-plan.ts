import type { Plan } from "../plan/plan.js";
import { run, type Run } from "../run/run.js";

/** A run beside the plan it was made with, so that a test can look places up by their names. */
export type RunWithPlan = Run & { readonly plan: Plan };

export const runWithPlan = (plan: Plan, ...answers: Parameters<typeof run> extends [Plan, ...infer Rest] ? Rest : never): RunWithPlan =>
  Object.assign(run(plan, ...answers), { plan });
