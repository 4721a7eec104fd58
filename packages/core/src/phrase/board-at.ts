import type { LoadedSystem } from "../plan/load.js";

/** The board that is drawn where a statement stands. */
export function boardAt({ read }: Pick<LoadedSystem, "read">, index: number): string | undefined {
  const board = read.system.statements.slice(0, index + 1).findLast((s) => s.is === "board");
  return board?.is === "board" ? board.key : undefined;
}
