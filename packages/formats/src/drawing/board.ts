import { boundsOf, flatten, growBounds, pointText, type Run, svgData } from "@lodrin/core";
import type { Drawing, Mark } from "./mark.js";

/** The construction as drafted: points with their numbers, level lines and curves of one board, or of all side by side. */
export function drawBoard(run: Run, board?: string): Drawing {
  const marks: Mark[] = [];
  run.plan.steps.forEach((step, i) => {
    if (run.outcomes[i]?.status !== "drawn" || (board !== undefined && step.board !== board)) return;
    if (step.source.is === "path") marks.push(...pathMarks(run, step.source));
    else if (step.source.is === "point") marks.push(...pointMarks(run, step.source.id));
  });
  const bounds = boundsOf(marks.flatMap((m) => (m.kind === "stroke" ? m.places : [m.at]))) ?? { minX: 0, minY: 0, maxX: 10, maxY: 10 };
  return { title: run.plan.system.title, bounds: growBounds(bounds, 15), marks };
}

function pathMarks(run: Run, source: Extract<Run["plan"]["steps"][number]["source"], { is: "path" }>): Mark[] {
  const path = run.frame.paths[run.plan.scope.paths.get(source.key) ?? -1];
  if (!path) return [];
  const places = flatten(path);
  const layer = source.shape === "level" ? "levels" : source.shape === "line" ? "construction" : "net";
  const stroke: Mark = { kind: "stroke", layer, places, closed: false, data: svgData(path), dashed: source.dashed };
  const [a, b] = [places[0], places[places.length - 1]];
  if (source.label === undefined || !a || !b) return [stroke];
  return [
    stroke,
    {
      kind: "words",
      layer: "labels",
      at: { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 - 1.5 },
      text: source.label,
      size: 4,
      anchor: "middle",
      turn: 0,
    },
  ];
}

function pointMarks(run: Run, id: string): Mark[] {
  const p = run.frame.points[run.plan.scope.points.get(id) ?? -1];
  if (!p) return [];
  const cross = (dx: number, dy: number): Mark => ({
    kind: "stroke",
    layer: "construction",
    places: [
      { x: p.x - dx, y: p.y - dy },
      { x: p.x + dx, y: p.y + dy },
    ],
    closed: false,
  });
  return [
    cross(1.5, 0),
    cross(0, 1.5),
    {
      kind: "words",
      layer: "labels",
      at: { x: p.x + 2.5, y: p.y - 2 },
      text: pointText(id).replace("#", ""),
      size: 4,
      anchor: "start",
      turn: 0,
    },
  ];
}
