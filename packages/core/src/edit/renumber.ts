import type { Statement } from "../system/model.js";
import type { LoadedSystem } from "../plan/load.js";
import type { LineEdit } from "./line-edit.js";
import { renameAll } from "./rename.js";

/** The letters a point begins with, none for a bare number, and its number. */
function partsOf(id: string): { readonly letters: string; readonly number: number } | undefined {
  const [, letters, number] = /^([A-Z]*)(\d+)$/.exec(id) ?? [];
  return letters === undefined ? undefined : { letters, number: Number(number) };
}

/** The points that are steps of their own, with the board they lie on, in the order of drafting. */
function pointsOnBoards(statements: readonly Statement[]): { readonly id: string; readonly board: string }[] {
  let board = "";
  return statements.flatMap((s) => {
    if (s.is === "board") board = s.key;
    return s.is === "point" ? [{ id: s.id, board }] : [];
  });
}

/**
 * Numbers the points of a board, or of all of them, one after the other in the order of drafting, each with the letters it
 * has. Points that other lines make, or that come from a system this one builds on, keep their numbers.
 */
export function renumber({ read, plan }: LoadedSystem, board?: string): LineEdit[] {
  const all = pointsOnBoards(read.system.statements);
  const moving = all.filter((p) => (board === undefined || p.board === board) && partsOf(p.id)).map(({ id }) => id);
  const taken = new Set(plan.scope.points.keys());
  for (const id of moving) taken.delete(id);
  const next = new Map<string, number>();
  const names = new Map<string, string>();
  for (const id of moving) {
    const { letters, number } = partsOf(id) as { letters: string; number: number };
    let n = next.get(letters) ?? Math.min(number, 1);
    while (taken.has(`${letters}${n}`)) n += 1;
    names.set(id, `${letters}${n}`);
    next.set(letters, n + 1);
  }
  return renameAll(read, "point", names);
}

/** The number a next point behind a statement takes: one more than the highest of the board's last kind, so that none is taken. */
export function nextPoint(statements: readonly Statement[], after = statements.length - 1): string {
  const before = statements.slice(0, after + 1);
  const board = before.findLast((s) => s.is === "board");
  const here = pointsOnBoards(statements);
  const drawn = here.filter((p) => p.board === (board?.is === "board" ? board.key : ""));
  const letter = nextLetter(
    drawn.map(({ id }) => id),
    here.map(({ id }) => id),
  );
  if (letter !== undefined) return letter;
  const onBoard = drawn.filter((p) => partsOf(p.id));
  const letters = partsOf(onBoard[0]?.id ?? here[0]?.id ?? "0")?.letters ?? "";
  // A new board of a system that numbers by letters begins with its own letter.
  const own = onBoard.length === 0 && letters !== "" && board?.is === "board" ? board.key : letters;
  const numbers = here.flatMap(({ id }) => (partsOf(id)?.letters === own ? [partsOf(id)?.number ?? 0] : []));
  return `${own}${numbers.length === 0 ? 0 : Math.max(...numbers) + 1}`;
}

/**
 * The letter behind the last of a board whose points are called by letters alone; undefined for any other, and when
 * none is left. I and O look like figures and are passed over.
 */
export function nextLetter(onBoard: readonly string[], taken: readonly string[]): string | undefined {
  if (onBoard.length === 0 || !onBoard.every((id) => /^[A-Z]$/.test(id))) return undefined;
  const last = Math.max(...onBoard.map((id) => id.charCodeAt(0)));
  return Array.from({ length: 90 - last }, (_, i) => String.fromCharCode(last + 1 + i)).find(
    (id) => !/[IO]/.test(id) && !taken.includes(id),
  );
}
