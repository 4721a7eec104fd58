import { dartOf, widthAt } from "../geometry/dart.js";
import { endOf, type Path, pathLength, startOf } from "../geometry/path/path.js";
import { kindInWords, type Kind } from "../quantity/kind.js";
import { MM_PER } from "../quantity/units.js";
import { FormulaError } from "./error.js";
import { FUNCTIONS, functionFor, type FormulaFunction, type Parameter } from "./functions.js";
import { addSums, constant, nameSum, quotientSum, sumIn, sumOf, sumOver, sumTimes } from "./sum.js";
import { collectReferences } from "./references.js";
import { lookUp, pathIndex, pointIndex } from "./look-up.js";
import { suggest } from "./suggest.js";
import type { Evaluate, Environment, Scope, Typed } from "./scope.js";
import type { CompareOp, Tree } from "./tree.js";

/** Compiles a formula so that it gives the wanted kind. Throws FormulaError where kinds or names do not fit. */
export function compileAs(tree: Tree, scope: Scope, want: Kind): Typed {
  return coerce(compile(tree, scope), want, tree, scope);
}

/** Compiles a formula to whatever kind it has of itself. Throws FormulaError. */
export function compile(tree: Tree, scope: Scope): Typed {
  const known = scope.compiled.get(tree);
  if (known) {
    collectReferences(tree, scope.reading);
    return known;
  }
  const typed = build(tree, scope);
  scope.compiled.set(tree, typed);
  return typed;
}

function build(tree: Tree, scope: Scope): Typed {
  switch (tree.type) {
    case "number":
      return numberLiteral(tree);
    case "bracket":
      return compile(tree.inner, scope);
    case "name":
      return nameValue(tree, scope);
    case "unary":
      return tree.op === "-" ? negative(tree, scope) : notTrue(tree, scope);
    case "binary":
      return binary(tree, scope);
    case "compare":
      return comparison(tree, scope);
    case "call":
      return call(tree, scope);
    case "text":
      throw new FormulaError(
        `“${tree.value}” is a word, not a figure.`,
        "Words stand only in comparisons, like length_from == nape.",
        tree.at,
      );
    case "point":
      throw new FormulaError(`#${tree.id} is a place, not a figure.`, `Measure from it: dist(#1, #${tree.id}).`, tree.at);
  }
}

function numberLiteral(tree: Tree & { type: "number" }): Typed {
  switch (tree.unit) {
    case null:
      return constant("bare", tree.value);
    case "°":
      return constant("angle", (tree.value * Math.PI) / 180);
    case "%":
      return constant("number", tree.value / 100);
    default:
      return constant("length", tree.value * MM_PER[tree.unit]);
  }
}

/** Brings a part to the wanted kind, or says what stands there instead. */
export function coerce(typed: Typed, want: Kind, tree: Tree, scope: Scope): Typed {
  if (typed.kind === want || want === "bare") return typed;
  if (typed.kind === "bare") {
    if (want === "length") return scaled(typed, MM_PER[scope.unit], "length");
    if (want === "angle") return scaled(typed, Math.PI / 180, "angle");
    if (want === "number") return { ...typed, kind: "number" };
  }
  throw new FormulaError(
    `${kindInWords(want)} is asked for here, but this is ${kindInWords(typed.kind)}.`.replace(/^./, (c) => c.toUpperCase()),
    countMeant(tree, scope) ?? fixForKind(typed.kind, want),
    tree.at,
  );
}

/** What to write where a setting that was given as a bare figure, and so is a length, is meant for a count. */
function countMeant(tree: Tree, scope: Scope): string | undefined {
  if (tree.type === "name") {
    const bare = scope.names.get(tree.name)?.bare;
    return bare === undefined
      ? undefined
      : `${tree.name} is a length of ${bare} ${scope.unit}. If it is a count, write its setting as: set ${tree.name} number = ${bare}.`;
  }
  const parts =
    tree.type === "binary"
      ? [tree.left, tree.right]
      : tree.type === "compare"
        ? tree.items
        : tree.type === "bracket"
          ? [tree.inner]
          : tree.type === "unary"
            ? [tree.arg]
            : [];
  for (const part of parts) {
    const found = countMeant(part, scope);
    if (found !== undefined) return found;
  }
  return undefined;
}

function fixForKind(is: Kind, want: Kind): string {
  if (is === "length" && want === "number") return "Divide the length by a length, or leave the unit away.";
  if (is === "number" && want === "length") return "Multiply it by a length, or write it with a unit, like 1/2in.";
  if (want === "boolean") return "Write a comparison, like bust < 42.";
  return `Write ${kindInWords(want)}.`;
}

function scaled(typed: Typed, by: number, kind: Kind): Typed {
  if (typed.constant !== undefined) return constant(kind, typed.constant * by);
  const { run } = typed;
  const sum = sumTimes(typed.sum, by);
  return sum ? sumOf(kind, sum) : { kind, run: (f) => run(f) * by };
}

function nameValue(tree: Tree & { type: "name" }, scope: Scope): Typed {
  const entry = lookUp(tree.name, scope, tree);
  const { slot, options } = entry;
  if (!options) {
    if (entry.kind === "choice") {
      throw new FormulaError(
        `${tree.name} is a choice without a figure.`,
        `Compare it: ${tree.name} == ${entry.words?.[0] ?? "option"}.`,
        tree.at,
      );
    }
    return sumOf(entry.kind, nameSum(slot));
  }
  const runs = options.map((option) => option?.typed.run);
  const wordSlot = entry.wordSlot as number;
  return { kind: entry.kind, run: (f) => runs[f.slots[wordSlot] as number]?.(f) ?? Number.NaN };
}

function negative(tree: Tree & { type: "unary" }, scope: Scope): Typed {
  return scaled(figure(tree.arg, scope), -1, compile(tree.arg, scope).kind);
}

function notTrue(tree: Tree & { type: "unary" }, scope: Scope): Typed {
  const arg = compileAs(tree.arg, scope, "boolean").run;
  return { kind: "boolean", run: (f) => (arg(f) ? 0 : 1) };
}

/** A part that must be a figure: not a yes-or-no, not a choice. */
function figure(tree: Tree, scope: Scope): Typed {
  const typed = compile(tree, scope);
  if (typed.kind === "boolean" || typed.kind === "choice")
    throw new FormulaError(`This is ${kindInWords(typed.kind)}, not a figure.`, "Use if(…, a, b) to turn it into one.", tree.at);
  return typed;
}

function binary(tree: Tree & { type: "binary" }, scope: Scope): Typed {
  switch (tree.op) {
    case "and":
    case "or": {
      const a = compileAs(tree.left, scope, "boolean").run;
      const b = compileAs(tree.right, scope, "boolean").run;
      return { kind: "boolean", run: tree.op === "and" ? (f) => (a(f) && b(f) ? 1 : 0) : (f) => (a(f) || b(f) ? 1 : 0) };
    }
    case "+":
    case "-": {
      const [a, b, kind] = alike(tree.left, tree.right, scope);
      return fold(kind, a, b, tree.op === "+" ? 1 : -1);
    }
    case "*":
      return product(figure(tree.left, scope), figure(tree.right, scope), tree);
    case "/":
      return quotient(figure(tree.left, scope), figure(tree.right, scope), tree);
  }
}

/** Two parts brought to one kind, for adding or comparing. */
function alike(left: Tree, right: Tree, scope: Scope): [Typed, Typed, Kind] {
  const a = figure(left, scope);
  const b = figure(right, scope);
  const kind = a.kind === "bare" ? b.kind : a.kind;
  return [coerce(a, kind, left, scope), coerce(b, kind, right, scope), kind];
}

function fold(kind: Kind, a: Typed, b: Typed, sign: 1 | -1): Typed {
  if (a.constant !== undefined && b.constant !== undefined) return constant(kind, a.constant + sign * b.constant);
  const sum = addSums(sumIn(a), sumIn(b), sign);
  if (sum) return sumOf(kind, sum);
  const { run: ra, constant: ca } = a;
  const { run: rb, constant: cb } = b;
  if (cb !== undefined) return { kind, run: (f) => ra(f) + sign * cb };
  if (ca !== undefined) return { kind, run: (f) => ca + sign * rb(f) };
  return { kind, run: sign === 1 ? (f) => ra(f) + rb(f) : (f) => ra(f) - rb(f) };
}

function product(a: Typed, b: Typed, tree: Tree): Typed {
  const plain = (k: Kind): boolean => k === "number" || k === "bare";
  if (!plain(a.kind) && !plain(b.kind)) {
    throw new FormulaError(
      `${kindInWords(a.kind)} times ${kindInWords(b.kind)} is not a length.`.replace(/^./, (c) => c.toUpperCase()),
      "Multiply by a plain number; for the side of a right angle use leg(slant, side).",
      tree.at,
    );
  }
  const kind = plain(a.kind) ? (plain(b.kind) && (a.kind === "number" || b.kind === "number") ? "number" : b.kind) : a.kind;
  if (b.constant !== undefined) return scaled(a, b.constant, kind);
  if (a.constant !== undefined) return scaled(b, a.constant, kind);
  return { kind, run: (f) => a.run(f) * b.run(f) };
}

function quotient(a: Typed, b: Typed, tree: Tree & { type: "binary" }): Typed {
  const plain = b.kind === "number" || b.kind === "bare";
  if (!plain && b.kind !== a.kind) {
    throw new FormulaError(
      `${kindInWords(a.kind)} cannot be divided by ${kindInWords(b.kind)}.`.replace(/^./, (c) => c.toUpperCase()),
      "Divide by a plain number, or a length by a length.",
      tree.at,
    );
  }
  const kind: Kind = !plain ? "number" : a.kind === "bare" && b.kind === "number" ? "number" : a.kind;
  if (b.constant === 0) throw new FormulaError("This divides by zero.", "Write another divisor.", tree.right.at);
  const { run: top } = a;
  if (b.constant !== undefined) {
    const by = b.constant;
    if (a.constant !== undefined) return constant(kind, a.constant / by);
    const sum = sumOver(a.sum, by);
    return sum ? sumOf(kind, sum) : { kind, run: (f) => top(f) / by };
  }
  const { run: under } = b;
  const sum = quotientSum(a.sum, b.sum);
  return sum ? sumOf(kind, sum) : { kind, run: (f) => top(f) / under(f) };
}

const COMPARE: Record<CompareOp, (a: number, b: number) => boolean> = {
  "<": (a, b) => a < b,
  "<=": (a, b) => a <= b,
  ">": (a, b) => a > b,
  ">=": (a, b) => a >= b,
  "=": (a, b) => a === b,
  "!=": (a, b) => a !== b,
};

function comparison(tree: Tree & { type: "compare" }, scope: Scope): Typed {
  const word = wordComparison(tree, scope);
  if (word) return word;
  // A figure that is missing is neither more nor less than another: the answer is missing too.
  const tests: Evaluate[] = tree.ops.map((op, i) => {
    const [a, b] = alike(tree.items[i] as Tree, tree.items[i + 1] as Tree, scope);
    const test = COMPARE[op];
    return (f) => {
      const left = a.run(f);
      const right = b.run(f);
      return Number.isNaN(left + right) ? Number.NaN : test(left, right) ? 1 : 0;
    };
  });
  const [only] = tests;
  return { kind: "boolean", run: tests.length === 1 && only ? only : (f) => tests.reduce((all, t) => all * t(f), 1) };
}

/** `choice == option`: the right side is a word of the left side's own list. */
function wordComparison(tree: Tree & { type: "compare" }, scope: Scope): Typed | undefined {
  const [left, right] = tree.items;
  const op = tree.ops[0];
  if (tree.items.length !== 2 || !left || !right || left.type !== "name" || (op !== "=" && op !== "!=")) return undefined;
  const entry = lookUp(left.name, scope, left);
  if (!entry.words || entry.wordSlot === undefined) return undefined;
  const word = right.type === "text" ? right.value : right.type === "name" ? right.name : undefined;
  if (word === undefined) return undefined;
  const index = entry.words.indexOf(word);
  if (index < 0) {
    const near = suggest(word, entry.words);
    throw new FormulaError(
      `${left.name} has no option “${word}”.`,
      near ? `Did you mean ${near}?` : `It has: ${entry.words.join(", ")}.`,
      right.at,
      near,
    );
  }
  const slot = entry.wordSlot;
  return { kind: "boolean", run: op === "=" ? (f) => (f.slots[slot] === index ? 1 : 0) : (f) => (f.slots[slot] === index ? 0 : 1) };
}

function call(tree: Tree & { type: "call" }, scope: Scope): Typed {
  if (tree.fn === "if") return condition(tree, scope);
  if (tree.fn === CLOSED_WIDTH) return closedWidth(tree, scope);
  const table = scope.tables.get(tree.fn);
  if (table) {
    const [arg] = tree.args;
    if (!arg || tree.args.length !== 1)
      throw new FormulaError(`The table ${tree.fn} is read with one value.`, `Write ${tree.fn}(bust).`, tree.at);
    const by = compileAs(arg, scope, table.by).run;
    return { kind: table.gives, run: (f) => table.at(by(f)) };
  }
  const fn = functionFor(tree.fn, tree.args.length);
  if (!fn) {
    const near = suggest(tree.fn, [...FUNCTIONS.keys(), "if", CLOSED_WIDTH, ...scope.tables.keys()]);
    throw new FormulaError(
      `There is no function ${tree.fn}.`,
      near ? `Did you mean ${near}(…)?` : `There are: ${[...FUNCTIONS.keys(), "if", CLOSED_WIDTH].join(", ")}.`,
      near ? [tree.at[0], tree.at[0] + tree.fn.length] : tree.at,
      near,
    );
  }
  return functionCall(fn, tree, scope);
}

function condition(tree: Tree & { type: "call" }, scope: Scope): Typed {
  const [test, yes, no] = tree.args;
  if (!test || !yes || !no || tree.args.length !== 3)
    throw new FormulaError("if takes a condition and two values.", "Write if(bust < 42, 1, 1 1/4).", tree.at);
  const when = compileAs(test, scope, "boolean").run;
  const a = compile(yes, scope);
  const b = compile(no, scope);
  const kind = a.kind === "bare" ? b.kind : a.kind;
  const run = { yes: coerce(a, kind, yes, scope).run, no: coerce(b, kind, no, scope).run };
  return { kind, run: (f) => (when(f) ? run.yes(f) : run.no(f)) };
}

/** The one function that reads the darts of a board. */
export const CLOSED_WIDTH = "closed_width";

/** `closed_width(waist_line)`: a level line from end to end, less what the darts of its board drawn so far take in at that level. */
function closedWidth(tree: Tree & { type: "call" }, scope: Scope): Typed {
  const [arg] = tree.args;
  if (tree.args.length !== 1 || arg?.type !== "name")
    throw new FormulaError("closed_width takes one level line.", "Write closed_width(waist_line).", tree.at);
  const read = pathArgument(arg, scope) as (f: Environment) => Path;
  const board = scope.pathBoards.get(arg.name);
  const onBoard = [...scope.darts].filter(([, d]) => d.board === board);
  const darts = onBoard.map(([, d]) => d.path);
  for (const [name] of onBoard) scope.reading.names.add(name);
  return {
    kind: "length",
    run: (f) => {
      const level = read(f);
      const line = { a: startOf(level), b: endOf(level) };
      const taken = darts.map((index) => {
        const path = f.paths[index];
        const dart = path && dartOf(path);
        return dart ? widthAt(dart, line) : 0;
      });
      return pathLength(level) - taken.reduce((sum, mm) => sum + mm, 0);
    },
  };
}

function functionCall(fn: FormulaFunction, tree: Tree & { type: "call" }, scope: Scope): Typed {
  const need = fn.parameters.length;
  if (fn.more ? tree.args.length < need : tree.args.length !== need) {
    throw new FormulaError(
      `${fn.name} takes ${need}${fn.more ? " or more" : ""} ${need === 1 ? "value" : "values"}, here are ${tree.args.length}.`,
      tree.args.length < need && tree.args.some((arg) => arg.type === "number" && arg.text.includes(","))
        ? "A comma between figures is a decimal comma: put a blank behind it, or a semicolon between two values."
        : `It gives ${fn.description}.`,
      tree.at,
    );
  }
  const parameter = (i: number): Parameter => fn.parameters[Math.min(i, need - 1)] as Parameter;
  const shared = sharedKind(tree, parameter, scope);
  const args = tree.args.map((arg, i) => argument(arg, parameter(i), shared, scope));
  const kind = fn.gives === "same" ? shared : fn.gives;
  const values = args.map((a) => a.run);
  const list = new Array<unknown>(values.length);
  return {
    kind,
    run: (f) => {
      for (let i = 0; i < values.length; i++) list[i] = (values[i] as (f: Environment) => unknown)(f);
      return fn.run(list as never[], f);
    },
  };
}

function sharedKind(tree: Tree & { type: "call" }, parameter: (i: number) => Parameter, scope: Scope): Kind {
  let shared: Kind = "bare";
  tree.args.forEach((arg, i) => {
    if (parameter(i) === "same" && shared === "bare") shared = figure(arg, scope).kind;
  });
  return shared;
}

function argument(arg: Tree, as: Parameter, shared: Kind, scope: Scope): { run: (f: Environment) => unknown } {
  if (as === "point") return { run: pointArgument(arg, scope) };
  if (as === "path") return { run: pathArgument(arg, scope) };
  if (as === "any") return compile(arg, scope);
  return compileAs(arg, scope, as === "same" ? shared : as);
}

function pointArgument(arg: Tree, scope: Scope): (f: Environment) => unknown {
  if (arg.type !== "point") throw new FormulaError("A point is asked for here.", "Write it like #12.", arg.at);
  const index = pointIndex(arg.id, scope, arg.at);
  return (f) => f.points[index] ?? absent(`#${arg.id}`, arg);
}

function pathArgument(arg: Tree, scope: Scope): (f: Environment) => unknown {
  if (arg.type !== "name") throw new FormulaError("A line or curve is asked for here.", "Write its name, like front_armhole.", arg.at);
  const index = pathIndex(arg.name, scope, arg.at);
  if (scope.endless.has(arg.name))
    throw new FormulaError(
      `${arg.name} is a guideline: it has no ends, and so no length.`,
      "Measure between two points on it, like dist(#1, #2).",
      arg.at,
    );
  return (f) => f.paths[index] ?? absent(arg.name, arg);
}

function absent(what: string, tree: Tree): never {
  throw new FormulaError(`${what} is not there on this draft.`, "Its step was skipped or could not be drawn.", tree.at);
}
