import { compile } from "../../formula/compile.js";
import type { Scope, Typed } from "../../formula/scope.js";
import type { Tree } from "../../formula/tree.js";
import type { Kind } from "../../quantity/kind.js";
import { MM_PER } from "../../quantity/units.js";
import type { Choice, Measure, Setting, Table } from "../../system/model.js";
import type { FormulaReader } from "./formula-reader.js";
import type { PlannedChoice, PlannedMeasure, PlannedSetting } from "../plan.js";
import { rowsRefused } from "./refuse-rows.js";
import { lookUpIn, type TableRow } from "./table.js";

/** What a table gives above a row that says it is not made for such figures. */
const NOTHING = "nothing";

/** Compiles what a system asks for: measurements, settings, choices and tables become names of its scope. */
export class InputCompiler {
  readonly measures: PlannedMeasure[] = [];
  readonly settings: PlannedSetting[] = [];
  readonly choices: PlannedChoice[] = [];
  private readonly later: { readonly node: number; readonly compile: () => void }[] = [];
  private readonly scope: Scope;

  constructor(private readonly read: FormulaReader) {
    this.scope = read.scope;
  }

  /** What had to wait for the choices and values below it; `done` is told each node once it is compiled. */
  finish(done: (node: number) => void): void {
    for (const { node, compile } of this.later) {
      compile();
      done(node);
    }
  }

  /** A range end or a figure of a table, which is the same for every body. */
  private fixed(text: string | undefined, kind: Kind, statement: number, field: string, otherwise: number): number {
    if (text === undefined) return otherwise;
    const planned = this.read.formula(text, kind, statement, field);
    if (!planned) return otherwise;
    if (planned.typed.constant !== undefined) return planned.typed.constant;
    this.read.report({ statement, field, why: "This must be the same for every body.", fix: "Write a figure, like 2 1/2." });
    return otherwise;
  }

  private range(s: { from?: string | undefined; to?: string | undefined }, kind: Kind, i: number): { from: number; to: number } {
    const from = this.fixed(s.from, kind, i, "from", -Infinity);
    const to = this.fixed(s.to, kind, i, "to", Infinity);
    if (from > to)
      this.read.report({
        statement: i,
        field: "from",
        why: `The range is upside down: ${s.from} is more than ${s.to}.`,
        fix: "Write the smaller figure first.",
      });
    return { from, to };
  }

  /** False when the name is taken. `node` is its place in the graph. */
  measure(s: Measure, i: number, node: number): boolean {
    if (!this.read.claim(s.key, i)) return false;
    const kind: Kind = s.kind === "number" ? "number" : "length";
    const slot = this.scope.newSlot();
    this.scope.names.set(s.key, { kind, slot, what: `The measurement ${s.key}` });
    const range = this.range(s, kind, i);
    // Whether it is asked for may hang on a choice, which stands below the measurements.
    const compile = (): void => {
      const when = s.when === undefined ? undefined : this.read.formula(s.when, "boolean", i, "when")?.typed;
      const fallback = s.fallback === undefined ? undefined : this.read.formula(s.fallback, kind, i, "fallback");
      this.measures.push({ source: s, key: s.key, slot, ...range, when, fallback });
    };
    this.later.push({ node, compile });
    return true;
  }

  setting(s: Setting, i: number): void {
    if (!this.read.claim(s.key, i)) return;
    const slot = this.scope.newSlot();
    const wordSlot = this.scope.newSlot();
    const words = ["", ...(s.words ?? [])];
    const defaultWord = Math.max(0, words.indexOf(s.default));
    const given = this.defaultOf(s, i, defaultWord);
    const range = this.range(s, s.kind, i);
    const { value } = given;
    if (value < range.from - 1e-9 || value > range.to + 1e-9)
      this.read.report({
        statement: i,
        field: "default",
        why: `The default ${s.default} lies outside its range, ${s.from ?? ""} to ${s.to ?? ""}.`,
        fix: "Change one of the two.",
      });
    const bare = s.kind === "length" && /^[0-9]+$/.test(s.default) ? s.default : undefined;
    this.scope.names.set(s.key, { kind: s.kind, slot, what: `The setting ${s.key}`, bare, ...(s.words ? { words, wordSlot } : {}) });
    this.settings.push({ source: s, key: s.key, slot, wordSlot, words, default: value, defaultRule: given.rule, defaultWord, ...range });
  }

  /** The default of a setting: one figure, or a rule to be worked out with each body; not a number where a word stands. */
  private defaultOf(s: Setting, i: number, word: number): { value: number; rule: Typed | undefined } {
    if (word > 0) return { value: Number.NaN, rule: undefined };
    if (s.kind === "boolean") {
      if (s.default !== "yes" && s.default !== "no")
        this.read.report({ statement: i, field: "default", why: `“${s.default}” is neither yes nor no.`, fix: "Write yes or no." });
      return { value: Number(s.default === "yes"), rule: undefined };
    }
    const planned = this.read.formula(s.default, s.kind, i, "default");
    const constant = planned?.typed.constant;
    return { value: constant ?? Number.NaN, rule: planned && constant === undefined ? planned.typed : undefined };
  }

  choice(s: Choice, i: number): void {
    if (!this.read.claim(s.key, i)) return;
    if (!s.options || s.options.length === 0) {
      this.read.report({ statement: i, why: `The choice ${s.key} has no options.`, fix: 'Indent them below: nape = back_waist "Why."' });
      return;
    }
    s.options.forEach((option, k) => {
      if (s.options.findIndex((o) => o.name === option.name) < k)
        this.read.report({
          statement: i,
          field: `options.${k}`,
          why: `The option ${option.name} is there twice.`,
          fix: "Give each its own name.",
        });
    });
    const wordSlot = this.scope.newSlot();
    const options = s.options.map((option, k) => {
      if (option.formula === undefined) return undefined;
      try {
        const tree = this.read.parse(option.formula);
        return { tree, typed: this.optionValue(tree) };
      } catch (error) {
        this.read.note(error, i, `options.${k}.formula`);
        return undefined;
      }
    });
    const kind = options.find((o) => o)?.typed.kind ?? "choice";
    this.scope.names.set(s.key, {
      kind,
      slot: wordSlot,
      what: `The choice ${s.key}`,
      words: s.options.map((o) => o.name),
      wordSlot,
      options: kind === "choice" ? undefined : options,
    });
    this.choices.push({ source: s, key: s.key, wordSlot });
  }

  table(s: Table, i: number): void {
    if (!this.read.claim(s.key, i, "key", "table")) return;
    const by = this.scope.names.get(s.by);
    if (!by) {
      this.read.report({
        statement: i,
        field: "by",
        why: this.scope.anywhere.has(s.by) ? `${s.by} stands further below.` : `Nothing here is called ${s.by}.`,
        fix: "A table is read by a measurement or value above it.",
      });
      return;
    }
    const rows = s.rows.map((row, k): TableRow => ({
      bound: row.bound,
      at: this.fixed(row.at, by.kind, i, `rows.${k}.at`, Infinity),
      gives: row.gives === NOTHING ? Number.NaN : this.fixed(row.gives, s.kind, i, `rows.${k}.gives`, Number.NaN),
    }));
    for (const { row, why, fix } of rowsRefused(s, rows)) this.read.report({ statement: i, field: `rows.${row}.at`, why, fix });
    this.scope.tableMeasures.set(s.key, s.by);
    this.scope.tables.set(s.key, { by: by.kind, gives: s.kind, at: lookUpIn(s.mode, rows) });
  }

  /** An option's figure: bare numbers are lengths in the home unit. */
  private optionValue(tree: Tree): Typed {
    const typed = compile(tree, this.scope);
    if (typed.kind !== "bare") return typed;
    const by = MM_PER[this.scope.unit];
    return { kind: "length", run: (f) => typed.run(f) * by };
  }
}
