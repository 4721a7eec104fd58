/**
 * What a value is. `bare` is a plain number that has not met a length yet: standing where a length is needed it takes
 * the system's home unit, standing where a number is needed it stays as it is.
 */
export type Kind = "length" | "number" | "angle" | "boolean" | "choice" | "bare";

const WORDS: Record<Kind, string> = {
  length: "a length",
  number: "a plain number",
  angle: "an angle",
  boolean: "yes or no",
  choice: "a choice",
  bare: "a plain number",
};

/** The kind in words a teacher would use, with its article. */
export function kindInWords(kind: Kind): string {
  return WORDS[kind];
}
