import { pointText } from "../verb/form.js";
import type { LoadedSystem } from "../plan/load.js";
import { nextPoint } from "../edit/renumber.js";
import { insertLines, removeStatements } from "../edit/statement.js";
import type { LineEdit } from "../edit/line-edit.js";
import type { Statement, System } from "../system/model.js";
import { blockHolding, readNotation, type ReadSystem, statementAt } from "../system/notation/read.js";
import { knownAt } from "./known.js";
import { propose } from "./propose.js";

/** A line that is not read yet, with the notation it most likely means. */
export interface LineToMend {
  readonly statement: number;
  readonly text: string;
  readonly lines: readonly string[] | undefined;
}

/**
 * What the lines that cannot be read, or are read and yet cannot be, most likely mean, each with what the proposals above it
 * bring: taken in their order they make a system of a handout.
 */
export function linesToMend({ read, problems }: Pick<LoadedSystem, "read" | "problems">): LineToMend[] {
  const { system } = read;
  const wrong = new Set(problems.flatMap(({ line }) => plainAt(read, line) ?? []));
  if (!system.statements.some((s, i) => s.is === "unread" || wrong.has(i))) return [];
  const statements: Statement[] = [];
  const out: LineToMend[] = [];
  system.statements.forEach((statement, index) => {
    if (statement.is !== "unread" && !wrong.has(index)) return void statements.push(statement);
    const here: System = { ...system, statements };
    const text = statement.is === "unread" ? statement.text : (blockHolding(read, index)?.read.block.head?.text ?? "");
    const lines = propose(text, knownAt(here), nextPoint(statements))?.lines;
    if (statement.is === "unread" || lines) out.push({ statement: index, text, lines });
    if (lines) statements.push(...readLines(lines));
  });
  return out;
}

/** The point a line (from 1) places without a sentence of its own: it may be a sentence that happens to begin as a rule does. */
function plainAt(read: ReadSystem, line: number): number | undefined {
  const at = statementAt(read, line);
  const statement = at === undefined ? undefined : read.system.statements[at];
  return statement?.is === "point" && statement.text === undefined ? at : undefined;
}

/** The statements of lines that stand by themselves. */
function readLines(lines: readonly string[]): readonly Statement[] {
  return readNotation(`system "A"\n${lines.join("\n")}`).system.statements;
}

/** Puts the proposed lines in the place of the one that was not read. */
export function takeProposal(read: ReadSystem, { statement, lines = [] }: LineToMend): LineEdit[] {
  return [...removeStatements(read, [statement]), ...putLines(read, statement, lines)];
}

/** Puts lines behind a statement; measurements that come with a step go where measurements stand. */
export function putLines(read: ReadSystem, after: number, lines: readonly string[]): LineEdit[] {
  const comesAlong = (line: string): boolean => line.startsWith("measure ") && lines.length > 1;
  const measures = lines.filter(comesAlong);
  const steps = lines.filter((line) => !comesAlong(line));
  const lastMeasure = read.system.statements.findLastIndex((s, i) => s.is === "measure" && i <= after);
  return [...insertLines(read, after, steps), ...(measures.length === 0 ? [] : insertLines(read, lastMeasure, measures))];
}

/** A line of the quick line as it is put into the text: a rule without a number gets the next one, and a plain sentence what it likely means. */
export function quickLines(typed: string, system: System, after: number): readonly string[] {
  const line = typed.trim();
  if (line === "") return [];
  const next = nextPoint(system.statements, after);
  const asTyped = readLines([line]);
  if (isRead(asTyped)) return [line];
  const numbered = `${pointText(next)} ${line}`;
  if (isRead(readLines([numbered]))) return [numbered];
  return propose(line, knownAt(system, after + 1), next)?.lines ?? [line];
}

const isRead = (statements: readonly Statement[]): boolean => statements.length > 0 && statements.every((s) => s.is !== "unread");
