import type { LoadedSystem } from "../plan/load.js";
import type { NotationProblem } from "../system/notation/problem.js";

/** What an edit would break: the problems that are there after it and were not before. */
export function newProblems(before: LoadedSystem, after: LoadedSystem): NotationProblem[] {
  const told = ({ why }: NotationProblem): string => why.replace(/line \d+/g, "line");
  const had = new Map<string, number>();
  for (const p of before.problems) had.set(told(p), (had.get(told(p)) ?? 0) + 1);
  return after.problems.filter((p) => {
    const left = had.get(told(p)) ?? 0;
    had.set(told(p), left - 1);
    return left <= 0;
  });
}
