import {
  boundsOf,
  type Bounds,
  flatten,
  growBounds,
  type Path,
  pathLength,
  type Point,
  pointText,
  type Run,
  stepDimension,
  svgData,
  VERBS,
} from "@lodrin/core";

/** A point on the paper, by the step that places it. */
export interface ScenePoint {
  readonly step: number;
  readonly id: string;
  readonly name: string;
  readonly at: Point;
}

/** A drawn line on the paper, by the step that draws it. Data in mm. */
export interface ScenePath {
  readonly step: number;
  readonly key: string;
  readonly kind: "construction" | "level" | "curve";
  readonly dashed: boolean;
  readonly data: string;
  readonly places: readonly Point[];
  readonly label: string | undefined;
  readonly length: number;
}

/** The way a point was measured from another: a thin line of the construction. */
export interface SceneCourse {
  readonly step: number;
  readonly data: string;
}

/** Everything a run put on its boards, in mm. */
export interface Scene {
  readonly points: readonly ScenePoint[];
  readonly paths: readonly ScenePath[];
  readonly courses: readonly SceneCourse[];
  readonly bounds: Bounds;
}

const EMPTY: Bounds = { minX: 0, minY: 0, maxX: 400, maxY: 600 };

/** The scene of a run. */
export function sceneOf(run: Run): Scene {
  const points: ScenePoint[] = [];
  const paths: ScenePath[] = [];
  const courses: SceneCourse[] = [];
  run.plan.steps.forEach(({ source }, step) => {
    if (run.outcomes[step]?.status !== "drawn") return;
    if (source.is === "point") {
      const at = run.frame.points[run.plan.scope.points.get(source.id) ?? -1];
      if (at) points.push({ step, id: source.id, name: pointText(source.id).replace("#", ""), at });
      const { from, to } = stepDimension(run, step);
      if (VERBS.get(source.verb)?.course && from && to) courses.push({ step, data: `M${from.x} ${from.y}L${to.x} ${to.y}` });
    } else if (source.is === "path") {
      const path = run.frame.paths[run.plan.scope.paths.get(source.key) ?? -1];
      if (path) paths.push(scenePath(path, step, source));
    }
  });
  const bounds = boundsOf([...points.map((p) => p.at), ...paths.flatMap((p) => [...p.places])]);
  return { points, paths, courses, bounds: bounds ? growBounds(bounds, 20) : EMPTY };
}

function scenePath(path: Path, step: number, source: Extract<Run["plan"]["steps"][number]["source"], { is: "path" }>): ScenePath {
  const kind = source.shape === "level" ? "level" : source.shape === "line" ? "construction" : "curve";
  return {
    step,
    key: source.key,
    kind,
    dashed: source.dashed ?? false,
    data: svgData(path),
    places: flatten(path, 0.3),
    label: source.label,
    length: pathLength(path),
  };
}
