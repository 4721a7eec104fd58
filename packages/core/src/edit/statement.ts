import { linesOf } from "../system/notation/blocks.js";
import type { Statement } from "../system/model.js";
import { printStatement } from "../system/notation/print.js";
import { blockHolding, type ReadSystem } from "../system/notation/read.js";
import { tidyLine } from "../system/notation/tidy-line.js";
import type { LineEdit } from "./line-edit.js";

/**
 * Exchanges a statement for another: only lines that say something else are written again, so that comments, blank lines and
 * the author's own spacing stay.
 */
export function replaceStatement(read: ReadSystem, index: number, statement: Statement): LineEdit[] {
  const block = blockHolding(read, index);
  const before = read.system.statements[index];
  if (!block?.read.block.head || !before) return [];
  const { head, details } = block.read.block;
  const [was, is] = [printStatement(before), printStatement(statement)];
  const rows = [head.row, ...details.map((d) => d.row)];
  if (was.length !== rows.length || is.length !== was.length) {
    const last = rows[rows.length - 1] ?? head.row;
    return [{ from: block.from + head.row, count: last - head.row + 1, lines: relaid(block.read.block.source, rows, was, is) }];
  }
  return rows.flatMap((row, i) =>
    was[i] === is[i] ? [] : [{ from: block.from + row, count: 1, lines: [withComment(block.read.block.source[row] ?? "", is[i] ?? "")] }],
  );
}

/** The lines of a statement that has more or fewer of them now: those that say the same stay as they were typed, and so do comments. */
function relaid(source: readonly string[], rows: readonly number[], was: readonly string[], is: readonly string[]): string[] {
  const [first = 0] = rows;
  const last = rows[rows.length - 1] ?? first;
  const typed = new Map(was.length === rows.length ? was.map((line, i) => [line, source[rows[i] ?? 0] ?? line]) : []);
  const between = source.slice(first, last).filter((_, i) => !rows.includes(first + i));
  const [head = "", ...rest] = is.map((line, i) => typed.get(line) ?? (i === 0 ? withComment(source[first] ?? "", line) : line));
  return [head, ...between, ...rest];
}

/** A line written again behind which its comment stays. */
function withComment(typed: string, line: string): string {
  const { text, comment } = tidyLine(typed);
  return comment === undefined ? line : line + typed.slice(text.length);
}

/** Puts a statement behind another; before the first of all at -1. */
export function insertStatement(read: ReadSystem, after: number, statement: Statement): LineEdit[] {
  return insertLines(read, after, printStatement(statement));
}

/** Puts lines behind a statement, as they were typed; before the first of all at -1, at the end of a text that has none. */
export function insertLines(read: ReadSystem, after: number, lines: readonly string[]): LineEdit[] {
  return [{ from: placeBehind(read, after), count: 0, lines }];
}

/** The line (from 0) that stands behind a statement. */
function placeBehind(read: ReadSystem, after: number): number {
  const block = blockHolding(read, after) ?? read.blocks.find((b) => b.read.block.head !== undefined);
  return block ? block.from + block.read.block.source.length : linesOf(read.source).findLastIndex((line) => line.trim() !== "") + 1;
}

/** Takes statements away, with their comments. */
export function removeStatements(read: ReadSystem, indices: Iterable<number>): LineEdit[] {
  return [...indices].flatMap((index) => {
    const block = blockHolding(read, index);
    return block ? [{ from: block.from, count: block.read.block.source.length, lines: [] }] : [];
  });
}

/** Puts statements behind another, in the order given, each with its comments, its notes and the blank lines above it. */
export function moveStatements(read: ReadSystem, indices: readonly number[], after: number): LineEdit[] {
  const lines = indices.flatMap((index) => blockHolding(read, index)?.read.block.source ?? []);
  if (lines.length === 0 || indices.includes(after)) return [];
  return [...removeStatements(read, indices), ...insertLines(read, after, lines)];
}
