import type { Token } from "../words/tokens.js";

/** A name that a point may have, as the notation takes it: `13`, `F9`, `P1`. */
export function pointName({ kind, value }: Token): string | undefined {
  if (kind === "mark") return undefined;
  if (/^\d{1,3}[a-z]?$/.test(value)) return value;
  const letters = /^([A-Za-z]{1,2})(\d{1,3}[a-z]?)$/.exec(value);
  return letters ? `${(letters[1] ?? "").toUpperCase()}${letters[2] ?? ""}` : undefined;
}
