import { flatten, type Plan, type Run, stepName } from "@lodrin/core";
import type { BoardMark } from "../../board/board-mark.js";

/** Where words are pinned on a draft: at their points, and in the middle of their lines. */
export function marksAt(plan: Plan, run: Run, names: ReadonlySet<string>): BoardMark[] {
  return plan.steps.flatMap((step): BoardMark[] => {
    const name = stepName(step);
    if (!names.has(name)) return [];
    const path = step.makes === "path" ? run.frame.paths[step.target] : undefined;
    const places = path ? flatten(path, 1) : [];
    const at = step.makes === "point" ? run.frame.points[step.target] : places[Math.floor(places.length / 2)];
    return at ? [{ name, at, board: step.board, status: "warn" }] : [];
  });
}
