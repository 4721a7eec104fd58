import type { System } from "../system/model.js";
import type { NotationProblem } from "../system/notation/problem.js";
import { readNotation, type StatementPlaces } from "../system/notation/read.js";
import { compileSystem } from "./compile.js";
import type { Plan, PlanProblem } from "./plan.js";
import { type Library, type WrittenOut, writeOut } from "./uses.js";

/** A notation file read and compiled, with every problem at its place in the text. */
export interface LoadedSystem {
  /** As its author wrote it. The plan's own system has what it uses written out. */
  readonly system: System;
  readonly plan: Plan;
  readonly problems: readonly NotationProblem[];
}

/** Reads and compiles a system from its notation; `library` holds what it may build on. Never throws for what an author wrote. */
export function loadSystem(source: string, library: Library = {}): LoadedSystem {
  const read = readNotation(source);
  const whole = writeOut(read.system, library);
  const plan = compileSystem(whole.system);
  const located = [
    ...whole.problems.map((p) => locate(p, read.places[p.statement])),
    ...plan.problems.map((p) => locateIn(p, whole, read.places)),
  ];
  return { system: read.system, plan, problems: [...read.problems, ...located].sort((a, b) => a.line - b.line || a.column - b.column) };
}

/** What is wrong in a statement that was brought along is told at the line that brings it. */
function locateIn(problem: PlanProblem, { origins }: WrittenOut, places: readonly StatementPlaces[]): NotationProblem {
  const origin = origins[problem.statement];
  const place = origin && places[origin.statement];
  if (origin?.from === undefined) return locate(problem, place);
  return locate({ ...problem, part: undefined, why: `In ${origin.from}: ${problem.why}` }, place);
}

function locate(problem: PlanProblem, places: StatementPlaces | undefined): NotationProblem {
  const part = problem.part === undefined ? undefined : places?.parts[problem.part];
  const head = places?.head ?? { line: 1, column: 1 };
  const [start, end] = problem.at ?? [0, 1];
  if (!part) return { ...head, length: 1, why: problem.why, fix: problem.fix };
  return { line: part.line, column: part.column + start, length: Math.max(1, end - start), why: problem.why, fix: problem.fix };
}
