import { type Bounds, boundsOf, growBounds } from "../geometry/bounds.js";
import { withinBox } from "../geometry/box.js";
import { flatten } from "../geometry/path/flatten.js";
import { endOf, type Path, polyline, startOf } from "../geometry/path/path.js";
import type { Point } from "../geometry/point.js";
import type { Plan, PlannedStep } from "../plan/plan.js";
import type { PathStep } from "../system/model.js";
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
  return drawn.some(isGuideline) ? withGuidelines(drawn) : drawn;
}

/** Whether a line only guides, and is drawn dashed: as it says, or because it has no ends or is an arc swung free. */
export const onlyGuides = ({ dashed, open, radius }: PathStep): boolean => dashed === true || open !== undefined || radius !== undefined;

const isGuideline = ({ step: { source } }: Pick<DrawnStep, "step">): boolean => source.is === "path" && source.open !== undefined;

/** How far (mm) a guideline is drawn beyond what is on its board. */
const BEYOND_MM = 15;

/** Guidelines as far as the paper needs them: they have no ends, and are drawn across what else is on their board. */
function withGuidelines(drawn: readonly DrawnStep[]): DrawnStep[] {
  const boxes = new Map<string, Bounds | undefined>();
  const boxOf = (board: string): Bounds | undefined => {
    if (!boxes.has(board)) boxes.set(board, boundsOf(drawn.filter((one) => one.board === board && !isGuideline(one)).flatMap(placesOf)));
    return boxes.get(board);
  };
  return drawn.map((one) => {
    const box = isGuideline(one) ? boxOf(one.board) : undefined;
    if (!box || !one.path) return one;
    const { minX, minY, maxX, maxY } = growBounds(box, BEYOND_MM);
    const seen = withinBox(startOf(one.path), endOf(one.path), { x: minX, y: minY, w: maxX - minX, h: maxY - minY });
    return seen ? { ...one, path: polyline([...seen]) } : one;
  });
}

const placesOf = ({ point, path }: DrawnStep): readonly Point[] => (point ? [point] : path ? flatten(path, 1) : []);

/** Where a point of a draft lies, by its name without `#`; undefined when it is not on the draft. */
export const pointOnBoard = (plan: Plan, run: Run, id: string): Point | undefined => run.board.points[plan.scope.points.get(id) ?? -1];

/** What a measurement comes to on a draft (mm, or plain for a number); not a number when it is missing. */
export const measured = (run: Run, measure: Plan["measures"][number]): number => run.board.slots[measure.slot] ?? Number.NaN;
