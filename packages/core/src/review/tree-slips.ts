import type { Tree } from "../formula/tree.js";
import { collectReferences, noReferences } from "../formula/references.js";
import type { SlipCode } from "./codes.js";

/** A rule as a hand may have worked it out wrongly. `part` is what the slip is about. */
export interface TreeSlip {
  readonly code: SlipCode;
  readonly tree: Tree;
  readonly part: Tree;
  /** For a term added where it is taken away, or the other way: whether it is taken away. */
  readonly minus?: boolean;
  /** What stands in its place, where something does. */
  readonly instead?: Tree | undefined;
}

type Binary = Tree & { type: "binary" };

/** What is added or taken away at the same height of a sum. */
interface Term {
  readonly tree: Tree;
  readonly minus: boolean;
}

/** Every way a rule may be worked out wrongly by one slip in its arithmetic; `others` are names that may be taken for a name. */
export function treeSlips(tree: Tree, others: (name: string) => readonly string[]): TreeSlip[] {
  return [...sumSlips(tree), ...orderSlips(tree), ...inside(tree, others)];
}

/** Slips of the parts of a rule, each put back into the whole. */
function inside(tree: Tree, others: (name: string) => readonly string[]): TreeSlip[] {
  switch (tree.type) {
    case "name":
      return others(tree.name).map((name) => {
        const instead: Tree = { type: "name", name, at: tree.at };
        return { code: "other-measurement", tree: instead, part: tree, instead };
      });
    case "bracket":
      return lifted(treeSlips(tree.inner, others), (inner) => ({ ...tree, inner }));
    case "unary":
      return lifted(inside(tree.arg, others), (arg) => ({ ...tree, arg }));
    case "binary":
      return [
        ...factorSlips(tree),
        ...lifted(inside(tree.left, others), (left) => ({ ...tree, left })),
        ...lifted(inside(tree.right, others), (right) => ({ ...tree, right })),
      ];
    case "call":
      return tree.args.flatMap((arg, i) =>
        lifted(treeSlips(arg, others), (changed) => ({ ...tree, args: tree.args.map((a, j) => (j === i ? changed : a)) })),
      );
    default:
      return [];
  }
}

const lifted = (slips: readonly TreeSlip[], put: (tree: Tree) => Tree): TreeSlip[] => slips.map((s) => ({ ...s, tree: put(s.tree) }));

/** A term left out, taken twice, or added where it is taken away. */
function sumSlips(tree: Tree): TreeSlip[] {
  const terms = termsOf(tree);
  if (terms.length < 2) return [];
  return terms.flatMap((term, i): TreeSlip[] => {
    const rest = terms.filter((_, j) => j !== i);
    const about = aboutOf(term.tree);
    const turned: Term = { ...term, minus: !term.minus };
    const slips: TreeSlip[] = [
      { code: LEFT_OUT[about], tree: sumOf(rest), part: term.tree },
      { code: TWICE[about], tree: sumOf([...terms, term]), part: term.tree },
    ];
    if (i > 0)
      slips.push({ code: "sign-turned", tree: sumOf([...rest.slice(0, i), turned, ...rest.slice(i)]), part: term.tree, minus: term.minus });
    return slips;
  });
}

type About = "term" | "ease" | "allowance" | "intake";

const LEFT_OUT: Readonly<Record<About, SlipCode>> = {
  term: "term-left-out",
  ease: "ease-forgotten",
  allowance: "allowance-forgotten",
  intake: "intake-forgotten",
};
const TWICE: Readonly<Record<About, SlipCode>> = {
  term: "term-twice",
  ease: "ease-twice",
  allowance: "allowance-twice",
  intake: "intake-twice",
};

/** What a term is there for, as its names tell. */
function aboutOf(tree: Tree): About {
  const names = [...collectReferences(tree, noReferences()).names].join(" ");
  if (/ease|room|loose/.test(names)) return "ease";
  if (/allow|seam|hem/.test(names)) return "allowance";
  return /dart|intake|pleat|gather|tuck/.test(names) ? "intake" : "term";
}

const isSum = (tree: Tree): tree is Binary => tree.type === "binary" && (tree.op === "+" || tree.op === "-");

function termsOf(tree: Tree, minus = false): Term[] {
  if (!isSum(tree)) return [{ tree, minus }];
  return [...termsOf(tree.left, minus), ...termsOf(tree.right, tree.op === "-" ? !minus : minus)];
}

function sumOf(terms: readonly Term[]): Tree {
  const [first, ...rest] = terms as readonly [Term, ...Term[]];
  const begin: Tree = first.minus ? { type: "unary", op: "-", arg: first.tree, at: first.tree.at } : first.tree;
  return rest.reduce<Tree>((left, { tree, minus }) => ({ type: "binary", op: minus ? "-" : "+", left, right: tree, at: left.at }), begin);
}

/** Divided or added first where the other comes first: `a/2 + b` for `(a + b)/2`, and the other way. */
function orderSlips(tree: Tree): TreeSlip[] {
  if (tree.type !== "binary") return [];
  const over = tree.op === "/" || tree.op === "*";
  const inner = bare(tree.left);
  if (over && isSum(inner))
    return [{ code: "order-of-sums", part: tree, tree: { ...inner, left: { ...tree, left: inner.left }, right: inner.right } }];
  if (isSum(tree) && tree.left.type === "binary" && tree.left.op === "/")
    return [{ code: "order-of-sums", part: tree, tree: { ...tree.left, left: { ...tree, left: tree.left.left } } }];
  return [];
}

const bare = (tree: Tree): Tree => (tree.type === "bracket" ? bare(tree.inner) : tree);

/** A division forgotten, halved or doubled; a factor forgotten. */
function factorSlips(tree: Binary): TreeSlip[] {
  if (tree.op === "/") {
    const by = (factor: number): Tree => ({ type: "binary", op: "*", left: tree, right: numberTree(factor, tree), at: tree.at });
    return [
      { code: "division-forgotten", tree: tree.left, part: tree },
      { code: "division-halved", tree: by(2), part: tree },
      { code: "division-doubled", tree: by(0.5), part: tree },
    ];
  }
  if (tree.op !== "*") return [];
  const [factor, whole] = bare(tree.left).type === "number" ? [tree.left, tree.right] : [tree.right, tree.left];
  return [{ code: "factor-forgotten", tree: whole, part: factor }];
}

const numberTree = (value: number, { at }: Tree): Tree => ({ type: "number", value, unit: null, text: String(value), at });
