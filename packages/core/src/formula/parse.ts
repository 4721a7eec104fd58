import { POINT_ID } from "./point-id.js";
import { FormulaError } from "./error.js";
import { parse as parseGrammar } from "./generated/formula.js";
import type { LineTree, Tree } from "./tree.js";

const LONGEST_FORMULA = 2_000;
const DEEPEST_BRACKETS = 60;

/** The tree of a formula. Throws FormulaError with the place in the text. */
export function parseFormula(text: string): Tree {
  return guarded(text, "Formula") as Tree;
}

/** The trees of many formulas; undefined for one that cannot be read. The parser is set up once for all of them. */
export function parseFormulas(texts: readonly string[]): (Tree | undefined)[] {
  const tooMuch = (text: string): boolean => text.length > LONGEST_FORMULA || depthOf(text) > DEEPEST_BRACKETS || text.includes("\n");
  const lines = texts.map((text) => (tooMuch(text) ? "" : text));
  return (parseGrammar(lines.join("\n"), { startRule: "Formulas" }) as (Tree | null)[]).map((tree) => tree ?? undefined);
}

/** The identifier of a point, `#12` or `B3`. Throws FormulaError. */
export function parsePointRef(text: string): string {
  return (guarded(text, "PointRef") as { id: string }).id;
}

/** A line: `#1-#2`, `line down from #3`, or a named line. Throws FormulaError. */
export function parseLineRef(text: string): LineTree {
  const ends = THROUGH.exec(text);
  if (ends) return { type: "through", a: ends[1] as string, b: ends[2] as string, at: [0, text.length] };
  if (NAMED.test(text)) return { type: "named", name: text, at: [0, text.length] };
  return guarded(text, "LineRef") as LineTree;
}

// The two plainest ways of naming a line, which need no parser: from point to point, and by its name.
const END = `(?:#|(?=[A-Z]+[0-9]))(${POINT_ID})`;
const THROUGH = new RegExp(`^${END}\\s*[-–]\\s*${END}$`);
const NAMED = /^(?:[A-Z]\w*\.)?[a-z_][A-Za-z0-9_]*$/;

type Start = "Formula" | "PointRef" | "LineRef";

const NEEDED: Record<Start, string> = {
  Formula: "Write a formula like bust/4 + 1/2.",
  PointRef: "Write a point like #12 or B3.",
  LineRef: "Write a line like #1-#2, line down from #3, or the name of a line.",
};

function guarded(text: string, startRule: Start): unknown {
  const end = text.length;
  if (text.trim() === "") throw new FormulaError("Something is missing here.", NEEDED[startRule], [0, end]);
  if (end > LONGEST_FORMULA) throw new FormulaError("This formula is too long to be one rule.", "Split it into named values.", [0, end]);
  if (depthOf(text) > DEEPEST_BRACKETS)
    throw new FormulaError("The brackets go too deep.", "Split the formula into named values.", [0, end]);
  try {
    return parseGrammar(text, { startRule });
  } catch (error) {
    throw fromSyntax(error, text, startRule);
  }
}

function depthOf(text: string): number {
  let depth = 0;
  let deepest = 0;
  for (const c of text) {
    if (c === "(" || c === "[") deepest = Math.max(deepest, ++depth);
    else if (c === ")" || c === "]") depth--;
  }
  return deepest;
}

function fromSyntax(error: unknown, text: string, startRule: Start): FormulaError {
  const place = error as { location?: { start: { offset: number } }; found?: string | null };
  if (!place.location) throw error;
  const at = place.location.start.offset;
  const opened = [...text.slice(0, at)].reduce((n, c) => n + (c === "(" ? 1 : c === ")" ? -1 : 0), 0);
  if (startRule === "LineRef" && /^[A-Z][A-Za-z_]+$/.test(text.trim()))
    return new FormulaError(
      `Names of lines are written in small letters: ${text.trim().toLowerCase()}.`,
      "",
      [0, text.length],
      text.replace(text.trim(), text.trim().toLowerCase()),
    );
  if (!place.found) {
    if (opened > 0) return new FormulaError("A bracket is opened but not closed.", "Close it with ).", [text.length, text.length]);
    return new FormulaError(`The line stops after “${text.trim()}”.`, NEEDED[startRule], [text.length, text.length]);
  }
  const rest = /^\S+/.exec(text.slice(at))?.[0] ?? place.found;
  if (place.found === "," && /[0-9]$/.test(text.slice(0, at)) && /^,[0-9]/.test(rest))
    return new FormulaError("A fraction has no decimals behind it.", "Put a blank behind the comma, or a semicolon between two values.", [
      at,
      at + 1,
    ]);
  if (place.found === ")" && opened <= 0)
    return new FormulaError("A bracket is closed that was never opened.", "Take the ) away.", [at, at + 1]);
  return new FormulaError(`“${rest}” cannot stand here.`, NEEDED[startRule], [at, at + rest.length]);
}
