import { parseLineRef } from "../formula/parse.js";
import { type Evaluate, Scope } from "../formula/scope.js";
import type { Kind } from "../quantity/kind.js";
import {
  type DartText,
  type Grade,
  type PathStep,
  type PointStep,
  type Statement,
  statementsOf,
  type System,
  type Value,
} from "../system/model.js";
import { VERBS } from "../verb/index.js";
import type { Filled } from "../verb/verb.js";
import { InputCompiler } from "./compile-inputs.js";
import { compileChecks } from "./compile-checks.js";
import { compilePieces } from "./compile-pieces.js";
import { compileShapings } from "./compile-shapings.js";
import { legSteps } from "./dart-legs.js";
import { FormulaReader } from "./formula-reader.js";
import { gradeRounds } from "./grade.js";
import { lineReader, pathReader, pointReader } from "./lines.js";
import type { Plan, PlannedDart, PlannedFormula, PlannedStep, PlanProblem, StepStatement } from "./plan.js";
import { gatherLine, noReferences, type References } from "./references.js";
import { SHAPES } from "./shapes/index.js";

/** Compiles a system once, for any number of bodies. Never throws for what an author wrote: problems are listed and the rest compiles. */
export function compileSystem(system: System): Plan {
  return new Compiler(system).plan();
}

class Compiler {
  private readonly scope: Scope;
  private readonly read: FormulaReader;
  private readonly asked: InputCompiler;
  private readonly steps: PlannedStep[] = [];
  private readonly darts: PlannedDart[] = [];
  private board = "M";
  private part: string | undefined;
  /** The board each point was drafted on. */
  private readonly boards = new Map<string, string>();

  constructor(private readonly system: System) {
    this.scope = new Scope(system.unit);
    this.read = new FormulaReader(this.scope);
    this.asked = new InputCompiler(this.read);
    for (const s of system.statements) {
      if (s.is === "point") this.scope.anywhere.add(`#${s.id}`);
      else if ("key" in s && s.is !== "board" && s.is !== "piece") this.scope.anywhere.add(s.key);
      if (s.is === "path") for (const leg of legSteps(s)) this.scope.anywhere.add(`#${leg.id}`);
    }
  }

  plan(): Plan {
    this.system.statements.forEach((statement, i) => this.statement(statement, i));
    this.asked.finish();
    const report = (problem: PlanProblem): void => void this.read.problems.push(problem);
    const pieces = compilePieces(this.system, this.scope, this.darts, report);
    const { shapings, names, made } = compileShapings(this.system, this.scope, this.darts, report);
    const { checks, sews, passes, closures, stretch } = compileChecks(this.system, this.scope, pieces, made, report);
    return {
      system: this.system,
      scope: this.scope,
      problems: this.read.problems,
      measures: this.asked.measures,
      settings: this.asked.settings,
      choices: this.asked.choices,
      steps: this.steps,
      darts: this.darts,
      levels: levelsOf(this.system, this.steps),
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
        return this.asked.measure(s, i);
      case "set":
        return this.asked.setting(s, i);
      case "choose":
        return this.asked.choice(s, i);
      case "table":
        return this.asked.table(s, i);
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
    const before = this.read.problems.length;
    const when = s.when === undefined ? undefined : this.read.formula(s.when, "boolean", i, "when", uses)?.typed;
    let draw: PlannedStep["draw"];
    try {
      draw = s.is === "value" ? this.value(s, i, uses, formulas) : s.is === "point" ? this.point(s, i, uses, formulas) : this.path(s, uses);
    } catch (error) {
      this.read.note(error, i, s.is === "point" ? undefined : "through");
    }
    this.define(s, i);
    if (s.is === "point") this.boards.set(s.id, this.board);
    const problem = this.read.problems[before];
    this.steps.push({
      statement: i,
      source: s,
      target: this.targetOf(s),
      board: this.board,
      part: this.part,
      when,
      formulas,
      dependsOn: { points: [...uses.points], paths: [...uses.names].filter((n) => this.scope.paths.has(n)) },
      draw: problem ? undefined : draw,
      problem,
    });
  }

  /** Makes the step's point, path or value known to what follows, even when it could not be compiled. */
  private define(s: StepStatement, i: number): void {
    if (s.is === "point") {
      if (!this.scope.points.has(s.id)) this.scope.points.set(s.id, this.scope.points.size);
      else if (!this.alternative(s)) this.read.twice(`#${s.id}`, i);
    } else if (s.is === "path") {
      if (!this.scope.paths.has(s.key)) this.scope.paths.set(s.key, this.scope.paths.size);
      else if (!this.alternative(s)) this.read.twice(s.key, i);
      this.scope.pathBoards.set(s.key, this.board);
      if (s.dart) this.dart(s, s.dart, i);
    } else if (this.scope.names.has(s.key)) this.read.twice(s.key, i);
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
      within: dart.within === undefined ? undefined : this.read.formula(dart.within, "length", i, "dart.within")?.typed,
    });
    if (dart.shortOf !== undefined && !this.scope.points.has(dart.shortOf))
      this.read.problems.push({ statement: i, why: `There is no point #${dart.shortOf}.`, fix: "Use a point placed above." });
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
    const formula = this.read.formula(s.formula, s.kind, i, "formula", uses);
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
      this.read.problems.push({
        statement: i,
        why: `“${s.verb}” is not a way of placing a point.`,
        fix: `There are: ${[...VERBS.keys()].join(", ")}.`,
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
        this.read.note(error, i, `args.${name}`);
        return otherwise;
      }
    };
    const figure = (name: string, kind: Kind): Evaluate => {
      const planned = this.read.formula(text(name), kind, i, `args.${name}`, uses);
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

/** The level lines of each board. */
function levelsOf(system: System, steps: readonly PlannedStep[]): Plan["levels"] {
  return statementsOf(system, "board").flatMap(({ key, title }) => {
    const lines = steps.flatMap(({ source, target, board }) =>
      source.is === "path" && source.shape === "level" && board === key ? [{ label: source.label ?? source.key, path: target }] : [],
    );
    return lines.length > 0 ? [{ board: key, title, lines }] : [];
  });
}
