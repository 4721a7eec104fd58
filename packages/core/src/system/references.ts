import { isPointText } from "../formula/point-id.js";
import { CLOSED_WIDTH } from "../formula/compile.js";
import { FormulaError } from "../formula/error.js";
import { functionFor } from "../formula/functions.js";
import { parseFormula, parseLineRef } from "../formula/parse.js";
import type { LineTree, Span, Tree } from "../formula/tree.js";
import { VERBS } from "../verb/index.js";
import type { Form, ParameterType } from "../verb/form.js";
import type { Statement } from "./model.js";
import { SHAPING_FORMS } from "./shaping-forms.js";

/** What a name stands for: names of figures are measurements, settings, choices and values. */
export type NameKind = "point" | "path" | "name" | "table" | "piece" | "edge" | "board";

/**
 * A name that a statement uses or defines: in which field of it (`args.from`, `edges.0.along.1.path` …) and where in that
 * field’s text. Points are named without their `#`.
 */
export interface Reference {
  readonly kind: NameKind;
  readonly name: string;
  readonly field: string;
  readonly at: Span;
}

/** Everything a statement names, in the order of its fields. Formulas that cannot be read name nothing. */
export function referencesOf(statement: Statement): Reference[] {
  const found: Reference[] = [];
  const gather = new Gatherer(found);
  gather.statement(statement);
  return found;
}

/** Fields that hold sentences for people. */
const SENTENCES = new Set(["text", "about", "suits", "why", "watch", "caution", "cause", "note", "lesson"]);

/** Points that a statement's sentences speak of, as `#12` or `F12`. Saying a number is not standing on it. */
export function mentionsOf(statement: Statement): Reference[] {
  return Object.entries(statement).flatMap(([key, value]: [string, unknown]) =>
    SENTENCES.has(key)
      ? (Array.isArray(value) ? value : [value]).flatMap((text: unknown, i) =>
          typeof text === "string" ? mentionsIn(text, Array.isArray(value) ? `${key}.${i}` : key) : [],
        )
      : [],
  );
}

function mentionsIn(text: string, field: string): Reference[] {
  return [...text.matchAll(/(?<![\w.])(?:#(\d+[a-z]*\d*)|([A-Z]\d+[a-z]*\d*))(?![\w])/g)].map((match) => {
    const name = match[1] ?? match[2] ?? "";
    const from = match.index + (match[1] === undefined ? 0 : 1);
    return { kind: "point", name, field, at: [from, from + name.length] };
  });
}

/** What a statement makes known under a name. */
export function definitionsOf(statement: Statement): Reference[] {
  const named = (kind: NameKind, name: string, field: string): Reference => ({ kind, name, field, at: [0, name.length] });
  switch (statement.is) {
    case "measure":
    case "set":
    case "choose":
    case "value":
      return [named("name", statement.key, "key")];
    case "table":
      return [named("table", statement.key, "key")];
    case "point":
      return [named("point", statement.id, "id")];
    case "path":
      return [named("path", statement.key, "key")];
    case "board":
      return [named("board", statement.key, "key")];
    case "piece":
      return [
        named("piece", statement.key, "key"),
        ...(statement.edges ?? []).map((e, i) => named("edge", `${statement.key}.${e.role}`, `edges.${i}.role`)),
      ];
    case "pieceFrom":
      return [named("piece", statement.key, "key")];
    case "shape":
      return ["first", "second", "name"].flatMap((slot) => {
        const name = statement.args[slot];
        return name !== undefined && /^[A-Z]\w*$/.test(name) ? [named("piece", name, `args.${slot}`)] : [];
      });
    default:
      return [];
  }
}

/** The fields of statements that hold a name or a text with names in it, by what stands in them. A star stands for any place of a list. */
const FIELDS: Readonly<Record<string, "formula" | "line" | "direction" | NameKind>> = {
  fallback: "formula",
  when: "formula",
  default: "formula",
  formula: "formula",
  got: "formula",
  expected: "formula",
  upper: "formula",
  within: "formula",
  garment: "formula",
  body: "formula",
  stretches: "formula",
  reads: "formula",
  eased: "formula",
  open: "line",
  radius: "formula",
  fullness: "formula",
  asLongAs: "formula",
  "options.*.formula": "formula",
  "room.above": "formula",
  "room.beyond": "formula",
  "room.below": "formula",
  "room.aside": "formula",
  by: "name",
  through: "point",
  "through.*": "point",
  about: "point",
  leaving: "direction",
  arriving: "direction",
  "passing.*.at": "point",
  "passing.*.direction": "direction",
  of: "path",
  mirroredIn: "line",
  "moved.out": "formula",
  "moved.down": "formula",
  "turned.about": "point",
  "turned.by": "formula",
  "offset.by": "formula",
  "blend.first": "path",
  "blend.second": "path",
  "blend.before": "formula",
  "blend.after": "formula",
  "dart.legs.*": "point",
  "dart.at": "point",
  "dart.intake": "formula",
  "dart.to.*": "point",
  "dart.shortOf": "point",
  "dart.within": "formula",
  "dart.legsAlong": "path",
  "along.*.point": "point",
  "along.*.path": "path",
  "along.*.from": "point",
  "along.*.to": "point",
  "edges.*.along.*.point": "point",
  "edges.*.along.*.path": "path",
  "edges.*.along.*.from": "point",
  "edges.*.along.*.to": "point",
  "edges.*.allow": "formula",
  "inside.*.along.*.point": "point",
  "inside.*.along.*.path": "path",
  "inside.*.along.*.from": "point",
  "inside.*.along.*.to": "point",
  grain: "line",
  grainTurned: "formula",
  "levels.*.line": "line",
  "darts.*": "path",
  "notches.*.at": "point",
  "notches.*.by": "formula",
  "notches.*.from": "point",
  "notches.*.after": "formula",
  "marks.*.at.*": "point",
  "marks.*.length": "formula",
  "strip.width": "formula",
  "pleats.*.depth": "formula",
  "allowances.*.allow": "formula",
  "shifts.*.points.*": "point",
  "shifts.*.moves.*.by": "formula",
  from: "point",
  to: "point",
  at: "point",
  "first.*": "edge",
  "second.*": "edge",
  board: "board",
};

/** Fields that mean something else under some statements. */
const EXCEPT: Readonly<Record<string, Readonly<Record<string, "formula" | NameKind | undefined>>>> = {
  measure: { from: "formula", to: "formula" },
  set: { from: "formula", to: "formula" },
  pieceFrom: { of: "piece" },
  amend: { key: "piece" },
  leaveOut: { key: "piece" },
  uses: {},
};

class Gatherer {
  constructor(private readonly found: Reference[]) {}

  statement(statement: Statement): void {
    if (statement.is === "unread") return;
    if (statement.is === "point" || statement.is === "shape") this.args(statement);
    const except = EXCEPT[statement.is] ?? {};
    this.walk(statement, "", (path, text) => {
      const shape = path.replace(/\.\d+(?=\.|$)/g, ".*");
      const field = shape in except ? except[shape] : FIELDS[shape];
      if (field !== undefined && !(statement.is === "point" && path.startsWith("args"))) this.field(field, text, path);
    });
  }

  private walk(value: object, path: string, visit: (path: string, text: string) => void): void {
    for (const [key, field] of Object.entries(value) as [string, unknown][]) {
      const name = path === "" ? key : `${path}.${key}`;
      if (typeof field === "string") visit(name, field);
      else if (typeof field === "object" && field !== null && key !== "args") this.walk(field, name, visit);
    }
  }

  /** The gaps of a verb or shaping, by what may stand in them. */
  private args(statement: Statement & { is: "point" | "shape" }): void {
    const verbs: ReadonlyMap<string, { readonly forms: readonly Form[] }> = statement.is === "point" ? VERBS : SHAPING_FORMS;
    for (const { name, type } of verbs.get(statement.verb)?.forms[statement.form]?.parameters ?? []) {
      const text = statement.args[name] ?? "";
      const made = statement.is === "shape" && type === "piece" && (name === "first" || name === "second" || name === "name");
      if (!made) this.parameter(type, text, `args.${name}`);
    }
  }

  private parameter(type: ParameterType, text: string, field: string): void {
    if (type === "length" || type === "number" || type === "angle") this.field("formula", text, field);
    else if (type === "names" || type === "paths") this.list(text, field);
    else this.field(type, text, field);
  }

  /** Names joined by commas or `and`: points by their `#` or capital, lines otherwise. */
  private list(text: string, field: string): void {
    for (const match of text.matchAll(/#?[A-Za-z_][A-Za-z0-9_']*|#[0-9]+\w*/g)) {
      if (match[0] === "and") continue;
      const name = match[0].replace(/^#/, "");
      const from = match.index + (match[0].length - name.length);
      this.add(isPointText(match[0]) ? "point" : "path", name, field, [from, from + name.length]);
    }
  }

  private field(kind: "formula" | "line" | "direction" | NameKind, text: string, field: string): void {
    if (kind === "formula") this.formula(text, field);
    else if (kind === "line") this.line(text, field, 0);
    else if (kind === "direction") this.direction(text, field);
    else if (kind === "path" && text.includes(".")) this.add("edge", text, field, [0, text.length]);
    else this.add(kind, text, field, [0, text.length]);
  }

  private add(kind: NameKind, name: string, field: string, at: Span): void {
    this.found.push({ kind, name, field, at });
  }

  private formula(text: string, field: string): void {
    const tree = readable(() => parseFormula(text));
    if (tree) this.tree(tree, text, field, "name");
  }

  private tree(tree: Tree, text: string, field: string, as: "name" | "path"): void {
    switch (tree.type) {
      case "name":
        return this.add(tree.name.includes(".") ? "edge" : as, tree.name, field, tree.at);
      case "point": {
        const typed = text.slice(...tree.at).trimEnd();
        const from = tree.at[0] + (typed.startsWith("#") ? 1 : 0);
        return this.add("point", tree.id, field, [from, from + tree.id.length]);
      }
      case "unary":
        return this.tree(tree.arg, text, field, "name");
      case "bracket":
        return this.tree(tree.inner, text, field, as);
      case "binary":
        this.tree(tree.left, text, field, "name");
        return this.tree(tree.right, text, field, "name");
      case "compare":
        return tree.items.forEach((item, i) => {
          // The right side of a comparison may be a word of the left side's own list, which is no name.
          if (i === 0 || item.type !== "name") this.tree(item, text, field, "name");
          else this.add("name", item.name, field, item.at);
        });
      case "call":
        return this.call(tree, text, field);
      default:
    }
  }

  private call(tree: Tree & { type: "call" }, text: string, field: string): void {
    const fn = functionFor(tree.fn, tree.args.length);
    if (!fn && tree.fn !== "if" && tree.fn !== CLOSED_WIDTH) this.add("table", tree.fn, field, [tree.at[0], tree.at[0] + tree.fn.length]);
    tree.args.forEach((arg, i) => {
      const parameter = fn?.parameters[Math.min(i, fn.parameters.length - 1)];
      this.tree(arg, text, field, parameter === "path" || tree.fn === CLOSED_WIDTH ? "path" : "name");
    });
  }

  private direction(text: string, field: string): void {
    const lead = /^(?:square\s+to|along|at)\s+/.exec(text)?.[0];
    if (lead === undefined) return;
    if (!lead.startsWith("at")) return this.line(text.slice(lead.length), field, lead.length);
    const tree = readable(() => parseFormula(text.slice(lead.length)));
    if (tree) this.shifted(tree, text.slice(lead.length), field, lead.length);
  }

  /** A formula that begins `offset` letters into its part. */
  private shifted(tree: Tree, text: string, field: string, offset: number): void {
    const before = this.found.length;
    this.tree(tree, text, field, "name");
    for (let i = before; i < this.found.length; i++) {
      const r = this.found[i] as Reference;
      this.found[i] = { ...r, at: [r.at[0] + offset, r.at[1] + offset] };
    }
  }

  /** A line named by its points or its name, `offset` letters into the part. */
  private line(text: string, field: string, offset: number): void {
    const line = readable(() => parseLineRef(text));
    if (!line) return;
    const find = (name: string, after: number): Span => {
      const from = text.indexOf(name, Math.max(0, after - offset));
      return [from + offset, from + name.length + offset];
    };
    for (const [kind, name, span] of lineNames(line, find)) this.add(kind, name, field, span);
    if (line.type === "parallel") {
      this.shifted(line.by, text, field, offset);
    }
  }
}

function lineNames(line: LineTree, find: (name: string, after: number) => Span): [NameKind, string, Span][] {
  if (line.type === "named") return [[line.name.includes(".") ? "edge" : "path", line.name, find(line.name, 0)]];
  if (line.type === "ray") return [["point", line.from, find(line.from, 0)]];
  const first = find(line.a, 0);
  return [
    ["point", line.a, first],
    ["point", line.b, find(line.b, first[1])],
  ];
}

function readable<T>(read: () => T): T | undefined {
  try {
    return read();
  } catch (error) {
    if (error instanceof FormulaError) return undefined;
    throw error;
  }
}
