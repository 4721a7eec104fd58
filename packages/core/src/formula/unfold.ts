import { compile } from "./compile.js";
import type { Environment, Scope } from "./scope.js";
import type { CompareOp, Tree } from "./tree.js";

/** A turning that decided which part of a formula counts for this body. */
export type Turning =
  | { readonly by: "test"; readonly test: Tree; readonly held: boolean }
  | { readonly by: "choice"; readonly choice: string; readonly option: string };

/** The part that counts for this body: the branch an `if` took, the alternative a choice took, brackets off; told at each turning. */
export function unfold(tree: Tree, scope: Scope, environment: Environment, turned: (turning: Turning) => void = () => undefined): Tree {
  if (tree.type === "bracket") return unfold(tree.inner, scope, environment, turned);
  if (tree.type === "call" && tree.fn === "if") {
    const [test, yes, no] = tree.args as [Tree, Tree, Tree];
    const held = compile(test, scope).run(environment) !== 0;
    turned({ by: "test", test, held });
    return unfold(held ? yes : no, scope, environment, turned);
  }
  if (tree.type === "name") {
    const entry = scope.names.get(tree.name);
    const index = environment.slots[entry?.wordSlot as number] as number;
    const option = entry?.options?.[index];
    if (option) {
      turned({ by: "choice", choice: tree.name, option: entry.words?.[index] ?? "" });
      return unfold(option.tree, scope, environment, turned);
    }
  }
  return tree;
}

/** The comparison that holds where another does not. */
export const OPPOSITE: Readonly<Record<CompareOp, CompareOp>> = { "<": ">=", "<=": ">", ">": "<=", ">=": "<", "=": "!=", "!=": "=" };
