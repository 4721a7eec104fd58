import { compileAs, pointIndex } from "../formula/compile.js";
import { FormulaError } from "../formula/error.js";
import { parseFormula } from "../formula/parse.js";
import type { Scope } from "../formula/scope.js";
import type { Kind } from "../quantity/kind.js";
import { SHAPINGS } from "../shaping/index.js";
import type { ShapeStep, System } from "../system/model.js";
import type { Slot } from "../verb/form.js";
import { partNoter } from "./note-part.js";
import type { Plan, PlannedDart, PlannedFormula, PlannedShaping, PlanProblem } from "./plan.js";

type Report = (problem: PlanProblem) => void;

/** The shapings of a system compiled, the points and lines they name, and the pieces they make. */
export interface CompiledShapings {
  readonly shapings: PlannedShaping[];
  readonly names: Plan["shapingNames"];
  readonly made: ReadonlySet<string>;
}

/** Compiles the shapings. A shaping may name the pieces drawn and those made by a shaping above it. */
export function compileShapings(system: System, scope: Scope, darts: readonly PlannedDart[], report: Report): CompiledShapings {
  const known = new Set(system.statements.flatMap((s) => (s.is === "piece" ? [s.key] : [])));
  const names = { points: new Map<string, number>(), paths: new Map<string, number>() };
  const made = new Set<string>();
  const shapings: PlannedShaping[] = [];
  system.statements.forEach((source, statement) => {
    if (source.is !== "shape") return;
    const problems: PlanProblem[] = [];
    const planned = compileShaping(source, statement, { scope, darts, known, names, made, note: (p) => problems.push(p) });
    problems.forEach(report);
    shapings.push({ ...planned, shape: problems.length > 0 ? undefined : planned.shape, problem: problems[0] });
  });
  return { shapings, names, made };
}

interface Around {
  readonly scope: Scope;
  readonly darts: readonly PlannedDart[];
  readonly known: Set<string>;
  readonly names: { readonly points: Map<string, number>; readonly paths: Map<string, number> };
  readonly made: Set<string>;
  readonly note: Report;
}

function compileShaping(source: ShapeStep, statement: number, around: Around): Omit<PlannedShaping, "problem"> {
  const shaping = SHAPINGS.get(source.verb);
  const form = shaping?.forms[source.form];
  const formulas: PlannedFormula[] = [];
  const base = { statement, source, formulas, when: undefined, shape: undefined };
  if (!shaping || !form) {
    around.note({
      statement,
      why: `“${source.verb}” is not a way of shaping pieces.`,
      fix: `There are: ${[...SHAPINGS.keys()].join(", ")}.`,
    });
    return base;
  }
  const part = partNoter(statement, around.note);
  for (const slot of form.slots) part(`args.${slot.name}`, () => take(slot, source.args[slot.name] ?? "", around));
  const figure = (name: string, kind: Kind): ((f: Parameters<PlannedFormula["typed"]["run"]>[0]) => number) => {
    const text = source.args[name] ?? "";
    const tree = part(`args.${name}`, () => parseFormula(text));
    const typed = tree && part(`args.${name}`, () => compileAs(tree, around.scope, kind));
    if (!tree || !typed) return () => Number.NaN;
    formulas.push({ name, text, tree, kind, typed });
    return typed.run;
  };
  const when =
    source.when === undefined ? undefined : part("when", () => compileAs(parseFormula(source.when ?? ""), around.scope, "boolean"));
  const shape = shaping.prepare(source.form, {
    length: (name) => figure(name, "length"),
    number: (name) => figure(name, "number"),
    name: (name) => source.args[name] ?? "",
    dart: (name) => around.darts.find((d) => d.key === source.args[name]),
  });
  return { ...base, when, shape };
}

/** Names that stand for a piece the shaping makes, not for one it is given. */
const MADE = new Set(["first", "second", "name"]);

function take(slot: Slot, text: string, { scope, known, names, made }: Around): void {
  if (slot.type === "point") names.points.set(text, pointIndex(text, scope, [0, text.length]));
  if (slot.type === "path") {
    const index = scope.paths.get(text);
    if (index === undefined) throw new FormulaError(`No line and no dart is called ${text}.`, "Draw it above first.", [0, text.length]);
    names.paths.set(text, index);
  }
  if (slot.type === "piece" && MADE.has(slot.name)) {
    known.add(text);
    made.add(text);
  } else if (slot.type === "piece" || slot.type === "edge") {
    const [key = ""] = text.split(".");
    if (!known.has(key))
      throw new FormulaError(`There is no piece ${key}.`, "Name a piece taken off the board or made by a shaping above.", [0, key.length]);
  }
}
