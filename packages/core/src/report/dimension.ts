import { pathLength } from "../geometry/path/path.js";
import { distance, type Point } from "../geometry/point.js";
import type { Plan, PlannedStep } from "../plan/plan.js";
import type { Run } from "../run/run.js";

/** What a step put on the paper and what it was measured from, for drawing a dimension. Lengths in mm. */
export interface StepDimension {
  readonly from: Point | undefined;
  readonly to: Point | undefined;
  /** The figure to show: the distance laid off, the value worked out, or the path's length. */
  readonly mm: number | undefined;
}

/** The dimension of one step; parts are undefined when the step was not drawn or measures nothing. */
export function stepDimension(plan: Plan, run: Run, index: number): StepDimension {
  const step = plan.steps[index] as PlannedStep;
  if (run.outcomes[index]?.status !== "drawn") return { from: undefined, to: undefined, mm: undefined };
  const { source } = step;
  const { scope } = plan;
  if (source.is === "path") {
    const path = run.board.paths[scope.paths.get(source.key) ?? -1];
    return { from: undefined, to: undefined, mm: path && source.open === undefined ? pathLength(path) : undefined };
  }
  const length = step.formulas.find((f) => f.kind === "length")?.typed.run(run.board);
  if (source.is === "value") return { from: undefined, to: undefined, mm: length };
  const to = run.board.points[scope.points.get(source.id) ?? -1];
  const [first] = step.dependsOn.points;
  const from = first === undefined ? undefined : run.board.points[scope.points.get(first) ?? -1];
  return { from, to, mm: length ?? (from && to && distance(from, to)) };
}
