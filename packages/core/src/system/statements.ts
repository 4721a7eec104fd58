import type { Board, Statement, System } from "./model.js";

/** The statements of one sort, in order. */
export function statementsOf<K extends Statement["is"]>(system: System, is: K): Extract<Statement, { is: K }>[] {
  return system.statements.filter((s): s is Extract<Statement, { is: K }> => s.is === is);
}

/** The boards of a system, each once, as it was first stated: stated again, by its letter, what follows goes on with it. */
export function boardsOf(system: System): Board[] {
  const boards = statementsOf(system, "board");
  return boards.filter((b, i) => boards.findIndex((other) => other.key === b.key) === i);
}
