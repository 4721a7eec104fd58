import { parseFormula } from "../formula/parse.js";
import type { Evaluate, Environment } from "../formula/scope.js";
import type { Plan, PlannedStep } from "../plan/plan.js";
import { StepReader } from "../plan/compile/step-reader.js";
import type { PointStep } from "../system/model.js";
import { VERBS } from "../verb/index.js";

/** What a hand puts into the gaps of a step instead of what the author wrote: figures worked out otherwise, other points and lines. */
export interface Overrides {
  readonly figures?: Readonly<Record<string, Evaluate>>;
  readonly args?: Readonly<Record<string, string>>;
}

/** Draws a point with other things in its gaps. Throws FormulaError where a name does not fit. */
export function drawWith(
  plan: Plan,
  step: PlannedStep,
  source: PointStep,
  { figures = {}, args = {} }: Overrides,
): (environment: Environment) => void {
  const reader = new StepReader(plan.scope, parseFormula);
  const text = (name: string): string => args[name] ?? source.args[name] ?? "";
  const figure = (name: string): Evaluate =>
    figures[name] ?? step.formulas.find((f) => f.name === name)?.typed.run ?? ((): number => Number.NaN);
  const place = VERBS.get(source.verb)?.prepare(source.form, {
    length: figure,
    number: figure,
    angle: figure,
    point: (name) => reader.point(text(name), name),
    line: (name) => reader.line(text(name), name),
    path: (name) => reader.path(text(name), name),
  });
  return (f) => void (f.points[step.target] = place?.(f));
}
