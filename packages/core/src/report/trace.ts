import { type Explained, explain, type ExplainOptions } from "../formula/explain.js";
import { inWords } from "../formula/in-words.js";
import { pointText } from "../verb/form.js";
import { stepName } from "../plan/step-name.js";
import type { Plan, PlannedStep } from "../plan/plan.js";
import type { StepOutcome } from "../run/outcome.js";
import type { Run } from "../run/run.js";

/** A step as a student reads it: what to do, the sums in this body's numbers, and what it was measured from. */
export interface TraceEntry {
  readonly step: string;
  readonly board: string;
  readonly heading: string | undefined;
  readonly text: string;
  readonly outcome: StepOutcome;
  readonly sums: readonly Explained[];
  readonly dependsOn: { readonly points: readonly string[]; readonly paths: readonly string[] };
  readonly why: readonly string[];
  readonly watch: readonly string[];
  readonly caution: readonly string[];
}

/** A step's sentence; where the author gave none, what it does in the fewest words. */
function sentence(step: PlannedStep): string {
  const { source } = step;
  if (source.text !== undefined) return inWords(source.text);
  if (source.is === "point") return `Place ${pointText(source.id)}.`;
  const name = inWords(source.key);
  if (source.is === "value") return `Work out the ${name}.`;
  return source.label === undefined ? `Draw the ${name}.` : `Draw and label it: ${source.label}.`;
}

function outcomeInWords(outcome: StepOutcome): StepOutcome {
  if (outcome.status === "skipped") return { ...outcome, why: inWords(outcome.why) };
  if (outcome.status === "failed") return { ...outcome, why: inWords(outcome.why), fix: inWords(outcome.fix) };
  return outcome.doubt === undefined ? outcome : { ...outcome, doubt: inWords(outcome.doubt) };
}

/** One step of the trace, its lengths read on the tape in the hand. */
export function explainStep(plan: Plan, run: Run, index: number, options: ExplainOptions): TraceEntry {
  const step = plan.steps[index] as PlannedStep;
  const outcome = run.outcomes[index] as StepOutcome;
  const { source } = step;
  return {
    step: stepName(step),
    board: step.board,
    heading: step.heading,
    text: sentence(step),
    outcome: outcomeInWords(outcome),
    sums: outcome.status === "drawn" ? step.formulas.map((f) => explain(f.text, f.tree, f.kind, plan.scope, run.board, options)) : [],
    dependsOn: { points: step.dependsOn.points, paths: step.dependsOn.paths },
    why: (source.why ?? []).map(inWords),
    watch: (source.watch ?? []).map(inWords),
    caution: (source.caution ?? []).map(inWords),
  };
}

/** The whole trace. */
export function traceOf(plan: Plan, run: Run, options: ExplainOptions): TraceEntry[] {
  return plan.steps.map((_, i) => explainStep(plan, run, i, options));
}
