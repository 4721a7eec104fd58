import {
  type Bounds,
  boundsOf,
  flatten,
  growBounds,
  type LaidBoard,
  layBoards,
  type Path,
  type Plan,
  type Point,
  pointText,
  type Run,
  shiftPath,
  stepDimension,
  svgData,
  VERBS,
  drawnSteps,
  onlyGuides,
} from "@lodrin/core";

/** A point on the paper, by the step that places it. */
interface ScenePoint {
  readonly step: number;
  readonly id: string;
  readonly name: string;
  readonly at: Point;
}

/** A drawn line on the paper, by the step that draws it. Data in mm. */
interface ScenePath {
  readonly step: number;
  readonly key: string;
  readonly kind: "construction" | "level" | "curve";
  readonly dashed: boolean;
  readonly data: string;
  readonly places: readonly Point[];
  readonly label: string | undefined;
}

/** The way a point was measured from another: a thin line of the construction. */
interface SceneCourse {
  readonly step: number;
  readonly data: string;
}

/** Everything a run put on its boards, laid side by side on one paper, in mm. */
export interface Scene {
  readonly points: readonly ScenePoint[];
  readonly paths: readonly ScenePath[];
  readonly courses: readonly SceneCourse[];
  readonly boards: ReadonlyMap<string, LaidBoard>;
  readonly bounds: Bounds;
}

const EMPTY: Bounds = { minX: 0, minY: 0, maxX: 400, maxY: 600 };

/** The scene of a run. `boards` tells where its boards lie when it is laid over another. */
export function sceneOf(plan: Plan, run: Run, boards: ReadonlyMap<string, LaidBoard> = layBoards(plan, run)): Scene {
  const points: ScenePoint[] = [];
  const paths: ScenePath[] = [];
  const courses: SceneCourse[] = [];
  for (const { index: step, step: planned, board, point: at, path } of drawnSteps(plan, run)) {
    const { source } = planned;
    const { dx = 0 } = boards.get(board) ?? {};
    const lay = (p: Point): Point => ({ x: p.x + dx, y: p.y });
    if (source.is === "point") {
      if (at) points.push({ step, id: source.id, name: pointText(source.id).replace("#", ""), at: lay(at) });
      const { from, to } = stepDimension(plan, run, step);
      if (VERBS.get(source.verb)?.course && from && to) courses.push({ step, data: `M${lay(from).x} ${from.y}L${lay(to).x} ${to.y}` });
    } else if (source.is === "path") {
      if (path) paths.push(scenePath(shiftPath(path, dx, 0), step, source));
    }
  }
  const bounds = boundsOf(
    [...boards.values()].flatMap(({ bounds: b }) => [
      { x: b.minX, y: b.minY },
      { x: b.maxX, y: b.maxY },
    ]),
  );
  return { points, paths, courses, boards, bounds: bounds ? growBounds(bounds, 20) : EMPTY };
}

function scenePath(path: Path, step: number, source: Extract<Plan["steps"][number]["source"], { is: "path" }>): ScenePath {
  const kind = source.type === "level" ? "level" : source.type === "line" ? "construction" : "curve";
  return {
    step,
    key: source.key,
    kind,
    dashed: onlyGuides(source),
    data: svgData(path),
    places: flatten(path, 0.3),
    label: source.label,
  };
}
