import type { Plan } from "../../plan/plan.js";
import { run, type Run } from "../../run/run.js";
import { sampleBody } from "../../run/sample.js";

/** A small, a middle and a large body: what a sentence means has to be drafted on all three. */
export type Drafts = readonly [small: Run, middle: Run, large: Run];

const known = new WeakMap<Plan, Drafts>();

/** A system on three bodies of its ranges. A run works out only what is asked of it, and keeps it. */
export function draftsOf(plan: Plan): Drafts {
  let drafts = known.get(plan);
  if (!drafts)
    known.set(plan, (drafts = [run(plan, sampleBody(plan, 0.25)), run(plan, sampleBody(plan, 0.5)), run(plan, sampleBody(plan, 0.75))]));
  return drafts;
}
