import { FormulaError } from "../../formula/error.js";

/** What a text of the notation is read to; undefined for one that cannot be read: then nothing is said of it. */
export function parsed<T>(parse: (text: string) => T, text: string): T | undefined {
  try {
    return parse(text);
  } catch (error) {
    if (error instanceof FormulaError) return undefined;
    throw error;
  }
}
