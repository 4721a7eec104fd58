import { compileAs } from "../formula/compile.js";
import { FormulaError } from "../formula/error.js";
import { evaluated } from "../formula/evaluated.js";
import { parseFormula } from "../formula/parse.js";
import type { Evaluate, Environment } from "../formula/scope.js";
import { pathLength } from "../geometry/path/path.js";
import { distance } from "../geometry/point.js";
import { stepName } from "../plan/step-name.js";
import { noReferences, collectReferences } from "../formula/references.js";
import type { Plan, PlannedStep } from "../plan/plan.js";
import type { Redrawing } from "./redraw.js";

/** What a tape reads on a draft: the figure of a step, or a length between places of it. */
export interface Measured {
  /** The step whose own figure it is. */
  readonly step: number | undefined;
  /** The steps it hangs on. */
  readonly dependencies: ReadonlySet<number>;
  /** What the tape reads on a draft, mm; not a number where it cannot be read. */
  readonly on: Evaluate;
}

/** A reading that is no length of this system: why, and what to write. */
export interface NotRead {
  readonly why: string;
  readonly fix: string;
}

/** How far the tape between two points may lie from the figure of the step and still be it (mm). */
const SAME_MM = 0.01;

/** What is meant by the name of a reading: `F7`, `#7` or `7`, a value or a path, or a length like `dist(F3, F9)`. */
export function measuredBy(name: string, drawing: Redrawing): Measured | NotRead {
  const { plan } = drawing;
  const said = name.trim();
  const index = plan.steps.findLastIndex(
    (step, i) => drawing.run.outcomes[i]?.status === "drawn" && [stepName(step), stepName(step).replace("#", "")].includes(said),
  );
  if (index >= 0) return stepMeasured(index, drawing) ?? noFigure(said);
  if (!said.includes("("))
    return { why: `There is no step ${said} on this draft.`, fix: "Name a step as the handout does, or a length like dist(F3, F9)." };
  try {
    return lengthMeasured(said, drawing);
  } catch (error) {
    if (error instanceof FormulaError) return { why: error.why, fix: error.fix };
    throw error;
  }
}

const noFigure = (step: string): NotRead => ({
  why: `${step} is placed without a figure of its own.`,
  fix: `Measure it from another point, like dist(${step}, …).`,
});

/** The figure of a step: its value, its path's length, or how far its point lies from what it is measured from. */
function stepMeasured(index: number, { plan, environment, dependencies }: Redrawing): Measured | undefined {
  const step = plan.steps[index] as PlannedStep;
  const measured = (on: Evaluate): Measured => ({ step: index, dependencies: dependencies(index), on });
  if (step.makes === "path") return measured((f) => lengthOf(f, step.target));
  const length = step.formulas.find((f) => f.kind === "length");
  if (step.makes === "value") return length && measured((f) => f.slots[step.target] as number);
  const figure = length && Math.abs(length.typed.run(environment));
  const to = environment.points[step.target];
  for (const id of step.dependsOn.points) {
    const from = plan.scope.points.get(id) ?? -1;
    const way = gap(environment, from, step.target);
    if (to && way > SAME_MM && (figure === undefined || Math.abs(way - figure) < SAME_MM))
      return measured((f) => gap(f, from, step.target));
  }
  return undefined;
}

function gap({ points }: Environment, a: number, b: number): number {
  const [from, to] = [points[a], points[b]];
  return from && to ? distance(from, to) : Number.NaN;
}

function lengthOf({ paths }: Environment, index: number): number {
  const path = paths[index];
  return path ? pathLength(path) : Number.NaN;
}

/** A length between places of the draft, as a formula says it. */
function lengthMeasured(text: string, { plan, dependencies }: Redrawing): Measured {
  const tree = parseFormula(text.replace(/([(,]\s*)(\d+[a-z]?)(?=\s*[,)])/g, "$1#$2"));
  const typed = compileAs(tree, plan.scope, "length");
  const { points, names } = collectReferences(tree, noReferences());
  const of = plan.steps.flatMap(({ source }, i) =>
    (source.is === "point" ? points.has(source.id) : names.has(source.key)) ? [...dependencies(i)] : [],
  );
  return { step: undefined, dependencies: new Set(of), on: (f) => evaluated(typed, f) };
}

/** A reading that may be taken, by its name. */
export interface NamedMeasure {
  readonly name: string;
  readonly measured: Measured;
}

/** The readings of a draft's own steps. */
export function ownReadings(drawing: Redrawing): NamedMeasure[] {
  return drawing.plan.steps.flatMap((_, i) => {
    const measured = drawing.run.outcomes[i]?.status === "drawn" ? stepMeasured(i, drawing) : undefined;
    return measured ? [{ name: nameOf(drawing.plan, i), measured }] : [];
  });
}

/** The readings from a point straight to each other point drawn before it on its board. */
export function crossReadings(drawing: Redrawing, index: number): NamedMeasure[] {
  const { plan, run, dependencies } = drawing;
  const step = plan.steps[index] as PlannedStep;
  if (step.makes !== "point") return [];
  return plan.steps.slice(0, index).flatMap((other, i): NamedMeasure[] => {
    if (other.makes !== "point" || other.board !== step.board || run.outcomes[i]?.status !== "drawn" || other.target === step.target)
      return [];
    const on = new Set([...dependencies(index), ...dependencies(i)]);
    return [
      {
        name: `dist(${stepName(other)}, ${stepName(step)})`,
        measured: { step: undefined, dependencies: on, on: (f) => gap(f, other.target, step.target) },
      },
    ];
  });
}

/** A step as a reading names it: `F7`, `#12`. */
export const nameOf = (plan: Plan, index: number): string => stepName(plan.steps[index] as PlannedStep);
