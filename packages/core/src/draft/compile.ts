import { compile, compileAs } from "../formula/compile.js";
import { FormulaError } from "../formula/error.js";
import { parseFormula, parseLineRef } from "../formula/parse.js";
import { type Evaluate, Scope, type Typed } from "../formula/scope.js";
import type { Kind } from "../quantity/kind.js";
import { MM_PER } from "../quantity/units.js";
import type { Choice, DartText, Grade, Measure, PathStep, PointStep, Setting, Statement, System, Table, Value } from "../system/model.js";
import { VERBS } from "../verb/index.js";
import type { Filled } from "../verb/verb.js";
import { compileChecks } from "./compile-checks.js";
import { compilePieces } from "./compile-pieces.js";
import { compileShapings } from "./compile-shapings.js";
import { legSteps } from "./dart-legs.js";
import { gradeRounds } from "./grade.js";
import { lineReader, pathReader, pointReader } from "./lines.js";
import type {
  Plan,
  PlannedChoice,
  PlannedDart,
  PlannedFormula,
  PlannedMeasure,
  PlannedSetting,
  PlannedStep,
  PlanProblem,
  StepStatement,
} from "./plan.js";
import { gather, gatherLine, noReferences, type References } from "./references.js";
import { SHAPES } from "./shapes/index.js";
import { lookUpIn } from "./table.js";

/** Compiles a system once, for any number of bodies. Never throws for what an author wrote: problems are listed and the rest compiles. */
export function compileSystem(system: System): Plan {
  return new Compiler(system).plan();
}

class Compiler {
  private readonly scope: Scope;
  private readonly problems: PlanProblem[] = [];
  private readonly measures: PlannedMeasure[] = [];
  private readonly settings: PlannedSetting[] = [];
  private readonly choices: PlannedChoice[] = [];
  private readonly steps: PlannedStep[] = [];
  private readonly darts: PlannedDart[] = [];
  private readonly later: (() => void)[] = [];
  private board = "M";
  private part: string | undefined;
  /** The board each point was drafted on. */
  private readonly boards = new Map<string, string>();

  constructor(private readonly system: System) {
    this.scope = new Scope(system.unit);
    for (const s of system.statements) {
      if (s.is === "point") this.scope.anywhere.add(`#${s.id}`);
      else if ("key" in s && s.is !== "board" && s.is !== "piece") this.scope.anywhere.add(s.key);
      if (s.is === "path") for (const leg of legSteps(s)) this.scope.anywhere.add(`#${leg.id}`);
    }
  }

  plan(): Plan {
    this.system.statements.forEach((statement, i) => this.statement(statement, i));
    for (const act of this.later) act();
    const report = (problem: PlanProblem): void => void this.problems.push(problem);
    const pieces = compilePieces(this.system, this.scope, this.darts, report);
    const { shapings, names, made } = compileShapings(this.system, this.scope, report);
    const { checks, sews, passes, closures, stretch } = compileChecks(this.system, this.scope, pieces, made, report);
    return {
      system: this.system,
      scope: this.scope,
      problems: this.problems,
      measures: this.measures,
      settings: this.settings,
      choices: this.choices,
      steps: this.steps,
      darts: this.darts,
      pieces,
      shapings,
      shapingNames: names,
      sews,
      checks,
      passes,
      closures,
      stretch,
    };
  }

  private statement(s: Statement, i: number): void {
    switch (s.is) {
      case "measure":
        return this.measure(s, i);
      case "set":
        return this.setting(s, i);
      case "choose":
        return this.choice(s, i);
      case "table":
        return this.table(s, i);
      case "board":
        this.board = s.key;
        return;
      case "part":
        this.part = s.title;
        return;
      case "grade":
        return this.grade(s, i);
      case "path":
        for (const leg of legSteps(s)) this.step(leg, i);
        return this.step(s, i);
      case "value":
      case "point":
        return this.step(s, i);
      default:
    }
  }

  /** Compiles a formula of a statement; a problem is noted with its part and gives undefined. */
  private formula(text: string, kind: Kind, statement: number, part: string, uses?: References): PlannedFormula | undefined {
    try {
      const tree = parseFormula(text);
      if (uses) gather(tree, uses);
      return { name: part, text, tree, kind, typed: compileAs(tree, this.scope, kind) };
    } catch (error) {
      this.note(error, statement, part);
      return undefined;
    }
  }

  private note(error: unknown, statement: number, part?: string): PlanProblem {
    if (!(error instanceof FormulaError)) throw error;
    const problem = { statement, part, at: error.at, why: error.why, mend: error.mend };
    this.problems.push(problem);
    return problem;
  }

  private twice(name: string, statement: number): void {
    this.problems.push({ statement, why: `${name} is already there.`, mend: "Give each its own name." });
  }

  /** A range end or default, which is the same for every body. */
  private fixed(text: string | undefined, kind: Kind, statement: number, part: string, otherwise: number): number {
    if (text === undefined) return otherwise;
    const planned = this.formula(text, kind, statement, part);
    if (!planned) return otherwise;
    if (planned.typed.constant !== undefined) return planned.typed.constant;
    this.problems.push({ statement, part, why: "A range is made of figures alone.", mend: "Write a figure, like 2 1/2." });
    return otherwise;
  }

  private measure(s: Measure, i: number): void {
    if (this.scope.names.has(s.key)) return this.twice(s.key, i);
    const kind: Kind = s.kind === "number" ? "number" : "length";
    const slot = this.scope.newSlot();
    this.scope.names.set(s.key, { kind, slot, what: `The measurement ${s.key}` });
    const from = this.fixed(s.from, kind, i, "from", 0);
    const to = this.fixed(s.to, kind, i, "to", Infinity);
    // Whether it is asked for may hang on a choice, which stands below the measurements.
    this.later.push(() => {
      const when = s.when === undefined ? undefined : this.formula(s.when, "yesno", i, "when")?.typed;
      const fallback = s.fallback === undefined ? undefined : this.formula(s.fallback, kind, i, "fallback");
      this.measures.push({ source: s, slot, from, to, when, fallback });
    });
  }

  private setting(s: Setting, i: number): void {
    if (this.scope.names.has(s.key)) return this.twice(s.key, i);
    const slot = this.scope.newSlot();
    const wordSlot = this.scope.newSlot();
    const words = ["", ...(s.words ?? [])];
    const defaultWord = Math.max(0, words.indexOf(s.default));
    this.scope.names.set(s.key, { kind: s.kind, slot, what: `The setting ${s.key}`, ...(s.words ? { words, wordSlot } : {}) });
    const value =
      defaultWord > 0 ? Number.NaN : s.kind === "yesno" ? Number(s.default === "yes") : this.fixed(s.default, s.kind, i, "default", 0);
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

  private choice(s: Choice, i: number): void {
    if (this.scope.names.has(s.key)) return this.twice(s.key, i);
    if (!s.options || s.options.length === 0) {
      this.problems.push({ statement: i, why: `The choice ${s.key} has no options.`, mend: 'Indent them below: nape = back_waist "Why."' });
      return;
    }
    const wordSlot = this.scope.newSlot();
    const options = s.options.map((option, k) => {
      if (option.formula === undefined) return undefined;
      try {
        const tree = parseFormula(option.formula);
        return { tree, typed: this.optionValue(tree) };
      } catch (error) {
        this.note(error, i, `options.${k}.formula`);
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

  private table(s: Table, i: number): void {
    if (this.scope.tables.has(s.key)) return this.twice(s.key, i);
    const by = this.scope.names.get(s.by);
    if (!by) {
      this.problems.push({
        statement: i,
        why: `Nothing here is called ${s.by}.`,
        mend: "A table is read by a measurement or value above it.",
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
    const by = MM_PER[this.system.unit];
    return { kind: "length", run: (f) => typed.run(f) * by };
  }

  /** Writes a grading out as points, each on the board of the point it is shifted from. */
  private grade(s: Grade, i: number): void {
    const { board, part } = this;
    for (const round of gradeRounds(s, this.system.unit)) {
      this.part = round.part;
      for (const point of round.points) {
        this.board = this.boards.get(point.args["point"] ?? "") ?? board;
        this.step(point, i);
      }
    }
    this.board = board;
    this.part = part;
  }

  private step(s: StepStatement, i: number): void {
    const uses = noReferences();
    const formulas: PlannedFormula[] = [];
    const before = this.problems.length;
    const when = s.when === undefined ? undefined : this.formula(s.when, "yesno", i, "when", uses)?.typed;
    let draw: PlannedStep["draw"];
    try {
      draw = s.is === "value" ? this.value(s, i, uses, formulas) : s.is === "point" ? this.point(s, i, uses, formulas) : this.path(s, uses);
    } catch (error) {
      this.note(error, i, s.is === "point" ? undefined : "through");
    }
    this.define(s, i);
    if (s.is === "point") this.boards.set(s.id, this.board);
    const problem = this.problems[before];
    this.steps.push({
      statement: i,
      source: s,
      target: this.targetOf(s),
      board: this.board,
      part: this.part,
      when,
      formulas,
      leansOn: { points: [...uses.points], paths: [...uses.names].filter((n) => this.scope.paths.has(n)) },
      draw: problem ? undefined : draw,
      problem,
    });
  }

  /** Makes the step's point, path or value known to what follows, even when it could not be compiled. */
  private define(s: StepStatement, i: number): void {
    if (s.is === "point") {
      if (!this.scope.points.has(s.id)) this.scope.points.set(s.id, this.scope.points.size);
      else if (!this.alternative(s)) this.twice(`#${s.id}`, i);
    } else if (s.is === "path") {
      if (!this.scope.paths.has(s.key)) this.scope.paths.set(s.key, this.scope.paths.size);
      else if (!this.alternative(s)) this.twice(s.key, i);
      this.scope.pathBoards.set(s.key, this.board);
      if (s.dart) this.dart(s, s.dart, i);
    } else if (this.scope.names.has(s.key)) this.twice(s.key, i);
    else this.scope.names.set(s.key, { kind: s.kind, slot: this.scope.newSlot(), what: `The value ${s.key}` });
  }

  private dart(s: PathStep, dart: DartText, i: number): void {
    const path = this.scope.paths.get(s.key) ?? 0;
    if (this.scope.darts.has(s.key)) return;
    this.scope.darts.set(s.key, { path, board: this.board });
    this.darts.push({
      key: s.key,
      label: s.label ?? s.key,
      path,
      board: this.board,
      pressed: dart.pressed,
      shortOf: dart.shortOf === undefined ? undefined : this.scope.points.get(dart.shortOf),
      within: dart.within === undefined ? undefined : this.formula(dart.within, "length", i, "dart.within")?.typed,
    });
    if (dart.shortOf !== undefined && !this.scope.points.has(dart.shortOf))
      this.problems.push({ statement: i, why: `There is no point #${dart.shortOf}.`, mend: "Use a point placed above." });
  }

  /** The same point or path by another rule: allowed when each rule says when it applies. */
  private alternative(s: PointStep | PathStep): boolean {
    const same = (t: StepStatement): boolean => (s.is === "point" ? t.is === "point" && t.id === s.id : t.is === "path" && t.key === s.key);
    return s.when !== undefined && this.steps.filter((t) => same(t.source)).every((t) => t.source.when !== undefined);
  }

  private targetOf(s: StepStatement): number {
    if (s.is === "value") return this.scope.names.get(s.key)?.slot ?? 0;
    return (s.is === "point" ? this.scope.points.get(s.id) : this.scope.paths.get(s.key)) ?? 0;
  }

  private value(s: Value, i: number, uses: References, formulas: PlannedFormula[]): PlannedStep["draw"] {
    const formula = this.formula(s.formula, s.kind, i, "formula", uses);
    if (!formula) return undefined;
    formulas.push(formula);
    const slot = this.scope.slotCount;
    const { run } = formula.typed;
    return (f) => void (f.slots[slot] = run(f));
  }

  private point(s: PointStep, i: number, uses: References, formulas: PlannedFormula[]): PlannedStep["draw"] {
    const verb = VERBS.get(s.verb);
    const form = verb?.forms[s.form];
    if (!verb || !form) {
      this.problems.push({
        statement: i,
        why: `“${s.verb}” is not a way of placing a point.`,
        mend: `There are: ${[...VERBS.keys()].join(", ")}.`,
      });
      return undefined;
    }
    const place = verb.prepare(s.form, this.fill(s, i, uses, formulas));
    const index = this.scope.points.get(s.id) ?? this.scope.points.size;
    return (f) => void (f.points[index] = place(f));
  }

  /** The gaps of a verb, compiled as the verb asks for them. */
  private fill(s: PointStep, i: number, uses: References, formulas: PlannedFormula[]): Filled {
    const text = (name: string): string => s.args[name] ?? "";
    const inPart = <T>(name: string, make: () => T, otherwise: T): T => {
      try {
        return make();
      } catch (error) {
        this.note(error, i, `args.${name}`);
        return otherwise;
      }
    };
    const figure = (name: string, kind: Kind): Evaluate => {
      const planned = this.formula(text(name), kind, i, `args.${name}`, uses);
      if (planned) formulas.push({ ...planned, name });
      return planned?.typed.run ?? (() => Number.NaN);
    };
    return {
      length: (name) => figure(name, "length"),
      number: (name) => figure(name, "number"),
      angle: (name) => figure(name, "angle"),
      point: (name) => {
        uses.points.add(text(name));
        return inPart(
          name,
          () => pointReader(text(name), this.scope, [0, text(name).length]),
          () => ({ x: 0, y: 0 }),
        );
      },
      line: (name) =>
        inPart(
          name,
          () => {
            const tree = parseLineRef(text(name));
            gatherLine(tree, uses);
            return lineReader(tree, this.scope);
          },
          () => ({ line: { a: { x: 0, y: 0 }, b: { x: 1, y: 0 } } }),
        ),
      path: (name) => {
        uses.names.add(text(name));
        return inPart(
          name,
          () => pathReader(text(name), this.scope, [0, text(name).length]),
          () => ({ parts: [] }),
        );
      },
    };
  }

  private path(s: PathStep, uses: References): PlannedStep["draw"] {
    const make = SHAPES[s.shape](s, this.scope, uses);
    const index = this.scope.paths.get(s.key) ?? this.scope.paths.size;
    return (f) => void (f.paths[index] = make(f));
  }
}
