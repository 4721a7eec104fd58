import {
  drawnSteps,
  boundsOf,
  endOf,
  growBounds,
  layBoards,
  onlyGuides,
  type Path,
  type Plan,
  type Point,
  pointText,
  polyline,
  type Run,
  shiftPath,
  startOf,
} from "@lodrin/core";
import { type Drawing, type Mark, markPlaces } from "./mark.js";

/** The construction as drafted: points with their numbers, level lines and curves of one board, or of all side by side. */
export function drawBoard(plan: Plan, run: Run, board?: string): Drawing {
  const laid = layBoards(plan, run);
  const marks: Mark[] = [];
  for (const { step, path, point } of drawnSteps(plan, run)) {
    if (board !== undefined && step.board !== board) continue;
    const dx = board === undefined ? (laid.get(step.board)?.dx ?? 0) : 0;
    if (step.source.is === "path") marks.push(...pathMarks(path, step.source, dx));
    else if (step.source.is === "point") marks.push(...pointMarks(point, step.source.id, dx));
  }
  const bounds = boundsOf(markPlaces(marks)) ?? { minX: 0, minY: 0, maxX: 10, maxY: 10 };
  return { title: run.title, bounds: growBounds(bounds, 15), marks };
}

function pathMarks(drawn: Path | undefined, source: Extract<Plan["steps"][number]["source"], { is: "path" }>, dx: number): Mark[] {
  if (!drawn) return [];
  const path = shiftPath(drawn, dx, 0);
  const layer = source.type === "level" ? "levels" : source.type === "line" ? "construction" : "net";
  const stroke: Mark = { kind: "stroke", layer, path, closed: false, dashed: onlyGuides(source) };
  const [a, b] = [startOf(path), endOf(path)];
  if (source.label === undefined) return [stroke];
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

function pointMarks(placed: Point | undefined, id: string, dx: number): Mark[] {
  if (!placed) return [];
  const p = { x: placed.x + dx, y: placed.y };
  const cross = (dx: number, dy: number): Mark => ({
    kind: "stroke",
    layer: "construction",
    path: polyline([
      { x: p.x - dx, y: p.y - dy },
      { x: p.x + dx, y: p.y + dy },
    ]),
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
