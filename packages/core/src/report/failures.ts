import type { Plan, PlannedShaping, PlannedStep } from "../plan/plan.js";
import { stepName } from "../plan/step-name.js";
import type { Run } from "../run/run.js";
import type { Statement } from "../system/model.js";
import { doingText } from "../system/notation/print.js";

/** Something of a draft that could not be done, with the statement of the system that asks for it. */
export interface Failure {
  readonly says: string;
  /** Undefined for what a base system brings along. */
  readonly statement: number | undefined;
}

/** What of a draft could not be done: steps, pieces and shapings. */
export function failuresOf(plan: Plan, drafted: Run): Failure[] {
  const { statements } = plan.system;
  const failure = (source: Statement, says: string): Failure => {
    const at = statements.indexOf(source);
    return { says, statement: at < 0 ? undefined : at };
  };
  const steps = drafted.outcomes.flatMap((outcome, i) =>
    outcome.status === "failed"
      ? [
          failure(
            (plan.steps[i] as PlannedStep).source,
            `step ${stepName(plan.steps[i] as PlannedStep)} is not drawn: ${outcome.why} ${outcome.fix}`.trim(),
          ),
        ]
      : [],
  );
  const taken = new Set(drafted.drafted.map((p) => p.key));
  const pieces = plan.pieces.flatMap(({ source, when }) =>
    taken.has(source.key) || (when && !when.run(drafted.environment))
      ? []
      : [failure(source, `piece ${source.key} is not taken: its outline could not be drawn.`)],
  );
  const shapings = drafted.shapings.flatMap(({ index, outcome }) =>
    outcome.status === "failed"
      ? [
          failure(
            (plan.shapings[index] as PlannedShaping).source,
            `“${doingText((plan.shapings[index] as PlannedShaping).source)}” is not done: ${outcome.why} ${outcome.fix}`.trim(),
          ),
        ]
      : [],
  );
  return [...steps, ...pieces, ...shapings];
}
