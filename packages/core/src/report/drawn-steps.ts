import type { Path } from "../geometry/path/path.js";
import type { Point } from "../geometry/point.js";
import type { Plan, PlannedStep } from "../plan/plan.js";
import type { Run } from "../run/run.js";

/** A step that is on a draft, with what it drew: a point or a line. Values draw nothing. */
export interface DrawnStep {
  /** Its place among the plan's steps. */
  readonly index: number;
  readonly step: PlannedStep;
  readonly board: string;
  readonly point?: Point;
  readonly path?: Path;
}

/**
 * The steps that are on a draft, in order, each with its point or line in mm: what draws or lists a board goes over these.
 *
 * @example drawnSteps(plan, run).flatMap(({ point }) => point ?? [])
 */
export function drawnSteps(plan: Plan, run: Run): DrawnStep[] {
  const { points, paths } = run.board;
  const drawn: DrawnStep[] = [];
  plan.steps.forEach((step, index) => {
    if (run.outcomes[index]?.status !== "drawn") return;
    const { board, target } = step;
    const point = step.makes === "point" ? points[target] : undefined;
    const path = step.makes === "path" ? paths[target] : undefined;
    if (point) drawn.push({ index, step, board, point });
    else if (path) drawn.push({ index, step, board, path });
  });
  return drawn;
}

/** Where a point of a draft lies, by its name without `#`; undefined when it is not on the draft. */
export const pointOnBoard = (plan: Plan, run: Run, id: string): Point | undefined => run.board.points[plan.scope.points.get(id) ?? -1];

/** What a measurement comes to on a draft (mm, or plain for a number); not a number when it is missing. */
export const measured = (run: Run, measure: Plan["measures"][number]): number => run.board.slots[measure.slot] ?? Number.NaN;
