import type { Plan, PlannedShaping, PlannedStep } from "../plan/plan.js";
import { stepName } from "../plan/step-name.js";
import type { Run } from "../run/run.js";
import type { Statement } from "../system/model.js";
import { doingText } from "../system/notation/print.js";

/** Something of a draft that could not be done, with the statement that asks for it: its author's own, or one of a base. */
export interface Failure {
  readonly says: string;
  readonly source: Statement;
}

/** What of a draft could not be done: steps, pieces and shapings. */
export function failuresOf(plan: Plan, drafted: Run): Failure[] {
  const steps = drafted.outcomes.flatMap((outcome, i) =>
    outcome.status === "failed" ? [undrawn(plan.steps[i] as PlannedStep, outcome)] : [],
  );
  const taken = new Set(drafted.drafted.map((p) => p.key));
  const pieces = plan.pieces.flatMap(({ source, when }) =>
    taken.has(source.key) || (when && !when.run(drafted.environment))
      ? []
      : [{ source, says: `piece ${source.key} is not taken: its outline could not be drawn.` }],
  );
  const shapings = drafted.shapings.flatMap(({ index, outcome }) =>
    outcome.status === "failed" ? [undone(plan.shapings[index] as PlannedShaping, outcome)] : [],
  );
  return [...steps, ...pieces, ...shapings];
}

interface Why {
  readonly why: string;
  readonly fix: string;
}

const undrawn = (step: PlannedStep, { why, fix }: Why): Failure => ({
  source: step.source,
  says: `step ${stepName(step)} is not drawn: ${why} ${fix}`.trim(),
});

const undone = ({ source }: PlannedShaping, { why, fix }: Why): Failure => ({
  source,
  says: `“${doingText(source)}” is not done: ${why} ${fix}`.trim(),
});
