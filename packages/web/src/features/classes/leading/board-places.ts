import { drawnSteps, flatten, layBoards, type Plan, type Point, pointText, type Run } from "@lodrin/core";

/** The lines and points of a run where its boards lie beside each other on one paper (mm). */
export function placesOnBoards(
  plan: Plan,
  run: Run,
): { readonly lines: readonly (readonly Point[])[]; readonly points: readonly { readonly name: string; readonly at: Point }[] } {
  const laid = layBoards(plan, run);
  const lines: Point[][] = [];
  const points: { name: string; at: Point }[] = [];
  for (const { step, board, point, path } of drawnSteps(plan, run)) {
    const dx = laid.get(board)?.dx ?? 0;
    if (point && step.source.is === "point") points.push({ name: pointText(step.source.id), at: { x: point.x + dx, y: point.y } });
    else if (path) lines.push(flatten(path, 1).map((p) => ({ x: p.x + dx, y: p.y })));
  }
  return { lines, points };
}
