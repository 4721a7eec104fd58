import { runChecks } from "../check/run.js";
import type { CheckResult } from "../check/result.js";
import type { Frame } from "../formula/scope.js";
import type { Plan } from "../plan/plan.js";
import type { HomeUnit } from "../quantity/units.js";
import { construct, type Made } from "./construct.js";
import { emptyFrame, fillSlots } from "./frame.js";
import { type Given, type Inputs, readInputs } from "./inputs.js";
import { type Warning, warningsOf } from "./warnings.js";

/**
 * One body drafted by one system. Plain data, so that it can be posted to a worker or kept; the frame holds values, points
 * and paths by the indices of the plan it was made with, which stays where it was compiled.
 */
export interface Run extends Made {
  readonly title: string;
  readonly unit: HomeUnit;
  readonly inputs: Inputs;
  readonly frame: Frame;
  readonly missing: readonly string[];
  readonly checks: readonly CheckResult[];
  readonly warnings: readonly Warning[];
}

/**
 * Drafts one body. Pure: the same plan and answers give the same run. A step that cannot be drawn is reported and
 * what does not lean on it is drawn all the same. `writtenIn` is the unit of measurements written without one. Never throws for what a person typed.
 */
export function run(plan: Plan, measurements: Given, settings: Given = {}, writtenIn: HomeUnit = plan.system.unit): Run {
  const inputs = readInputs(plan, measurements, settings, writtenIn);
  const frame = emptyFrame(plan);
  const missing = fillSlots(plan, inputs, frame);
  const made = construct(plan, frame);
  const checks = runChecks(plan, frame, made.pieces);
  const { title, unit } = plan.system;
  return { title, unit, inputs, frame, missing, ...made, checks, warnings: warningsOf(plan, frame, inputs, made) };
}
