import { inWords } from "./in-words.js";
import type { Environment, Scope } from "./scope.js";
import type { CompareOp, Tree } from "./tree.js";
import { OPPOSITE, type Turning, unfold } from "./unfold.js";

/** A rule in words, as a teacher would write it on a board. */
export interface SaidRule {
  /** The part that counts for this body: `across shoulder ÷ 2 + 1/4`. */
  readonly said: string;
  /** What it hangs on, one line for each turning: `chest rule is above bust`. */
  readonly because: readonly string[];
}

/** Says a rule in words, with the branches that this body and its settings take. */
export function sayRule(tree: Tree, scope: Scope, environment: Environment): SaidRule {
  const turnings: Turning[] = [];
  const counts = (part: Tree): Tree => unfold(part, scope, environment, (t) => turnings.push(t));
  const said = say(tree.type === "bracket" ? tree.inner : tree, counts);
  return { said, because: [...new Set(turnings.map(sayTurning))] };
}

const SIGN: Readonly<Record<string, string>> = { "+": "+", "-": "−", "*": "×", "/": "÷", and: "and", or: "or" };

const COMPARED: Readonly<Record<CompareOp, string>> = {
  "<": "is less than",
  "<=": "is at most",
  ">": "is more than",
  ">=": "is at least",
  "=": "is",
  "!=": "is not",
};

type Counts = (part: Tree) => Tree;

function say(given: Tree, counts: Counts): string {
  if (given.type === "bracket") return `(${say(given.inner, counts)})`;
  const tree = counts(given);
  switch (tree.type) {
    case "number":
      return tree.text;
    case "name":
      return inWords(tree.name).replace(".", " ");
    case "text":
      return inWords(tree.value);
    case "point":
      return tree.id;
    case "unary":
      return tree.op === "not" ? `not ${part(tree.arg, counts)}` : `−${part(tree.arg, counts)}`;
    case "binary": {
      const side = isSum(tree) ? say : part;
      const right = tree.op === "-" ? part(tree.right, counts) : side(tree.right, counts);
      return `${side(tree.left, counts)} ${SIGN[tree.op]} ${right}`;
    }
    case "compare":
      return tree.items.map((item, i) => (i === 0 ? "" : `${COMPARED[tree.ops[i - 1] as CompareOp]} `) + say(item, counts)).join(" ");
    case "call":
      return sayCall(
        tree.fn,
        tree.args.map((a) => say(a, counts)),
      );
    case "bracket":
      return say(tree, counts);
  }
}

/** A part of a product: a sum that a turning put there has its brackets. */
function part(given: Tree, counts: Counts): string {
  const text = say(given, counts);
  return given.type !== "bracket" && isSum(counts(given)) ? `(${text})` : text;
}

const isSum = (tree: Tree): boolean => tree.type === "binary" && (tree.op === "+" || tree.op === "-");

const list = (of: readonly string[]): string =>
  of.length < 2 ? (of[0] ?? "") : `${of.slice(0, -1).join(", ")} and ${of[of.length - 1] ?? ""}`;

/** How functions are said; the others keep their name and brackets. */
const CALLS: Readonly<Record<string, (args: readonly string[]) => string>> = {
  min: (a) => `the ${a.length > 2 ? "smallest" : "smaller"} of ${list(a)}`,
  max: (a) => `the ${a.length > 2 ? "largest" : "larger"} of ${list(a)}`,
  round: ([x = "", to = ""]) => `${x}, to the nearest ${to}`,
  up: ([x = "", to = ""]) => `${x}, up to the next ${to}`,
  down: ([x = "", to = ""]) => `${x}, down to the ${to} below`,
  dist: ([a = "", b = ""]) => `straight from ${a} to ${b}`,
  across: ([a = "", b = ""]) => `level from ${a} to ${b}`,
  drop: ([a = "", b = ""]) => `plumb from ${a} down to ${b}`,
  len: ([path = "", a, b]) => `the length of ${path}${a === undefined ? "" : ` from ${a} to ${b ?? ""}`}`,
  out: ([a = ""]) => `how far out ${a} lies`,
  depth: ([a = ""]) => `how far down ${a} lies`,
};

const sayCall = (fn: string, args: readonly string[]): string => CALLS[fn]?.(args) ?? `${inWords(fn)}(${args.join(", ")})`;

function sayTurning(turning: Turning): string {
  if (turning.by === "choice") return `${inWords(turning.choice)} is ${inWords(turning.option)}`;
  const asWritten: Counts = (tree) => tree;
  const { held } = turning;
  const test = turning.test.type === "bracket" ? turning.test.inner : turning.test;
  if (held) return say(test, asWritten);
  const [op] = test.type === "compare" ? test.ops : [];
  if (test.type === "compare" && test.ops.length === 1 && op) return say({ ...test, ops: [OPPOSITE[op]] }, asWritten);
  return `not so: ${say(test, asWritten)}`;
}
