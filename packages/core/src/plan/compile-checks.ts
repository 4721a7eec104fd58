import { coerce, compile, compileAs, pathIndex } from "../formula/compile.js";
import { FormulaError } from "../formula/error.js";
import { parseFormula } from "../formula/parse.js";
import type { Scope, Typed } from "../formula/scope.js";
import type { Tree } from "../formula/tree.js";
import type { Kind } from "../quantity/kind.js";
import type { Check, Passes, Sew, System } from "../system/model.js";
import type { Plan, PlannedCheck, PlannedPass, PlannedPiece, PlannedSew, PlanProblem } from "./plan.js";

type Report = (problem: PlanProblem) => void;

/** Compiles the checks and the pairs of edges that are sewn together. */
export function compileChecks(
  system: System,
  scope: Scope,
  pieces: readonly PlannedPiece[],
  shaped: ReadonlySet<string>,
  report: Report,
): Pick<Plan, "checks" | "sews" | "passes" | "closures" | "stretch"> {
  const checks: PlannedCheck[] = [];
  const sews: PlannedSew[] = [];
  const passes: PlannedPass[] = [];
  const closures: (Typed | undefined)[] = [];
  let stretch: Typed | undefined;
  const known = new Set(pieces.map((p) => p.source.key));
  nameShapedEdges(system, scope, shaped);
  system.statements.forEach((statement, i) => {
    try {
      if (statement.is === "check") checks.push(compileCheck(statement, scope));
      else if (statement.is === "sew") sews.push(compileSew(statement, scope, known, shaped));
      else if (statement.is === "passes") passes.push(compilePass(statement, scope));
      else if (statement.is === "closes") closures.push(conditionOf(statement.when, scope));
      else if (statement.is === "cloth") stretch = compileAs(parseFormula(statement.stretches), scope, "number");
    } catch (error) {
      if (!(error instanceof FormulaError)) throw error;
      report({ statement: i, part: PART[statement.is as keyof typeof PART], at: error.at, why: error.why, fix: error.fix });
    }
  });
  return { checks, sews, passes, closures, stretch };
}

/** Which edges a piece has that is made by shaping is known only when it is made: those that checks name are given a place. */
function nameShapedEdges(system: System, scope: Scope, shaped: ReadonlySet<string>): void {
  const texts = system.statements.flatMap((s) => (s.is === "check" ? [s.got, s.expected, s.upper] : s.is === "passes" ? [s.garment] : []));
  for (const name of texts.flatMap((text) => edgesIn(text ?? "")))
    if (shaped.has(name.slice(0, name.indexOf("."))) && !scope.paths.has(name)) scope.paths.set(name, scope.paths.size);
}

const conditionOf = (when: string | undefined, scope: Scope): Typed | undefined =>
  when === undefined ? undefined : compileAs(parseFormula(when), scope, "boolean");

/** The part of a statement whose formula is looked at first. */
const PART = { check: "got", sew: "got", passes: "garment", closes: "when", cloth: "stretches" } as const;

function compilePass(source: Passes, scope: Scope): PlannedPass {
  return {
    source,
    when: conditionOf(source.when, scope),
    garment: compileAs(parseFormula(source.garment), scope, "length"),
    body: compileAs(parseFormula(source.body), scope, "length"),
    edges: edgesIn(source.garment),
  };
}

function compileCheck(source: Check, scope: Scope): PlannedCheck {
  const when = conditionOf(source.when, scope);
  if (source.test === "holds") {
    return {
      source,
      edges: edgesNamed(source),
      when,
      kind: "boolean",
      got: compileAs(parseFormula(source.got), scope, "boolean"),
      expected: undefined,
      upper: undefined,
      within: undefined,
    };
  }
  const trees = [source.got, source.expected, source.upper].map((text) => (text === undefined ? undefined : parseFormula(text)));
  const kind = sharedKind(trees, scope);
  const [got, expected, upper] = trees.map((tree) => tree && coerce(compile(tree, scope), kind, tree, scope)) as [
    Typed,
    Typed | undefined,
    Typed | undefined,
  ];
  const within = source.within === undefined ? undefined : compileAs(parseFormula(source.within), scope, kind);
  return { source, edges: edgesNamed(source), when, kind, got, expected, upper, within };
}

const edgesNamed = (check: Check): string[] => [check.got, check.expected].flatMap((text) => edgesIn(text ?? ""));
const edgesIn = (text: string): string[] => text.match(/[A-Z]\w*\.[a-z_]\w*/g) ?? [];

/** The kind of the sides that is not bare: lengths are compared with lengths. */
function sharedKind(trees: readonly (Tree | undefined)[], scope: Scope): Kind {
  for (const tree of trees) {
    const kind = tree && compile(tree, scope).kind;
    if (kind && kind !== "bare") return kind;
  }
  return "number";
}

function compileSew(source: Sew, scope: Scope, known: ReadonlySet<string>, shaped: ReadonlySet<string>): PlannedSew {
  const side = (name: string): PlannedSew["first"] => {
    const [piece = "", role = ""] = name.split(".");
    // Which edges a piece has that is made by shaping is known only when it is made.
    if (shaped.has(piece)) return { piece, role };
    if (!known.has(piece)) throw new FormulaError(`There is no piece ${piece}.`, "Name a piece drawn above.", [0, name.length]);
    pathIndex(name, scope, [0, name.length]);
    return { piece, role };
  };
  return {
    first: side(source.first),
    second: side(source.second),
    within: source.within === undefined ? undefined : compileAs(parseFormula(source.within), scope, "length"),
  };
}
