import type { Plan } from "../plan/plan.js";
import { run, type Run } from "./run.js";
import { sampleBody } from "./sample.js";

/** A small, a middle and a large body of the ranges a system expects. */
export type Drafts = readonly [small: Run, middle: Run, large: Run];

const known = new WeakMap<Plan, Drafts>();

/** A system on three bodies of its ranges. A run works out only what is asked of it, and keeps it. */
export function draftsOf(plan: Plan): Drafts {
  let drafts = known.get(plan);
  if (!drafts)
    known.set(plan, (drafts = [run(plan, sampleBody(plan, 0.25)), run(plan, sampleBody(plan, 0.5)), run(plan, sampleBody(plan, 0.75))]));
  return drafts;
}
