import type { Ground } from "../ground/ground.js";
import type { Token } from "../words/tokens.js";

/** A name that a point may have: `13`, `F9`, `P1`, `A`. */
export function pointName({ kind, value }: Token): string | undefined {
  if (kind === "mark") return undefined;
  if (/^\d{1,3}[a-z]?$/.test(value) || isLetter(value)) return value;
  const letters = /^([A-Za-z]{1,2})(\d{1,3}[a-z]?)$/.exec(value);
  return letters ? `${(letters[1] ?? "").toUpperCase()}${letters[2] ?? ""}` : undefined;
}

/** A point called by a letter alone: always a capital, for a small one is an article or a word. */
export const isLetter = (said: string): boolean => /^[A-Z]$/.test(said);

/** The point of a letter: on the board that is drawn, where another board may have one of the same letter. */
export const pointByLetter = (letter: string, { points, board }: Ground): string | undefined =>
  [`${board}${letter}`, letter].find((id) => points.has(id));

const lettered = new WeakMap<Ground, boolean>();

/** Whether the points of the board that is drawn are called by letters alone: a number is none of them. */
export function isLettered(ground: Ground): boolean {
  let known = lettered.get(ground);
  if (known === undefined) {
    const own = [...ground.points.values()].filter(({ board }) => board === ground.board);
    lettered.set(ground, (known = own.length > 0 && own.every(({ id }) => isLetter(id.slice(-1)))));
  }
  return known;
}
