import type { Known } from "./known.js";

/** How people write the number of a point in a sentence: `2`, `#2`, `A2`, `point 2`, `Pt 2`. */
export const POINT = "(?:points?\\s+|pts?\\.?\\s+)?(#?[A-Z]{0,2}\\d+[a-z]?)(?![\\w/])";

/** The point that is meant; a bare number is one of the board being drawn. Undefined when there is none. */
export function findPoint(said: string, { points, letters }: Known): string | undefined {
  const id = said.replace(/^#/, "");
  return [id, `${letters}${id}`, id.toUpperCase()].find((candidate) => points.has(candidate));
}
