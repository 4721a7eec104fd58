import { nearestOnPath, type PieceResult, type Plan, type Point, type Run } from "@lodrin/core";

/** A point of the board nearer than this (mm) to the outline is on it. */
const ON_MM = 0.5;

/** The points that can be pressed on a piece, by name: those of its outline, where the shaping has carried them. */
export function pointsOnPiece(piece: PieceResult, plan: Plan, run: Run): { readonly name: string; readonly at: Point }[] {
  const { points } = run.board;
  const { carried, edges, board } = piece;
  return plan.steps.flatMap(({ source, board: on, target }) => {
    if (source.is !== "point" || on !== board) return [];
    const drawn = points[target];
    const turned = drawn && carried.turnedAt !== undefined ? { x: carried.turnedAt - drawn.x, y: drawn.y } : drawn;
    const at = carried.points.get(source.id) ?? turned;
    return at && edges.some(({ path }) => nearestOnPath(path, at).off < ON_MM) ? [{ name: source.id, at }] : [];
  });
}
