import { compile } from "../formula/compile.js";
import { parseFormula } from "../formula/parse.js";
import type { Scope, Typed } from "../formula/scope.js";
import type { Kind } from "../quantity/kind.js";
import { MM_PER } from "../quantity/units.js";
import type { Choice, Measure, Setting, Table } from "../system/model.js";
import type { FormulaReader } from "./formula-reader.js";
import type { PlannedChoice, PlannedMeasure, PlannedSetting } from "./plan.js";
import { lookUpIn } from "./table.js";

/** Compiles what a system asks for: measurements, settings, choices and tables become names of its scope. */
export class InputCompiler {
  readonly measures: PlannedMeasure[] = [];
  readonly settings: PlannedSetting[] = [];
  readonly choices: PlannedChoice[] = [];
  private readonly later: (() => void)[] = [];
  private readonly scope: Scope;

  constructor(private readonly read: FormulaReader) {
    this.scope = read.scope;
  }

  /** What had to wait for the choices and values below it. */
  finish(): void {
    for (const act of this.later) act();
  }

  /** A range end or default, which is the same for every body. */
  private fixed(text: string | undefined, kind: Kind, statement: number, part: string, otherwise: number): number {
    if (text === undefined) return otherwise;
    const planned = this.read.formula(text, kind, statement, part);
    if (!planned) return otherwise;
    if (planned.typed.constant !== undefined) return planned.typed.constant;
    this.read.problems.push({ statement, part, why: "A range is made of figures alone.", fix: "Write a figure, like 2 1/2." });
    return otherwise;
  }

  measure(s: Measure, i: number): void {
    if (this.scope.names.has(s.key)) return this.read.twice(s.key, i);
    const kind: Kind = s.kind === "number" ? "number" : "length";
    const slot = this.scope.newSlot();
    this.scope.names.set(s.key, { kind, slot, what: `The measurement ${s.key}` });
    const from = this.fixed(s.from, kind, i, "from", 0);
    const to = this.fixed(s.to, kind, i, "to", Infinity);
    // Whether it is asked for may hang on a choice, which stands below the measurements.
    this.later.push(() => {
      const when = s.when === undefined ? undefined : this.read.formula(s.when, "boolean", i, "when")?.typed;
      const fallback = s.fallback === undefined ? undefined : this.read.formula(s.fallback, kind, i, "fallback");
      this.measures.push({ source: s, slot, from, to, when, fallback });
    });
  }

  setting(s: Setting, i: number): void {
    if (this.scope.names.has(s.key)) return this.read.twice(s.key, i);
    const slot = this.scope.newSlot();
    const wordSlot = this.scope.newSlot();
    const words = ["", ...(s.words ?? [])];
    const defaultWord = Math.max(0, words.indexOf(s.default));
    this.scope.names.set(s.key, { kind: s.kind, slot, what: `The setting ${s.key}`, ...(s.words ? { words, wordSlot } : {}) });
    const value =
      defaultWord > 0 ? Number.NaN : s.kind === "boolean" ? Number(s.default === "yes") : this.fixed(s.default, s.kind, i, "default", 0);
    this.settings.push({
      source: s,
      slot,
      wordSlot,
      words,
      default: value,
      defaultWord,
      from: this.fixed(s.from, s.kind, i, "from", -Infinity),
      to: this.fixed(s.to, s.kind, i, "to", Infinity),
    });
  }

  choice(s: Choice, i: number): void {
    if (this.scope.names.has(s.key)) return this.read.twice(s.key, i);
    if (!s.options || s.options.length === 0) {
      this.read.problems.push({
        statement: i,
        why: `The choice ${s.key} has no options.`,
        fix: 'Indent them below: nape = back_waist "Why."',
      });
      return;
    }
    const wordSlot = this.scope.newSlot();
    const options = s.options.map((option, k) => {
      if (option.formula === undefined) return undefined;
      try {
        const tree = parseFormula(option.formula);
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
    this.choices.push({ source: s, wordSlot });
  }

  table(s: Table, i: number): void {
    if (this.scope.tables.has(s.key)) return this.read.twice(s.key, i);
    const by = this.scope.names.get(s.by);
    if (!by) {
      this.read.problems.push({
        statement: i,
        why: `Nothing here is called ${s.by}.`,
        fix: "A table is read by a measurement or value above it.",
      });
      return;
    }
    const rows = s.rows.map((row, k) => ({
      bound: row.bound,
      at: this.fixed(row.at, by.kind, i, `rows.${k}.at`, Infinity),
      gives: this.fixed(row.gives, s.kind, i, `rows.${k}.gives`, Number.NaN),
    }));
    this.scope.tables.set(s.key, { by: by.kind, gives: s.kind, at: lookUpIn(s.mode, rows) });
  }

  /** An option's figure: bare numbers are lengths in the home unit. */
  private optionValue(tree: ReturnType<typeof parseFormula>): Typed {
    const typed = compile(tree, this.scope);
    if (typed.kind !== "bare") return typed;
    const by = MM_PER[this.scope.unit];
    return { kind: "length", run: (f) => typed.run(f) * by };
  }
}
