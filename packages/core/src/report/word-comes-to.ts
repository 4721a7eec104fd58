import { compile } from "../formula/compile.js";
import type { Tree } from "../formula/tree.js";
import type { Plan } from "../plan/plan.js";
import type { Run } from "../run/run.js";

/**
 * What a setting comes to on this body while a word like “auto” stands in it: the branch its rule takes for that word, in mm
 * (or plain). Undefined where no rule of the draft says it, or its figures are missing.
 */
export function wordComesTo(plan: Plan, run: Run, key: string, word: string): number | undefined {
  for (const step of plan.steps)
    for (const { tree } of step.formulas) {
      const branch = branchFor(tree, key, word);
      if (!branch) continue;
      const { kind, run: evaluate } = compile(branch, plan.scope);
      const value = evaluate(run.board) * (kind === "bare" ? (plan.system.unit === "in" ? 25.4 : 10) : 1);
      if (Number.isFinite(value)) return value;
    }
  return undefined;
}

/** The branch of the first `if` in a formula that asks whether a setting holds a word. */
function branchFor(tree: Tree, key: string, word: string): Tree | undefined {
  switch (tree.type) {
    case "call": {
      const [test, yes] = tree.args;
      if (tree.fn === "if" && test && yes && asks(test, key, word)) return yes;
      return first(tree.args, key, word);
    }
    case "binary":
      return first([tree.left, tree.right], key, word);
    case "unary":
      return branchFor(tree.arg, key, word);
    case "bracket":
      return branchFor(tree.inner, key, word);
    default:
      return undefined;
  }
}

function first(trees: readonly Tree[], key: string, word: string): Tree | undefined {
  for (const tree of trees) {
    const found = branchFor(tree, key, word);
    if (found) return found;
  }
  return undefined;
}

function asks(test: Tree, key: string, word: string): boolean {
  if (test.type === "bracket") return asks(test.inner, key, word);
  if (test.type !== "compare" || test.ops[0] !== "=") return false;
  const [name, said] = test.items;
  return name?.type === "name" && name.name === key && said?.type === "name" && said.name === word;
}
