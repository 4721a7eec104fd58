import {
  type Bounds,
  boundsOf,
  type Given,
  layBoards,
  type Plan,
  type Point,
  type RangeBody,
  type RangeRow,
  rowOf,
  run,
  shiftPath,
  svgData,
  drawnSteps,
  pointOnBoard,
} from "@lodrin/core";

/** One size of a range: what came of it, and its lines in mm with the anchor at nought. */
export interface NestedRow {
  readonly row: RangeRow;
  readonly data: string;
  readonly bounds: Bounds | undefined;
}

/**
 * Drafts one size and lays it with the anchor, a point by its name, at nought: then its own board alone is nested. Without one
 * every board lies where it does on paper.
 */
export function nestedRow(plan: Plan, body: RangeBody, settings: Given, anchor: string | undefined): NestedRow {
  const drafted = run(plan, body.measurements, settings, body.unit);
  const at = anchor === undefined ? undefined : pointOnBoard(plan, drafted, anchor);
  const board = at && plan.steps.find(({ source }) => source.is === "point" && source.id === anchor)?.board;
  const boards = layBoards(plan, drafted);
  const data: string[] = [];
  const places: Point[] = [];
  for (const { step, board: on, path } of drawnSteps(plan, drafted)) {
    if (!path || (step.source.is === "path" && step.source.type === "level") || (board !== undefined && on !== board)) continue;
    const laid = at ? shiftPath(path, -at.x, -at.y) : shiftPath(path, boards.get(on)?.dx ?? 0, 0);
    data.push(svgData(laid));
    // A curve lies within its control points: near enough for how the whole is fitted.
    for (const { p0, p1, p2, p3 } of laid.segments) places.push(p0, p1, p2, p3);
  }
  return { row: rowOf(plan, drafted, body.size), data: data.join(""), bounds: boundsOf(places) };
}
