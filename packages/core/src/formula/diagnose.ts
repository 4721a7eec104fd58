import { DraftProblem } from "./error.js";
import { compile } from "./compile.js";
import { FormulaError } from "./error.js";
import type { Environment, Scope } from "./scope.js";
import type { Tree } from "./tree.js";

/** Why a formula came to no figure: the innermost part that failed while its own parts were sound. */
export function diagnose(tree: Tree, scope: Scope, environment: Environment): FormulaError {
  for (const child of partsOf(tree, scope, environment)) {
    if (!Number.isFinite(valueOf(child, scope, environment))) return diagnose(child, scope, environment);
  }
  if (tree.type === "name") {
    const entry = scope.names.get(tree.name);
    return new FormulaError(`${entry?.what ?? tree.name} is missing.`, "Fill it in to go on.", tree.at);
  }
  if (tree.type === "binary" && tree.op === "/")
    return new FormulaError(
      "This divides by zero.",
      "With these measurements the divisor comes to nothing; change it or the measurement.",
      tree.right.at,
    );
  if (tree.type === "call" && scope.tables.has(tree.fn))
    return new FormulaError(
      `The table ${tree.fn.replace(/_/g, " ")} has no row for this figure.`,
      "Check the measurement, or add a row to the table.",
      tree.at,
    );
  if (tree.type === "call")
    return new FormulaError(
      `${tree.fn} has no answer for these figures.`,
      "A slant shorter than its side, or a root of less than nothing: check the measurements.",
      tree.at,
    );
  return new FormulaError("This comes to no figure.", "Check the measurements it uses.", tree.at);
}

/** The parts that count for this body: of an `if`, its test and the branch it takes. */
function partsOf(tree: Tree, scope: Scope, environment: Environment): Tree[] {
  switch (tree.type) {
    case "unary":
      return [tree.arg];
    case "binary":
      return [tree.left, tree.right];
    case "bracket":
      return [tree.inner];
    case "call":
      if (tree.fn === "if") return tree.args.filter((_, i) => i === (valueOf(tree.args[0] as Tree, scope, environment) ? 1 : 2));
      return tree.args.filter((arg) => arg.type !== "point");
    default:
      return [];
  }
}

/** Value of a part; parts that are no figures (paths, conditions) count as sound. */
function valueOf(tree: Tree, scope: Scope, environment: Environment): number {
  try {
    return compile(tree, scope).run(environment);
  } catch (error) {
    if (!(error instanceof DraftProblem)) throw error;
    return 0;
  }
}
