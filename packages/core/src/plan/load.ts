import type { System } from "../system/model.js";
import type { NotationProblem } from "../system/notation/problem.js";
import { blockHolding, placeOf, readNotation, type ReadSystem } from "../system/notation/read.js";
import { compileSystem } from "./compile/compile.js";
import type { Plan, PlanProblem } from "./plan.js";
import { type Library, type ExpandedSystem, expandImports } from "./uses.js";

/** A notation file read and compiled, with every problem at its place in the text. */
export interface LoadedSystem {
  /** As its author wrote it. The plan's own system has what it uses written out. */
  readonly system: System;
  /** The text it was read from, with every line and the place of every part: an edit goes on from it. */
  readonly read: ReadSystem;
  readonly plan: Plan;
  readonly problems: readonly NotationProblem[];
}

/**
 * Reads and compiles a system from its notation; `library` holds what it may build on. With the system as it was loaded
 * before, only what changed in its text is read again. Never throws for what an author wrote.
 */
export function loadSystem(source: string, library: Library = {}, before?: LoadedSystem): LoadedSystem {
  const read = readNotation(source, before?.read);
  const whole = expandImports(read.system, library);
  const plan = compileSystem(whole.system, read.trees);
  const located = [...whole.problems.map((p) => locate(p, read)), ...plan.problems.map((p) => locateIn(p, whole, read))];
  const problems = [...read.problems, ...located].sort((a, b) => a.line - b.line || a.column - b.column);
  return { system: read.system, read, plan, problems };
}

/** What is wrong in a statement that was brought along is told at the line that brings it. */
function locateIn(problem: PlanProblem, { origins }: ExpandedSystem, read: ReadSystem): NotationProblem {
  const origin = origins[problem.statement];
  const first = problem.first === undefined ? undefined : origins[problem.first];
  const own = { ...problem, statement: origin?.statement ?? 0, first: first?.from === undefined ? first?.statement : undefined };
  const at = first?.from === undefined ? own : { ...own, fix: `It comes with “${first.from}”. ${own.fix}` };
  if (origin?.from === undefined) return locate(at, read);
  return locate({ ...at, field: undefined, put: undefined, why: `In ${origin.from}: ${problem.why}` }, read);
}

function locate({ statement, field, at, why, fix, put, first }: PlanProblem, read: ReadSystem): NotationProblem {
  const place = placeOf(read, statement, field);
  // A place within the field; an empty one at its very start means all of it.
  const within = at && at[1] > 0 ? at : undefined;
  const column = place.column + (within?.[0] ?? 0);
  const length = Math.max(1, within ? within[1] - within[0] : place.length);
  const told = first === undefined ? fix : `It is first on line ${placeOf(read, first).line}. ${fix}`;
  const problem = { line: place.line, column, length, why, fix: told };
  return put === undefined ? problem : { ...problem, instead: lineWith(read, statement, problem, put) };
}

/** The line a problem stands in, with other words in its place. */
function lineWith(read: ReadSystem, statement: number, { line, column, length }: NotationProblem, put: string): string | undefined {
  const block = blockHolding(read, statement);
  const typed = block?.read.block.source[line - 1 - block.from];
  return typed && `${typed.slice(0, column - 1)}${put}${typed.slice(column - 1 + length)}`.trim();
}
