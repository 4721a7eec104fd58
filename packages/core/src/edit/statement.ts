import type { Statement } from "../model.js";
import { definitionsOf, type NameKind, type Reference, referencesOf } from "../references.js";
import { linesOf } from "./blocks.js";
import { printStatement } from "./print.js";
import { blockHolding, placeOf, type ReadSystem } from "./read.js";
import { tidyLine } from "./tidy-line.js";

/** Lines of a text exchanged for others: `count` lines from `from` (counted from 0) give way to `lines`. */
export interface LineEdit {
  readonly from: number;
  readonly count: number;
  readonly lines: readonly string[];
}

/** The text with edits made; they must not overlap. Lines keep what ends them in the text. */
export function applyEdits(source: string, edits: readonly LineEdit[]): string {
  const lines = linesOf(source);
  const ending = /\r\n|\r|\n/.exec(source)?.[0] ?? "\n";
  for (const { from, count, lines: put } of [...edits].sort((a, b) => b.from - a.from)) lines.splice(from, count, ...put);
  return lines.join(ending);
}

/**
 * Exchanges a statement for another: only lines that say something else are written anew, so that comments, blank lines and
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
    return [{ from: block.from + head.row, count: last - head.row + 1, lines: is }];
  }
  return rows.flatMap((row, i) =>
    was[i] === is[i] ? [] : [{ from: block.from + row, count: 1, lines: [withComment(block.read.block.source[row] ?? "", is[i] ?? "")] }],
  );
}

/** A line written anew behind which its comment stays. */
function withComment(typed: string, line: string): string {
  const { text, comment } = tidyLine(typed);
  return comment === undefined ? line : line + typed.slice(text.length);
}

/** Puts a statement behind another; before the first of all at -1. */
export function insertStatement(read: ReadSystem, after: number, statement: Statement): LineEdit[] {
  const block = blockHolding(read, after) ?? read.blocks.find((b) => b.read.block.head !== undefined);
  const from = block ? block.from + block.read.block.source.length : 0;
  return [{ from, count: 0, lines: printStatement(statement) }];
}

/** Takes a statement away, with its comments. */
export function removeStatement(read: ReadSystem, index: number): LineEdit[] {
  const block = blockHolding(read, index);
  return block ? [{ from: block.from, count: block.read.block.source.length, lines: [] }] : [];
}

/** Gives a point, line, figure, table or piece another name everywhere it is named; the edges of a piece go with it. */
export function rename(read: ReadSystem, kind: NameKind, from: string, to: string): LineEdit[] {
  const made = kind === "point" ? madeFrom(read, from) : new Map<string, string>();
  const lines = linesOf(read.source);
  const changes = new Map<number, { column: number; length: number; put: string }[]>();
  read.system.statements.forEach((statement, i) => {
    for (const ref of [...definitionsOf(statement), ...referencesOf(statement)]) {
      const put = ref.kind === "point" && made.has(ref.name) ? to + (made.get(ref.name) ?? "") : renamed(ref, kind, from, to);
      if (put === undefined) continue;
      const place = placeOf(read, i, ref.field);
      const column = place.column + ref.at[0] + hashBefore(lines, place, ref);
      const list = changes.get(place.line - 1) ?? [];
      if (!list.some((c) => c.column === column)) list.push({ column, length: ref.at[1] - ref.at[0], put });
      changes.set(place.line - 1, list);
    }
  });
  return [...changes].map(([row, list]) => ({ from: row, count: 1, lines: [exchanged(lines[row] ?? "", list)] }));
}

/** Points that are made from a point and carry its name: its graded ones and the legs of a dart laid out about it, with what stands behind the name. */
function madeFrom(read: ReadSystem, id: string): Map<string, string> {
  const endings = read.system.statements.flatMap((s): string[] => {
    if (s.is === "grade" && s.shifts.some((shift) => shift.points.includes(id)))
      return ["gn", ...Array.from({ length: s.most }, (_, n) => `g${n + 1}`)];
    return s.is === "path" && s.dart?.at === id ? ["a", "b"] : [];
  });
  return new Map(endings.map((ending) => [id + ending, ending]));
}

/** What a reference is called after a renaming; undefined when it is not meant. */
function renamed({ kind, name, field }: Reference, wanted: NameKind, from: string, to: string): string | undefined {
  if (kind === wanted && name === from) return to;
  // The edges of a piece carry its name, but for the line that defines them by their role.
  if (wanted === "piece" && kind === "edge" && name.startsWith(`${from}.`) && !field.endsWith(".role"))
    return `${to}${name.slice(from.length)}`;
  return undefined;
}

/** A point that stands by itself in its part may be written with a # before it, which is no part of its name. */
function hashBefore(lines: readonly string[], place: { line: number; column: number }, ref: Reference): number {
  if (ref.kind !== "point") return 0;
  const line = lines[place.line - 1] ?? "";
  const at = place.column - 1 + ref.at[0];
  return line[at] === "#" ? 1 : 0;
}

function exchanged(line: string, changes: readonly { column: number; length: number; put: string }[]): string {
  return [...changes]
    .sort((a, b) => b.column - a.column)
    .reduce((text, { column, length, put }) => `${text.slice(0, column - 1)}${put}${text.slice(column - 1 + length)}`, line);
}

/** The statements that name what a statement defines: what stands on it. */
export function standsOn(read: ReadSystem, index: number): number[] {
  const statement = read.system.statements[index];
  if (!statement) return [];
  const defined = new Set(definitionsOf(statement).map((d) => `${d.kind} ${d.name}`));
  // A figure's name and a line's are told apart by what they are defined as.
  return read.system.statements.flatMap((other, i) =>
    i !== index && referencesOf(other).some((r) => defined.has(`${r.kind} ${r.name}`)) ? [i] : [],
  );
}
