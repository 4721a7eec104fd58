import { inWords } from "../../formula/in-words.js";
import { parseFormula } from "../../formula/parse.js";
import type { Tree } from "../../formula/tree.js";
import type { HomeUnit } from "../../quantity/units.js";
import { parsed } from "./parsed.js";

/** Words for shares, by what a figure is divided by or multiplied with. */
const SHARES: Readonly<Record<string, string>> = {
  "/2": "half",
  "/3": "a third of",
  "/4": "a quarter of",
  "/5": "a fifth of",
  "/6": "a sixth of",
  "/8": "an eighth of",
  "/10": "a tenth of",
  "/12": "a twelfth of",
  "/16": "a sixteenth of",
  "*1/2": "half",
  "*1/3": "a third of",
  "*2/3": "two thirds of",
  "*1/4": "a quarter of",
  "*3/4": "three quarters of",
};

/**
 * A formula as a teacher says it, in the home unit where it has none: `bust/4 + 1/2` is “a quarter of the bust plus 1/2 inch”.
 * Undefined for what is not said in a breath: conditions, tables, sums within sums.
 *
 * @example sayAmount("nape_to_waist - 1", "in") // "the nape to waist less 1 inch"
 */
export function sayAmount(formula: string, unit: HomeUnit): string | undefined {
  const tree = parsed(parseFormula, formula);
  return tree && sum(tree, unit);
}

function sum(tree: Tree, unit: HomeUnit): string | undefined {
  if (tree.type !== "binary" || (tree.op !== "+" && tree.op !== "-")) return share(tree, unit);
  const [left, right] = [sum(tree.left, unit), share(tree.right, unit)];
  return left && right && `${left} ${tree.op === "+" ? "plus" : "less"} ${right}`;
}

function share(tree: Tree, unit: HomeUnit): string | undefined {
  if (tree.type !== "binary") return single(tree, unit);
  if (tree.op === "/" && tree.right.type === "number" && tree.right.unit === null) {
    const [part, word] = [single(tree.left, unit), SHARES[`/${tree.right.text}`]];
    return part && (word ? `${word} ${part}` : `${part} divided by ${tree.right.text}`);
  }
  if (tree.op !== "*") return undefined;
  const [factor, of] = tree.left.type === "number" ? [tree.left, tree.right] : [tree.right, tree.left];
  if (factor.type !== "number" || factor.unit !== null || of.type === "number") return undefined;
  const part = single(of, unit);
  const word = SHARES[`*${factor.text}`];
  return part && (word ? `${word} ${part}` : factor.text === "2" ? `twice ${part}` : `${factor.text} times ${part}`);
}

function single(tree: Tree, unit: HomeUnit): string | undefined {
  switch (tree.type) {
    case "number":
      return measured(tree, unit);
    case "name":
      return `the ${inWords(tree.name)}`;
    case "call":
      return called(tree.fn, tree.args);
    default:
      return undefined;
  }
}

function measured({ text, value, unit: own }: Extract<Tree, { type: "number" }>, unit: HomeUnit): string | undefined {
  if (own === "%" || own === "°") return undefined;
  const figure = own === null ? text : text.replace(/\s*(?:in|cm|mm)$/, "");
  const word = own ?? unit;
  return `${figure} ${word === "in" ? (value <= 1 ? "inch" : "inches") : word}`;
}

function called(fn: string, args: readonly Tree[]): string | undefined {
  const [a, b] = args;
  if (fn === "dist" && a?.type === "point" && b?.type === "point") return `the distance from ${a.id} to ${b.id}`;
  if (fn === "len" && a?.type === "name") return `the length of the ${inWords(a.name.replace(/^.*\./, ""))}`;
  return undefined;
}
