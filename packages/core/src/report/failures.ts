import type { Plan, PlannedShaping, PlannedStep } from "../plan/plan.js";
import { stepName } from "../plan/step-name.js";
import type { Run } from "../run/run.js";
import { doingText } from "../system/notation/print.js";

/** What of a draft could not be done, a line each: steps, pieces and shapings. */
export function failuresOf(plan: Plan, drafted: Run): string[] {
  const steps = drafted.outcomes.flatMap((outcome, i) =>
    outcome.status === "failed"
      ? [`step ${stepName(plan.steps[i] as PlannedStep)} is not drawn: ${outcome.why} ${outcome.fix}`.trim()]
      : [],
  );
  const taken = new Set(drafted.drafted.map((p) => p.key));
  const pieces = plan.pieces.flatMap(({ source, when }) =>
    taken.has(source.key) || (when && !when.run(drafted.environment))
      ? []
      : [`piece ${source.key} is not taken: its outline could not be drawn.`],
  );
  const shapings = drafted.shapings.flatMap(({ index, outcome }) =>
    outcome.status === "failed"
      ? [`“${doingText((plan.shapings[index] as PlannedShaping).source)}” is not done: ${outcome.why} ${outcome.fix}`.trim()]
      : [],
  );
  return [...steps, ...pieces, ...shapings];
}
