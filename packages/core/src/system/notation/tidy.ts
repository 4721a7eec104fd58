import type { System } from "../model.js";
import { printNotation } from "./print.js";
import { readNotation } from "./read.js";

/**
 * A text in the house's layout: what each line means stays, and every comment. Undefined where that cannot be promised: for a
 * text with a line that cannot be read, which might not be found again where it stood.
 */
export function tidyNotation(text: string): string | undefined {
  const { system, problems } = readNotation(text);
  if (problems.length > 0) return undefined;
  const tidy = printNotation(system);
  return isSame(readNotation(tidy).system, system) ? tidy : undefined;
}

/** The model is plain data: alike when it holds the same, in whatever order its parts were named. */
const isSame = (a: System, b: System): boolean => inOrder(a) === inOrder(b);

const inOrder = (value: System): string =>
  JSON.stringify(value, (_, part: unknown) =>
    typeof part === "object" && part !== null && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
      : part,
  );
