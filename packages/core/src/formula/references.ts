import type { Tree } from "./tree.js";

/** What is named: points by their ids, and everything else (figures, lines, edges of pieces) by its name. */
export interface References {
  readonly points: Set<string>;
  readonly names: Set<string>;
}

export const noReferences = (): References => ({ points: new Set(), names: new Set() });

/** Gathers the points and names a formula uses. */
export function collectReferences(tree: Tree, into: References): References {
  switch (tree.type) {
    case "point":
      into.points.add(tree.id);
      break;
    case "name":
      into.names.add(tree.name);
      break;
    case "unary":
      collectReferences(tree.arg, into);
      break;
    case "binary":
      collectReferences(tree.left, into);
      collectReferences(tree.right, into);
      break;
    case "compare":
      tree.items.forEach((item) => collectReferences(item, into));
      break;
    case "call":
      tree.args.forEach((arg) => collectReferences(arg, into));
      break;
    case "bracket":
      collectReferences(tree.inner, into);
      break;
    default:
  }
  return into;
}
