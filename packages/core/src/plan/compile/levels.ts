import type { System } from "../../system/model.js";
import { boardsOf } from "../../system/statements.js";
import type { PlannedLevels, PlannedStep } from "../plan.js";

/** The levels of the body on each board that has a waist to be compared with another. */
export function levelsOf(system: System, steps: readonly PlannedStep[]): PlannedLevels[] {
  const levels = steps.flatMap(({ source, target, board }) =>
    source.is === "path" && source.bodyLevel !== undefined ? [{ level: source.bodyLevel, target, board }] : [],
  );
  return boardsOf(system).flatMap(({ key, title }) => {
    const mine = levels.filter((l) => l.board === key);
    const waist = mine.flatMap((l) => (l.level === "waist" ? [l.target] : []));
    const others = mine.flatMap((l) => (l.level === "waist" ? [] : [l.target]));
    return waist.length > 0 && others.length > 0 ? [{ board: key, title, waist, others }] : [];
  });
}
