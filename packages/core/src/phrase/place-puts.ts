import type { LineEdit } from "../edit/line-edit.js";
import { applyEdits } from "../edit/line-edit.js";
import { insertLines } from "../edit/statement.js";
import type { LoadedSystem } from "../plan/load.js";
import { boardAt, lastOnBoard } from "./board-at.js";
import type { Statement } from "../system/model.js";
import type { Put } from "./sheet/sheet.js";

/**
 * The edits that put statements into a text, each where its sort belongs: measurements and settings to their like, steps behind the
 * last of their board (or behind `after`, when that stands on it), pieces, shapings and checks at the end.
 */
export function editsFor(into: LoadedSystem, puts: readonly Put[], after?: number): LineEdit[] {
  const { statements } = into.read.system;
  const lastOf = (is: readonly string[]): number => statements.findLastIndex((s) => is.includes(s.is));
  const places = new Map<number, string[]>();
  for (const { sort, board, lines } of puts) {
    const at =
      sort === "measure"
        ? lastOf(["measure", "uses"])
        : sort === "setting"
          ? lastOf(["uses", "measure", "set", "choose", "table"])
          : sort === "step"
            ? after !== undefined && boardAt(into, after) === board
              ? after
              : lastStepOn(into, board)
            : statements.length - 1;
    places.set(at, [...(places.get(at) ?? []), ...lines]);
  }
  return [...places].flatMap(([at, lines]) => insertLines(into.read, at, lines));
}

/** The text with statements in it, each where its sort belongs. */
export const putInto = (into: LoadedSystem, puts: readonly Put[], after?: number): string =>
  applyEdits(into.read.source, editsFor(into, puts, after));

const STEPS: ReadonlySet<Statement["is"]> = new Set(["board", "point", "path", "value", "evenly", "part"]);

function lastStepOn({ read }: LoadedSystem, board: string): number {
  const { statements } = read.system;
  const last = lastOnBoard(statements, board, STEPS);
  return last === -1 ? statements.length - 1 : last;
}
