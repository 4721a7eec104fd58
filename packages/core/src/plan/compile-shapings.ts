import { compileAs } from "../formula/compile.js";
import { pathIndex, pointIndex } from "../formula/look-up.js";
import { FormulaError } from "../formula/error.js";
import { noReferences, type References } from "../formula/references.js";
import type { Kind } from "../quantity/kind.js";
import { SHAPINGS } from "../shaping/index.js";
import type { ShapeStep } from "../system/model.js";
import type { FormParameter } from "../verb/form.js";
import { pieceEntry } from "./compile-pieces.js";
import { fieldNoter } from "./note-field.js";
import type { PieceContext } from "./piece-context.js";
import type { PlannedFormula, PlannedShaping, PlanProblem } from "./plan.js";

/** Compiles a shaping. It may name the pieces that stand above it, drawn or made by a shaping. */
export function compileShaping(source: ShapeStep, statement: number, context: PieceContext): Omit<PlannedShaping, "carries"> {
  const problems: PlanProblem[] = [];
  const planned = compiled(source, statement, context, (p) => problems.push(p));
  problems.forEach((p) => context.read.report(p));
  return { ...planned, apply: problems.length > 0 ? undefined : planned.apply, problem: problems[0] };
}

type Compiled = Omit<PlannedShaping, "problem" | "carries">;

function compiled(
  source: ShapeStep,
  statement: number,
  context: PieceContext,
  note: (p: PlanProblem) => void,
): Compiled {
  const { read, scope, darts } = context;
  const shaping = SHAPINGS.get(source.verb);
  const form = shaping?.forms[source.form];
  const formulas: PlannedFormula[] = [];
  const needs: string[] = [];
  const makes: string[] = [];
  const named = noReferences();
  const base = { statement, source, formulas, needs, makes, named, when: undefined, apply: undefined };
  if (!shaping || !form) {
    note({
      statement,
      field: "verb",
      why: `“${source.verb}” is not a way of shaping pieces.`,
      fix: `There are: ${[...SHAPINGS.keys()].join(", ")}.`,
    });
    return base;
  }
  const field = fieldNoter(statement, note);
  for (const parameter of form.parameters)
    field(`args.${parameter.name}`, () => take(parameter, source.args[parameter.name] ?? "", context, { needs, makes, named, statement }));
  const figure = (name: string, kind: Kind): ((f: Parameters<PlannedFormula["typed"]["run"]>[0]) => number) => {
    const text = source.args[name] ?? "";
    const tree = field(`args.${name}`, () => read.parse(text));
    const typed = tree && field(`args.${name}`, () => compileAs(tree, scope, kind));
    if (!tree || !typed) return () => Number.NaN;
    formulas.push({ name, text, tree, kind, typed });
    return typed.run;
  };
  const when = source.when === undefined ? undefined : field("when", () => compileAs(read.parse(source.when ?? ""), scope, "boolean"));
  const apply = shaping.prepare(source.form, {
    length: (name) => figure(name, "length"),
    number: (name) => figure(name, "number"),
    name: (name) => source.args[name] ?? "",
    names: (name) => listOf(source.args[name] ?? ""),
    dart: (name) => darts.find((d) => d.key === source.args[name]),
  });
  return { ...base, when, apply };
}

/** Names that stand for a piece the shaping makes, not for one it is given. */
const MADE = new Set(["first", "second", "name"]);

interface Taken {
  readonly needs: string[];
  readonly makes: string[];
  readonly named: References;
  readonly statement: number;
}

function take(parameter: FormParameter, text: string, context: PieceContext, { needs, makes, named, statement }: Taken): void {
  const { scope, read } = context;
  const point = (id: string): void => {
    pointIndex(id, scope, [0, text.length]);
    named.points.add(id);
  };
  const path = (key: string): void => {
    pathIndex(key, scope, [0, text.length]);
    named.names.add(key);
  };
  if (parameter.type === "point") point(text);
  if (parameter.type === "path") {
    if (!scope.paths.has(text)) throw new FormulaError(`No line and no dart is called ${text}.`, "Draw it above first.", [0, text.length]);
    path(text);
  }
  if (parameter.type === "names")
    for (const id of listOf(text)) if (scope.points.has(id)) point(id);
  if (parameter.type === "paths") listOf(text).forEach(path);
  if (parameter.type === "piece" && MADE.has(parameter.name)) {
    // A split may keep the name of the piece it cuts.
    if (!needs.includes(text)) read.claim(text, statement, `args.${parameter.name}`, "piece");
    makes.push(text);
    // One that keeps the name of the piece it is cut from goes on with it.
    scope.pieces.set(text, { roles: new Set(), settled: false, acts: scope.pieces.get(text)?.acts ?? [] });
  } else if (parameter.type === "piece" || parameter.type === "edge") {
    const [key = ""] = text.split(".");
    pieceEntry(key, context).settled = false;
    if (!needs.includes(key)) needs.push(key);
  }
}

/** Names joined by commas or `and`. */
export const listOf = (text: string): string[] => text.split(/\s*,\s*|\s+and\s+/).map((name) => name.replace(/^#/, ""));
