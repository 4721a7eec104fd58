import type { Tree } from "./tree.js";

/** What is named: points by their ids, and everything else (figures, lines, edges of pieces) by its name. */
export interface References {
  readonly points: Set<string>;
  readonly names: Set<string>;
}

export const noReferences = (): References => ({ points: new Set(), names: new Set() });

/** Gathers the points and names a formula uses. */
export function gather(tree: Tree, into: References): References {
  switch (tree.type) {
    case "point":
      into.points.add(tree.id);
      break;
    case "name":
      into.names.add(tree.name);
      break;
    case "unary":
      gather(tree.arg, into);
      break;
    case "binary":
      gather(tree.left, into);
      gather(tree.right, into);
      break;
    case "compare":
      tree.items.forEach((item) => gather(item, into));
      break;
    case "call":
      tree.args.forEach((arg) => gather(arg, into));
      break;
    case "bracket":
      gather(tree.inner, into);
      break;
    default:
  }
  return into;
}
