import type { LineTree, Tree } from "../formula/tree.js";

/** What a formula or a line names on the paper: ids of points and names of paths. Names of values are not paths here. */
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

/** Gathers what a line is named by. */
export function gatherLine(line: LineTree, into: References): References {
  if (line.type === "named") into.names.add(line.name);
  else if (line.type === "ray") into.points.add(line.from);
  else {
    into.points.add(line.a);
    into.points.add(line.b);
  }
  return into;
}
