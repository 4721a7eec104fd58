import { pointText } from "../verb/form.js";
import type { PlannedStep } from "./plan.js";

/** What a step is called: `#12`, `B3`, or the name of a value or path. */
export function stepName(step: PlannedStep): string {
  return step.source.is === "point" ? pointText(step.source.id) : step.source.key;
}
