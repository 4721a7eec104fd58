import type { Kind } from "../quantity/kind.js";
import { exactFigure, plainFigure, readTape, type TapeMark, tapeText } from "../quantity/tape.js";
import { type HomeUnit, otherUnit } from "../quantity/units.js";
import { CLOSED_WIDTH, compile } from "./compile.js";
import { FUNCTIONS } from "./functions.js";
import { inWords } from "./in-words.js";
import { sayRule } from "./say.js";
import type { Environment, Scope } from "./scope.js";
import type { Tree } from "./tree.js";
import { unfold } from "./unfold.js";

/** A formula worked out in one body's numbers. */
export interface Explained {
  /** The rule as the author wrote it, e.g. `bust/6 + 1 1/4`. */
  readonly rule: string;
  /** The same in words, as far as it counts for this body: `bust ÷ 6 + 1 1/4`. */
  readonly said: string;
  /** What decided that: `chest rule is above bust`. */
  readonly because: readonly string[];
  /** The same with the numbers put in, in the author's unit, and each intermediate result: `35 1/2 ÷ 6 + 1 1/4`, `5.917 + 1 1/4`. */
  readonly sums: readonly string[];
  /** Exact value: mm for lengths, radians for angles, plain otherwise. */
  readonly value: number;
  readonly kind: Kind;
  /** Exact value in figures in the author's unit, e.g. `7.167 in`. */
  readonly result: string;
  /** What the tape should read, e.g. `7 1/8 in`, when the value is a length. */
  readonly reading?: string;
  /** The same on a tape in the other unit, e.g. `18.2 cm`. */
  readonly other?: string;
  /** What rounding to the tape leaves over, in mm. */
  readonly leftMm?: number;
}

export interface ExplainOptions {
  /** The tape in the student's hand: what a length reads on it. The sums stay in the author's unit. */
  readonly mark: TapeMark;
}

/** Works a formula out. `as` is the kind the step asks for: it decides what bare numbers mean. */
export function explain(rule: string, tree: Tree, as: Kind, scope: Scope, environment: Environment, options: ExplainOptions): Explained {
  const typed = compile(tree, scope);
  const bareIsLength = as === "length" || typed.kind === "length";
  const teller: ExplainContext = { scope, environment, bareIsLength, unit: scope.unit };
  const value = figureOf(tree, teller);
  const kind = typed.kind === "bare" ? as : typed.kind;
  const told = {
    rule,
    ...sayRule(tree, scope, environment),
    sums: worked(tree, teller),
    value,
    kind,
    result: withUnit(value, kind, scope.unit),
  };
  if (kind !== "length") return told;
  const reading = readTape(value, options.mark);
  return {
    ...told,
    reading: `${reading.figure}\u00a0${reading.unit}`,
    other: tapeText(value, otherUnit(reading.unit)),
    leftMm: reading.left,
  };
}

const counts = (tree: Tree, t: ExplainContext): Tree => unfold(tree, t.scope, t.environment);

/** The lines of working that tell more than the result does. */
export const workedLines = ({ sums, result }: Pick<Explained, "sums" | "result">): string[] => {
  const bare = result.replace(/\u00a0(in|cm)$/, "");
  return sums.filter((line) => line !== bare);
};

interface ExplainContext {
  readonly scope: Scope;
  readonly environment: Environment;
  /** The author's, in which the sums are told. */
  readonly unit: HomeUnit;
  /** Bare numbers stand for lengths in the home unit here. */
  readonly bareIsLength: boolean;
}

/** Degrees with a true minus, like the signs in the working. */
const degrees = (radians: number): string => `${plainFigure((radians * 180) / Math.PI)}°`.replace(/^-/, "−");

function withUnit(value: number, kind: Kind, unit: HomeUnit): string {
  if (kind === "length") return `${exactFigure(value, unit)}\u00a0${unit}`;
  if (kind === "angle") return degrees(value);
  if (kind === "boolean") return value ? "yes" : "no";
  return plainFigure(value);
}

/** Numeric value of a part; bare numbers become mm where they stand for lengths. */
function figureOf(tree: Tree, t: ExplainContext): number {
  const typed = compile(tree, t.scope);
  const value = typed.run(t.environment);
  return typed.kind === "bare" && t.bareIsLength ? value * (t.unit === "in" ? 25.4 : 10) : value;
}

/** A part shown as one figure. */
function figureText(tree: Tree, t: ExplainContext, plain: boolean): string {
  const typed = compile(tree, t.scope);
  const value = typed.run(t.environment);
  if (typed.kind === "length") return exactFigure(value, t.unit);
  if (typed.kind === "bare" && t.bareIsLength && !plain) return exactFigure(figureOf(tree, t), t.unit);
  if (typed.kind === "angle") return degrees(value);
  return plainFigure(value);
}

/** The lines of working between the rule and its result: numbers put in, then products worked out. */
function worked(tree: Tree, t: ExplainContext): string[] {
  const spoken = counts(tree, t);
  const first = spell(spoken, t, false, false);
  const second = spell(spoken, t, true, false);
  if (spoken.type === "name" || spoken.type === "number") return [first];
  const last = figureText(spoken, t, false);
  return [first, second].filter((line, i, all) => line !== last && all.indexOf(line) === i);
}

const SIGN: Record<string, string> = { "+": "+", "-": "−", "*": "×", "/": "÷" };

/** The tree in figures. With `reduce`, products and functions are shown as their results. `plain`: bare numbers are counts. */
function spell(given: Tree, t: ExplainContext, reduce: boolean, plain: boolean): string {
  const tree = given.type === "bracket" ? given : counts(given, t);
  switch (tree.type) {
    case "binary":
      return spellBinary(tree, t, reduce, plain);
    case "bracket":
      return reduce ? figureText(tree.inner, t, plain) : `(${spell(tree.inner, t, false, plain)})`;
    case "unary":
      return reduce ? figureText(tree, t, plain) : `−${factor(tree.arg, t, plain)}`;
    case "call":
      return reduce || measuresDraft(tree.fn)
        ? figureText(tree, t, plain)
        : `${inWords(tree.fn)}(${tree.args.map((a) => spell(a, t, false, plain)).join(", ")})`;
    default:
      return figureText(tree, t, plain);
  }
}

function spellBinary(tree: Tree & { type: "binary" }, t: ExplainContext, reduce: boolean, plain: boolean): string {
  if (isSum(tree)) {
    const right = counts(tree.right, t);
    const grouped = tree.op === "-" && isSum(right);
    const text = grouped && reduce ? figureText(right, t, plain) : spell(right, t, reduce, plain);
    const bracketed = grouped && !reduce ? `(${text})` : text;
    return `${spell(tree.left, t, reduce, plain)} ${SIGN[tree.op]} ${bracketed}`;
  }
  if (reduce || tree.op === "and" || tree.op === "or") return figureText(tree, t, plain);
  return `${factor(tree.left, t, isPlain(tree.left, t))} ${SIGN[tree.op]} ${factor(tree.right, t, true)}`;
}

const isSum = (tree: Tree): boolean => tree.type === "binary" && (tree.op === "+" || tree.op === "-");

const isPlain = (tree: Tree, t: ExplainContext): boolean => compile(tree, t.scope).kind !== "length";

/** Functions that read points or paths have no figures to put in: only their result can be shown. */
const measuresDraft = (fn: string): boolean =>
  fn === CLOSED_WIDTH || (FUNCTIONS.get(fn)?.parameters.some((p) => p === "point" || p === "path") ?? false);

/** A factor of a product: sums inside it keep their brackets. */
function factor(given: Tree, t: ExplainContext, plain: boolean): string {
  const tree = counts(given, t);
  const text = spell(tree, t, false, plain);
  return isSum(tree) ? `(${text})` : text;
}
