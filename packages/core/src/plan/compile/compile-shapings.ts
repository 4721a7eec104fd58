import { compileAs } from "../../formula/compile.js";
import { pathIndex, pointIndex } from "../../formula/look-up.js";
import { FormulaError } from "../../formula/error.js";
import { noReferences, type References } from "../../formula/references.js";
import type { Kind } from "../../quantity/kind.js";
import { SHAPINGS } from "../../shaping/index.js";
import type { ShapeStep } from "../../system/model.js";
import type { FormParameter } from "../../verb/form.js";
import { pieceEntry } from "./compile-pieces.js";
import { fieldNoter } from "./note-field.js";
import type { PieceContext } from "./piece-context.js";
import type { PlannedFormula, PlannedShaping, PlanProblem } from "../plan.js";

/** Compiles a shaping. It may name the pieces that stand above it, drawn or made by a shaping. */
export function compileShaping(source: ShapeStep, statement: number, context: PieceContext): Omit<PlannedShaping, "carries"> {
  const problems: PlanProblem[] = [];
  const planned = compiled(source, statement, context, (p) => problems.push(p));
  problems.forEach((p) => context.read.report(p));
  return { ...planned, apply: problems.length > 0 ? undefined : planned.apply, problem: problems[0] };
}

type Compiled = Omit<PlannedShaping, "problem" | "carries">;

function compiled(source: ShapeStep, statement: number, context: PieceContext, note: (p: PlanProblem) => void): Compiled {
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

function take({ type, name: parameter }: FormParameter, text: string, context: PieceContext, taken: Taken): void {
  const { scope } = context;
  const point = (id: string): void => {
    pointIndex(id, scope, [0, text.length]);
    taken.named.points.add(id);
  };
  const path = (key: string): void => {
    pathIndex(key, scope, [0, text.length]);
    taken.named.names.add(key);
  };
  if (type === "point") point(text);
  else if (type === "path") {
    if (!scope.paths.has(text)) throw new FormulaError(`No line and no dart is called ${text}.`, "Draw it above first.", [0, text.length]);
    path(text);
  } else if (type === "names")
    listOf(text)
      .filter((id) => scope.points.has(id))
      .forEach(point);
  else if (type === "paths") listOf(text).forEach(path);
  else if (type === "piece" && MADE.has(parameter)) madePiece(text, parameter, context, taken);
  else if (type === "piece" || type === "edge") {
    const [key = ""] = text.split(".");
    pieceEntry(key, context).settled = false;
    if (!taken.needs.includes(key)) taken.needs.push(key);
  }
}

/** A piece the shaping makes. A split may keep the name of the piece it cuts, and goes on with it. */
function madePiece(key: string, parameter: string, { scope, read }: PieceContext, { needs, makes, statement }: Taken): void {
  if (!needs.includes(key)) read.claim(key, statement, `args.${parameter}`, "piece");
  makes.push(key);
  scope.pieces.set(key, { roles: new Set(), settled: false, acts: scope.pieces.get(key)?.acts ?? [] });
}

/** Names joined by commas or `and`. */
const listOf = (text: string): string[] => text.split(/\s*,\s*|\s+and\s+/).map((name) => name.replace(/^#/, ""));
