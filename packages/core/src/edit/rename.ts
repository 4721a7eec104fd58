import type { Statement } from "../system/model.js";
import { linesOf } from "../system/notation/blocks.js";
import { placeOf, type ReadSystem } from "../system/notation/read.js";
import { definitionsOf, mentionsOf, type NameKind, type Reference, referencesOf } from "../system/references.js";
import type { LineEdit } from "./line-edit.js";

/** Gives a point, line, figure, table or piece another name everywhere it is named, in sentences too; the edges of a piece go with it. */
export function rename(read: ReadSystem, kind: NameKind, from: string, to: string): LineEdit[] {
  return renameAll(read, kind, new Map([[from, to]]));
}

/** Gives several of a kind other names at once, so that two may change places. */
export function renameAll(read: ReadSystem, kind: NameKind, names: ReadonlyMap<string, string>): LineEdit[] {
  const wanted = kind === "point" ? new Map([...names].flatMap(([from, to]) => madeFrom(read, from, to))) : names;
  const lines = linesOf(read.source);
  const changes = new Map<number, { column: number; length: number; put: string }[]>();
  read.system.statements.forEach((statement, i) => {
    for (const ref of [...definitionsOf(statement), ...referencesOf(statement), ...mentionsOf(statement)]) {
      const put = renamed(ref, kind, wanted);
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

/** A point with those that are made from it and carry its name: its graded ones, and the legs of a dart laid out about it. */
function madeFrom(read: ReadSystem, from: string, to: string): [string, string][] {
  const endings = read.system.statements.flatMap((s: Statement): string[] => {
    if (s.is === "grade" && s.shifts.some((shift) => shift.points.includes(from)))
      return ["gn", ...Array.from({ length: s.most }, (_, n) => `g${n + 1}`)];
    return s.is === "path" && s.dart?.at === from ? ["a", "b"] : [];
  });
  return ["", ...endings].map((ending) => [from + ending, to + ending]);
}

/** What a reference is called after a renaming; undefined when it is not meant. */
function renamed({ kind, name, field }: Reference, wanted: NameKind, names: ReadonlyMap<string, string>): string | undefined {
  if (kind === wanted) return names.get(name);
  if (wanted !== "piece" || kind !== "edge" || field.endsWith(".role")) return undefined;
  // The edges of a piece carry its name, but for the line that defines them by their role.
  const [piece = "", ...role] = name.split(".");
  const to = names.get(piece);
  return to && [to, ...role].join(".");
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
