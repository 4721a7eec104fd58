import type { Statement } from "../system/model.js";
import type { LoadedSystem } from "../plan/load.js";

/** The board that is drawn where a statement stands. */
export function boardAt({ read }: Pick<LoadedSystem, "read">, index: number): string | undefined {
  const board = read.system.statements.slice(0, index + 1).findLast((s) => s.is === "board");
  return board?.is === "board" ? board.key : undefined;
}

/** The last statement of some kinds that stands on a board; -1 for none. */
export function lastOnBoard(statements: readonly Statement[], board: string, kinds: ReadonlySet<Statement["is"]>): number {
  let here = "";
  return statements.reduce((last, statement, i) => {
    if (statement.is === "board") here = statement.key;
    return here === board && kinds.has(statement.is) ? i : last;
  }, -1);
}
