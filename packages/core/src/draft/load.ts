import type { System } from "../system/model.js";
import type { NotationProblem } from "../system/notation/problem.js";
import { readNotation, type StatementPlaces } from "../system/notation/read.js";
import { compileSystem } from "./compile.js";
import type { Plan, PlanProblem } from "./plan.js";

/** A notation file read and compiled, with every problem at its place in the text. */
export interface LoadedSystem {
  readonly system: System;
  readonly plan: Plan;
  readonly problems: readonly NotationProblem[];
}

/** Reads and compiles a system from its notation. Never throws for what an author wrote. */
export function loadSystem(source: string): LoadedSystem {
  const read = readNotation(source);
  const plan = compileSystem(read.system);
  const located = plan.problems.map((p) => locate(p, read.places[p.statement]));
  return { system: read.system, plan, problems: [...read.problems, ...located].sort((a, b) => a.line - b.line || a.column - b.column) };
}

function locate(problem: PlanProblem, places: StatementPlaces | undefined): NotationProblem {
  const part = problem.part === undefined ? undefined : places?.parts[problem.part];
  const head = places?.head ?? { line: 1, column: 1 };
  const [start, end] = problem.at ?? [0, 1];
  if (!part) return { ...head, length: 1, why: problem.why, mend: problem.mend };
  return { line: part.line, column: part.column + start, length: Math.max(1, end - start), why: problem.why, mend: problem.mend };
}
