import type { Environment } from "../formula/scope.js";
import type { GraphNode } from "../plan/graph.js";
import type { Plan, PlannedStep } from "../plan/plan.js";
import type { Draw, Evaluation } from "../run/evaluation.js";
import type { Run } from "../run/run.js";

/** A draft that can be drawn again with steps drawn otherwise; what is drawn from the edges of its pieces stays: hundreds of slips are tried. */
export interface Redrawing {
  readonly plan: Plan;
  readonly run: Run;
  readonly evaluation: Evaluation;
  /** The draft as its steps are drawn. */
  readonly environment: Environment;
  /** The later steps on this draft that depend on a step, in order. */
  readonly dependents: (step: number) => readonly number[];
  /** The steps on this draft that a step depends on, and itself. */
  readonly dependencies: (step: number) => ReadonlySet<number>;
}

/** Makes a run ready to be drawn again with slips in it. */
export function redrawing(compiled: Plan, run: Run): Redrawing {
  // Rules with slips in them are let go with the review.
  const plan = { ...compiled, scope: compiled.scope.apart() };
  const { graph, steps } = plan;
  const known = new Map<number, ReadonlySet<number>>();
  const stepsOf = (nodes: readonly number[]): number[] =>
    nodes.flatMap((node) => {
      const { kind, index } = graph.nodes[node] as GraphNode;
      return kind === "step" && run.outcomes[index]?.status === "drawn" ? [index] : [];
    });
  const nodeOf = (step: number): number => (steps[step] as PlannedStep).node;
  return {
    plan,
    run,
    evaluation: run.evaluation,
    environment: run.board,
    dependents: (step) => stepsOf(graph.dependents(nodeOf(step), "steps")).filter((other) => other !== step),
    dependencies: (step) => {
      const found = known.get(step) ?? new Set(stepsOf(graph.dependencies(nodeOf(step), "steps")));
      known.set(step, found);
      return found;
    },
  };
}

/** The draft with one step drawn otherwise, and what of `wanted` depends on it drawn again. What cannot be drawn so stays undefined. */
export function redraw({ plan, evaluation }: Redrawing, step: number, draw: Draw, wanted?: ReadonlySet<number>): Evaluation {
  const made = evaluation.withOverride(plan.steps[step] as PlannedStep, draw, "steps");
  for (const index of wanted ?? plan.steps.keys()) made.need((plan.steps[index] as PlannedStep).node);
  return made;
}
