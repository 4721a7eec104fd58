import type { Tree } from "../../formula/tree.js";
import { inField } from "../../formula/error.js";
import { type Evaluate, Scope } from "../../formula/scope.js";
import { noReferences, type References } from "../../formula/references.js";
import type { Kind } from "../../quantity/kind.js";
import type {
  DartText,
  Grade,
  PathStep,
  Piece,
  PointStep,
  Setting,
  Statement,
  Board,
  Choice,
  Measure,
  System,
  Value,
} from "../../system/model.js";
import { referencesOf } from "../../system/references.js";
import { boardsOf } from "../../system/statements.js";
import { MOST_STATEMENTS } from "../../system/notation/read.js";
import { pointsBetween } from "../../system/notation/point-range.js";
import { VERBS } from "../../verb/index.js";
import type { Filled } from "../../verb/verb.js";
import { type Uncarried, withCarried } from "./carried.js";
import { compileChecks } from "./compile-checks.js";
import { InputCompiler } from "./compile-inputs.js";
import { compilePiece, compilePieceChange } from "./compile-pieces.js";
import { compileShaping } from "./compile-shapings.js";
import { legSteps } from "./dart-legs.js";
import { evenPoints } from "./evenly.js";
import { FormulaReader } from "./formula-reader.js";
import { levelsOf } from "./levels.js";
import { gradeRounds } from "./grade.js";
import { GraphBuilder, type NodeKind } from "../graph.js";
import type { PieceContext } from "./piece-context.js";
import type { PlannedDart, PlannedPiece } from "../../piece/blueprint.js";
import type { Plan, PlannedFormula, PlannedShaping, PlannedStep, StepStatement } from "../plan.js";
import { PATH_MAKERS } from "../paths/index.js";
import { StepReader } from "./step-reader.js";

/**
 * Compiles a system once, for any number of bodies, in the order of its statements. Never throws for what an author wrote:
 * problems are listed and the rest compiles. `trees` are formulas already parsed, by their text.
 */
export function compileSystem(system: System, trees: ReadonlyMap<string, Tree> = new Map()): Plan {
  return new Compiler(system, trees).plan();
}

class Compiler {
  private readonly scope: Scope;
  private readonly read: FormulaReader;
  private readonly inputs: InputCompiler;
  private readonly steps: PlannedStep[] = [];
  private readonly graph = new GraphBuilder();
  /** Pieces and shapings with their nodes: what they carry is known when the whole text was read. */
  private readonly pieces: Uncarried<PlannedPiece>[] = [];
  private readonly shapings: Uncarried<PlannedShaping>[] = [];
  private readonly darts: PlannedDart[] = [];
  private readonly boardsStated: readonly Board[];
  private readonly boardKeys: ReadonlySet<string>;
  private measured = 0;
  private board = "M";
  private part: string | undefined;
  /** Of each point and path, whether every rule of it so far says when it applies. */
  private readonly conditional = { point: new Map<string, boolean>(), path: new Map<string, boolean>() };
  /** The board each point was drafted on. */
  private readonly boards = new Map<string, string>();

  constructor(
    private readonly system: System,
    trees: ReadonlyMap<string, Tree>,
  ) {
    this.scope = new Scope(system.unit);
    this.read = new FormulaReader(this.scope, trees);
    this.inputs = new InputCompiler(this.read);
    this.boardsStated = boardsOf(system);
    this.boardKeys = new Set(this.boardsStated.map((b) => b.key));
    for (const s of system.statements) this.hoist(s);
    let named: ReadonlyMap<string, readonly string[]> | undefined;
    this.scope.namesBelow = (name) => {
      named ??= new Map(system.statements.flatMap((s) => (s.is === "value" ? [[s.key, referencesOf(s).map((r) => r.name)] as const] : [])));
      return named.get(name) ?? [];
    };
  }

  /** Notes what a statement will make known, to tell "later" from "never". */
  private hoist(s: Statement): void {
    const { anywhere } = this.scope;
    if (s.is === "point") anywhere.add(`#${s.id}`);
    else if (s.is === "evenly") for (const id of pointsBetween(s.first, s.last) ?? []) anywhere.add(`#${id}`);
    else if ("key" in s && s.is !== "board" && s.is !== "amend" && s.is !== "leaveOut") anywhere.add(s.key);
    if (s.is === "path") for (const leg of legSteps(s)) anywhere.add(`#${leg.id}`);
  }

  plan(): Plan {
    this.system.statements.forEach((statement, i) => this.statement(statement, i));
    this.inputs.finish((node) => this.graph.addInputs(node, this.takeReads()));
    const checks = compileChecks(this.system, this.read, this.boards, (kind, index, i) => void this.node(kind, index, i));
    const { pieces, shapings } = withCarried(this.pieces, this.shapings, this.scope, this.graph);
    return {
      system: this.system,
      scope: this.scope,
      problems: this.read.problems,
      measures: this.inputs.measures,
      settings: this.inputs.settings,
      choices: this.inputs.choices,
      steps: this.steps,
      graph: this.graph.graph(),
      pieceNodes: new Map([...this.scope.pieces].map(([key, { acts }]) => [key, acts])),
      edgesRead: this.scope.edgesByNode(),
      darts: this.darts,
      levels: levelsOf(this.system, this.steps),
      pieces,
      shapings,
      ...checks,
    };
  }

  /** What was named since it was last asked. */
  private takeReads(): References {
    const { reading } = this.scope;
    this.scope.reading = noReferences();
    return reading;
  }

  /** Adds what was just compiled to the graph, with all it named; `makes` is what others know it by. */
  private node(kind: NodeKind, index: number, statement: number, makes?: string, pieces: readonly string[] = []): number {
    const reads = this.takeReads();
    const edges = [...reads.names].flatMap((name) => (name.includes(".") ? [name.slice(0, name.indexOf("."))] : []));
    const makers = [...edges, ...pieces].flatMap((key) => this.scope.pieces.get(key)?.acts.at(-1) ?? []);
    return this.graph.add(
      kind,
      index,
      statement,
      reads,
      makes,
      makers.filter((n) => n < this.graph.next),
    );
  }

  private statement(s: Statement, i: number): void {
    this.scope.reading = noReferences();
    switch (s.is) {
      case "measure":
        return this.measure(s, i);
      case "set":
        return this.setting(s, i);
      case "choose":
        return this.choice(s, i);
      case "table":
        return this.inputs.table(s, i);
      case "piece":
        return this.piece(s, i);
      case "shape":
        return this.shaping(compileShaping(s, i, this.context()));
      case "pieceFrom":
      case "amend":
      case "leaveOut":
        return this.shaping(compilePieceChange(s, i, this.context()));
      default:
        return this.construction(s, i);
    }
  }

  /** The board that what follows lies on: a new one, or one that stands above, called by its letter or its whole name. */
  private goOnWith(s: Board, i: number): void {
    this.board = s.key;
    const first = this.boardsStated.find((b) => b.key === s.key);
    if (!first || s.title === s.key || s.title === first.title) return;
    this.read.report({
      statement: i,
      first: this.system.statements.indexOf(first),
      why: `There is a board ${s.key} already, “${first.title}”.`,
      fix: `Write board ${s.key} to go on with it, or give the new one another letter.`,
    });
  }

  private construction(s: Statement, i: number): void {
    switch (s.is) {
      case "board":
        return this.goOnWith(s, i);
      case "part":
        this.part = s.title;
        return;
      case "grade":
        return this.grade(s, i);
      case "evenly":
        for (const point of evenPoints(s)) this.step(point, i);
        return;
      case "path":
        for (const leg of legSteps(s)) this.step(leg, i);
        return this.step(s, i);
      case "value":
      case "point":
        return this.step(s, i);
      default:
    }
  }

  private piece(s: Piece, i: number): void {
    const piece = compilePiece(s, i, this.context());
    const acts = this.scope.pieces.get(s.key)?.acts;
    if (piece) this.pieces.push({ planned: piece, node: this.node("piece", this.pieces.length, i) });
    // One that could not be compiled is taken by nothing.
    else if (acts?.at(-1) === this.graph.next) acts.pop();
  }

  private measure(s: Measure, i: number): void {
    if (this.inputs.measure(s, i, this.graph.next)) this.node("measure", this.measured++, i, s.key);
  }

  private setting(s: Setting, i: number): void {
    const index = this.inputs.settings.length;
    this.inputs.setting(s, i);
    if (this.inputs.settings.length > index) this.node("setting", index, i, s.key);
  }

  private choice(s: Choice, i: number): void {
    const index = this.inputs.choices.length;
    this.inputs.choice(s, i);
    if (this.inputs.choices.length > index) this.node("choice", index, i, s.key);
  }

  private context(): PieceContext {
    return { read: this.read, scope: this.scope, darts: this.darts, boards: this.boardKeys, node: this.graph.next };
  }

  private shaping(planned: Omit<PlannedShaping, "carries">): void {
    const node = this.node("shaping", this.shapings.length, planned.statement, undefined, planned.needs);
    this.shapings.push({ planned, node });
    for (const key of new Set([...planned.needs, ...planned.makes])) this.scope.pieces.get(key)?.acts.push(node);
  }

  /** Writes a grading out as points, each on the board of the point it is shifted from. */
  private grade(s: Grade, i: number): void {
    const { board, part } = this;
    const points = (s.most + 1) * s.shifts.reduce((sum, shift) => sum + shift.points.length, 0);
    if (points > MOST_STATEMENTS)
      return this.read.report({
        statement: i,
        field: "most",
        why: `So many steps of grading would draw ${points} points; ${MOST_STATEMENTS} are the most.`,
        fix: "Grade by fewer steps, or fewer points.",
      });
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
    this.scope.reading = noReferences();
    const formulas: PlannedFormula[] = [];
    const before = this.read.problems.length;
    const when = s.when === undefined ? undefined : this.read.formula(s.when, "boolean", i, "when")?.typed;
    let draw: PlannedStep["draw"];
    try {
      draw = s.is === "value" ? this.value(s, i, formulas) : s.is === "point" ? this.point(s, i, formulas) : this.path(s);
    } catch (error) {
      this.read.note(error, i, s.is === "path" ? "through" : undefined);
    }
    const { points, names } = this.scope.reading;
    const node = this.node("step", this.steps.length, i, s.is === "point" ? `#${s.id}` : s.key);
    this.define(s, i);
    if (s.is === "point") this.boards.set(s.id, this.board);
    const problem = this.read.problems[before];
    this.steps.push({
      statement: i,
      source: s,
      makes: s.is,
      target: this.targetOf(s),
      board: this.board,
      heading: this.part,
      when,
      formulas,
      lays: laidOff(s, formulas),
      dependsOn: { points: [...points], paths: [...names].filter((n) => this.scope.paths.has(n)) },
      draw: problem ? undefined : draw,
      problem,
      node,
    });
  }

  /** Makes the step's point, path or value known to what follows, even when it could not be compiled. */
  private define(s: StepStatement, i: number): void {
    if (s.is === "point") {
      if (!this.scope.points.has(s.id)) this.scope.points.set(s.id, this.scope.points.size);
      this.claimRule(`#${s.id}`, s, i, "id");
    } else if (s.is === "path") {
      if (!this.scope.paths.has(s.key)) this.scope.newPath(s.key);
      if (s.open !== undefined) this.scope.endless.add(s.key);
      this.claimRule(s.key, s, i, "key", "path");
      this.scope.pathBoards.set(s.key, this.board);
      if (s.dart) this.dart(s, s.dart, i);
    } else if (this.read.claim(s.key, i))
      this.scope.names.set(s.key, { kind: s.kind, slot: this.scope.newSlot(), what: `The value ${s.key}` });
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
      this.read.report({
        statement: i,
        field: "dart.shortOf",
        why: `There is no point #${dart.shortOf}.`,
        fix: "Use a point placed above.",
      });
  }

  /** The same point or path by another rule is allowed when each rule says when it applies. */
  private claimRule(name: string, s: PointStep | PathStep, i: number, field: string, space: "point" | "path" = "point"): void {
    const known = this.conditional[space];
    const each = known.get(name);
    const conditional = s.when !== undefined;
    if (each !== true || !conditional) this.read.claim(name, i, field, space);
    known.set(name, (each ?? true) && conditional);
  }

  private targetOf(s: StepStatement): number {
    if (s.is === "value") return this.scope.names.get(s.key)?.slot ?? 0;
    return (s.is === "point" ? this.scope.points.get(s.id) : this.scope.paths.get(s.key)) ?? 0;
  }

  private value(s: Value, i: number, formulas: PlannedFormula[]): PlannedStep["draw"] {
    this.scope.making = this.scope.names.has(s.key) ? undefined : s.key;
    const formula = this.read.formula(s.formula, s.kind, i, "formula");
    this.scope.making = undefined;
    if (!formula) return undefined;
    formulas.push(formula);
    const slot = this.scope.slotCount;
    const { run } = formula.typed;
    return (f) => void (f.slots[slot] = run(f));
  }

  private point(s: PointStep, i: number, formulas: PlannedFormula[]): PlannedStep["draw"] {
    const verb = VERBS.get(s.verb);
    const form = verb?.forms[s.form];
    if (!verb || !form) {
      this.read.report({
        statement: i,
        field: "verb",
        why: `“${s.verb}” is not a way of placing a point.`,
        fix: `There are: ${[...VERBS.keys()].join(", ")}.`,
      });
      return undefined;
    }
    this.scope.making = this.scope.points.has(s.id) ? undefined : `#${s.id}`;
    const place = verb.prepare(s.form, this.fill(s, i, formulas));
    this.scope.making = undefined;
    const index = this.scope.points.get(s.id) ?? this.scope.points.size;
    return (f) => void (f.points[index] = place(f));
  }

  /** The gaps of a verb, compiled as the verb asks for them; a gap that is wrong is told, and the others are looked at all the same. */
  private fill(s: PointStep, i: number, formulas: PlannedFormula[]): Filled {
    const reader = new StepReader(this.scope, this.read.parse);
    const text = (name: string): string => s.args[name] ?? "";
    const orElse = <T>(make: () => T, otherwise: T): T => {
      try {
        return make();
      } catch (error) {
        this.read.note(error, i);
        return otherwise;
      }
    };
    const figure = (name: string, kind: Kind): Evaluate => {
      const planned = this.read.formula(text(name), kind, i, `args.${name}`);
      if (planned) formulas.push({ ...planned, name });
      return planned?.typed.run ?? (() => Number.NaN);
    };
    return {
      length: (name) => figure(name, "length"),
      number: (name) => figure(name, "number"),
      angle: (name) => figure(name, "angle"),
      point: (name) =>
        orElse(
          () => reader.point(text(name), `args.${name}`),
          () => ({ x: 0, y: 0 }),
        ),
      line: (name) =>
        orElse(
          () => reader.line(text(name), `args.${name}`),
          () => ({ line: { a: { x: 0, y: 0 }, b: { x: 1, y: 0 } } }),
        ),
      path: (name) =>
        orElse(
          () => reader.path(text(name), `args.${name}`),
          () => ({ segments: [] }),
        ),
    };
  }

  private path(s: PathStep): PlannedStep["draw"] {
    const make = inField("through", () => PATH_MAKERS[s.type](s, new StepReader(this.scope, this.read.parse)));
    const index = this.scope.paths.get(s.key) ?? this.scope.pathCount;
    return (f) => void (f.paths[index] = make(f));
  }
}

const NONE: readonly PlannedFormula[] = [];

function laidOff(s: StepStatement, formulas: readonly PlannedFormula[]): readonly PlannedFormula[] {
  const lays = s.is === "point" ? VERBS.get(s.verb)?.lays : undefined;
  // A figure that is the same for every body and more than nothing needs no second look on each.
  return lays ? formulas.filter((f) => lays.includes(f.name) && !((f.typed.constant ?? -1) >= 0)) : NONE;
}
