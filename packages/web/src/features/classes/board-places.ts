import { flatten, layBoards, type Plan, type Point, pointText, type Run } from "@lodrin/core";

/** The lines and points of a run where its boards lie beside each other on one paper (mm). */
export function placesOnBoards(
  plan: Plan,
  run: Run,
): { readonly lines: readonly (readonly Point[])[]; readonly points: readonly { readonly name: string; readonly at: Point }[] } {
  const laid = layBoards(plan, run);
  const lines: Point[][] = [];
  const points: { name: string; at: Point }[] = [];
  plan.steps.forEach(({ source, board, target }, i) => {
    if (run.outcomes[i]?.status !== "drawn") return;
    const dx = laid.get(board)?.dx ?? 0;
    if (source.is === "point") {
      const p = run.frame.points[target];
      if (p) points.push({ name: pointText(source.id), at: { x: p.x + dx, y: p.y } });
    } else if (source.is === "path") {
      const path = run.frame.paths[target];
      if (path) lines.push(flatten(path, 1).map((p) => ({ x: p.x + dx, y: p.y })));
    }
  });
  return { lines, points };
}
