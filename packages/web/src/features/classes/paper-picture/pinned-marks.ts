import { drawnSteps, flatten, type Plan, type Run, stepName } from "@lodrin/core";
import type { BoardMark } from "../../../board/board-mark.js";

/** Where words are pinned on a draft: at their points, and in the middle of their lines. */
export function marksAt(plan: Plan, run: Run, names: ReadonlySet<string>): BoardMark[] {
  return drawnSteps(plan, run).flatMap(({ step, point, path }): BoardMark[] => {
    const name = stepName(step);
    if (!names.has(name)) return [];
    const places = path ? flatten(path, 1) : [];
    const at = point ?? places[Math.floor(places.length / 2)];
    return at ? [{ name, at, board: step.board, status: "warn" }] : [];
  });
}
