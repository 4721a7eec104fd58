import { compileAs } from "../formula/compile.js";
import { FormulaError } from "../formula/error.js";
import { sayRule } from "../formula/say.js";
import type { Evaluate, Environment } from "../formula/scope.js";
import type { Tree } from "../formula/tree.js";
import { unfold } from "../formula/unfold.js";
import type { Plan, PlannedFormula } from "../plan/plan.js";
import type { SlipCode } from "./codes.js";
import { treeSlips, type TreeSlip } from "./tree-slips.js";

/** A rule worked out wrongly: by which slip, in words, and what it then comes to. */
export interface RuleSlip {
  readonly code: SlipCode;
  /** The part of the rule, and what stood in its place. */
  readonly place: string;
  readonly says: string;
  readonly run: Evaluate;
}

/** So many names of its sort on either side in the handout may be taken for a measurement or a setting. */
const NEIGHBOURS = 6;

/** The ways a rule may be worked out wrongly on one body. */
export function ruleSlips(plan: Plan, environment: Environment, { tree, kind, typed }: PlannedFormula): RuleSlip[] {
  const { scope } = plan;
  const counts = resolved(tree, plan, environment);
  const right = typed.run(environment);
  const whole = sayRule(counts, scope, environment).said;
  const said = (part: Tree): string => sayRule(part, scope, environment).said;
  return treeSlips(counts, (name) => takenFor(name, plan)).flatMap((slip): RuleSlip[] => {
    const run = compiled(slip.tree, plan, kind);
    if (!run) return [];
    const wrong = run(environment);
    if (!Number.isFinite(wrong) || Math.abs(wrong - right) < 1e-6) return [];
    const code = slip.code === "other-measurement" && !isMeasure(slip.part, plan) ? "other-setting" : slip.code;
    const says =
      slip.minus !== undefined
        ? `${said(slip.part)} was ${slip.minus ? "added where it is taken away" : "taken away where it is added"} in ${whole}`
        : (SAYS[slip.code]?.(said(slip.part), whole, slip.instead === undefined ? "" : said(slip.instead)) ?? "");
    return [{ code, place: [...slip.part.at, slip.instead?.type === "name" ? slip.instead.name : ""].join(" "), says, run }];
  });
}

/** The rule with the branches and options this body takes, all the way down. */
function resolved(given: Tree, plan: Plan, environment: Environment): Tree {
  const tree = given.type === "bracket" ? given : unfold(given, plan.scope, environment);
  const inside = (part: Tree): Tree => resolved(part, plan, environment);
  switch (tree.type) {
    case "bracket":
      return { ...tree, inner: inside(tree.inner) };
    case "unary":
      return { ...tree, arg: inside(tree.arg) };
    case "binary":
      return { ...tree, left: inside(tree.left), right: inside(tree.right) };
    case "call":
      return { ...tree, args: tree.args.map(inside) };
    default:
      return tree;
  }
}

function compiled(tree: Tree, { scope }: Plan, kind: PlannedFormula["kind"]): Evaluate | undefined {
  try {
    return compileAs(tree, scope, kind).run;
  } catch (error) {
    if (error instanceof FormulaError) return undefined;
    throw error;
  }
}

const isMeasure = (part: Tree, { measures }: Plan): boolean => part.type === "name" && measures.some((m) => m.key === part.name);

/** The names that stand near one in the handout and hold the same kind of figure. */
function takenFor(name: string, { measures, settings, scope }: Plan): string[] {
  const kind = scope.names.get(name)?.kind;
  const list = measures.some((m) => m.key === name) ? measures : settings;
  const alike = list.filter((m) => scope.names.get(m.key)?.kind === kind).map((m) => m.key);
  const at = alike.indexOf(name);
  return at < 0 ? [] : alike.slice(Math.max(0, at - NEIGHBOURS), at + NEIGHBOURS + 1).filter((other) => other !== name);
}

type Says = (part: string, whole: string, instead: string) => string;

const SAYS: Readonly<Partial<Record<TreeSlip["code"], Says>>> = {
  "term-left-out": (part, whole) => `${part} was left out of ${whole}`,
  "term-twice": (part, whole) => `${part} was taken twice in ${whole}`,
  "ease-forgotten": (part, whole) => `the ease, ${part}, was forgotten in ${whole}`,
  "ease-twice": (part, whole) => `the ease, ${part}, was counted twice in ${whole}`,
  "allowance-forgotten": (part, whole) => `the allowance, ${part}, was forgotten in ${whole}`,
  "allowance-twice": (part, whole) => `the allowance, ${part}, was counted twice in ${whole}`,
  "intake-forgotten": (part, whole) => `what is taken in, ${part}, was forgotten in ${whole}`,
  "intake-twice": (part, whole) => `what is taken in, ${part}, was counted twice in ${whole}`,
  "division-forgotten": (part) => `the division was forgotten in ${part}`,
  "division-halved": (part) => `it was divided by half as much in ${part}: twice the figure`,
  "division-doubled": (part) => `it was divided by twice as much in ${part}: half the figure`,
  "factor-forgotten": (part, whole) => `${part} was forgotten in ${whole}`,
  "order-of-sums": (part) => `it was added before dividing, or divided before adding, in ${part}`,
  "other-measurement": (part, whole, instead) => `${instead} was taken in place of ${part} in ${whole}`,
};
