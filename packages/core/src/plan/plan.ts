import type { References } from "../formula/references.js";
import type { EdgeVersion, Environment, Scope, Typed } from "../formula/scope.js";
import type { Span, Tree } from "../formula/tree.js";
import type { Kind } from "../quantity/kind.js";
import type { CarriedNames, PlannedDart, PlannedPiece } from "../piece/blueprint.js";
import type { Graph } from "./graph.js";
import type { Shape } from "../shaping/shaping.js";
import type {
  Amend,
  Check,
  Choice,
  Control,
  Measure,
  Passes,
  LeaveOut,
  PathStep,
  PieceFrom,
  PointStep,
  Setting,
  ShapeStep,
  System,
  Value,
} from "../system/model.js";

/** Something wrong in a system before any body is drafted: in which statement, which part of it, and where in that field’s text. */
export interface PlanProblem {
  readonly statement: number;
  readonly field?: string | undefined;
  readonly at?: Span | undefined;
  readonly why: string;
  readonly fix: string;
  /** What to put in that place instead, where it can be told. */
  readonly put?: string | undefined;
  /** The statement that has the name already. */
  readonly first?: number | undefined;
}

/** A control measurement its author named. */
export interface PlannedControl {
  readonly statement: number;
  readonly source: Control;
  readonly reads: Typed;
}

/** A formula of a step, kept with its text so that it can be explained. */
export interface PlannedFormula {
  readonly name: string;
  readonly text: string;
  readonly tree: Tree;
  readonly kind: Kind;
  readonly typed: Typed;
}

export type StepStatement = Value | PointStep | PathStep;

/** A value, point or path in the order of drafting, compiled. */
export interface PlannedStep {
  readonly statement: number;
  readonly source: StepStatement;
  readonly makes: StepStatement["is"];
  /** Where its result goes: a slot for a value, the index of its point or of its path. */
  readonly target: number;
  readonly board: string;
  /** Heading the step stands under. */
  readonly heading: string | undefined;
  readonly when: Typed | undefined;
  readonly formulas: readonly PlannedFormula[];
  /** Points and paths its rules name. */
  readonly dependsOn: { readonly points: readonly string[]; readonly paths: readonly string[] };
  /** Those of its formulas that are laid off the way the verb says: less than nothing is doubted. */
  readonly lays: readonly PlannedFormula[];
  /** Draws the step into the environment. Undefined when the step could not be compiled; `problem` then says why. */
  readonly draw: ((environment: Environment) => void) | undefined;
  readonly problem: PlanProblem | undefined;
  /** Its place in the graph. */
  readonly node: number;
}

/** A measurement, with its slot and its plausible range (mm or plain). */
export interface PlannedMeasure {
  readonly source: Measure;
  readonly key: string;
  readonly slot: number;
  readonly from: number;
  readonly to: number;
  readonly when: Typed | undefined;
  readonly fallback: { readonly typed: Typed; readonly tree: Tree } | undefined;
}

/** A setting, with its slot, default and range (mm, radians, plain, or 0/1). */
export interface PlannedSetting {
  readonly source: Setting;
  readonly key: string;
  readonly slot: number;
  readonly wordSlot: number;
  readonly words: readonly string[];
  /** The default, when it is the same for every body; else it is worked out with each. */
  readonly default: number;
  readonly defaultRule: Typed | undefined;
  readonly defaultWord: number;
  readonly from: number;
  readonly to: number;
}

export interface PlannedChoice {
  readonly source: Choice;
  readonly key: string;
  readonly wordSlot: number;
}

/** A shaping, compiled. `apply` is undefined when it could not be; `problem` then says why. */
export interface PlannedShaping {
  readonly statement: number;
  readonly source: ShapeStep | PieceFrom | Amend | LeaveOut;
  readonly when: Typed | undefined;
  readonly formulas: readonly PlannedFormula[];
  /** The pieces it is done to, and those it makes, by name. */
  readonly needs: readonly string[];
  readonly makes: readonly string[];
  /** The points and lines it names on them. */
  readonly named: References;
  /** Of those, and of what later shaping names, what is drawn by now: its pieces carry it from here on. */
  readonly carries: CarriedNames;
  readonly apply: Shape | undefined;
  readonly problem: PlanProblem | undefined;
}

export interface PlannedCheck {
  readonly statement: number;
  readonly source: Check;
  readonly at: PlannedPlace | undefined;
  /** Edges its formulas name, as Piece.role. */
  readonly edges: readonly string[];
  readonly when: Typed | undefined;
  readonly kind: Kind;
  /** The condition, for a check that is one. */
  readonly holds: Typed | undefined;
  readonly relation: CheckRelation;
  /** For a condition: the bound itself counts as well. */
  readonly orEqual: boolean;
  readonly got: Typed;
  readonly expected: Typed | undefined;
  readonly upper: Typed | undefined;
  readonly within: Typed | undefined;
}

/** How the figures of a check stand to each other; a condition that compares no figures just holds. */
export type CheckRelation = "equal" | "between" | "at least" | "at most" | "holds";

/** A point a check is about, and the board it lies on. */
export interface PlannedPlace {
  readonly point: number;
  readonly board: string | undefined;
}

/** An opening or girth of the garment that must pass over a girth of the body, mm. */
export interface PlannedPass {
  readonly statement: number;
  readonly source: Passes;
  readonly at: PlannedPlace | undefined;
  readonly when: Typed | undefined;
  readonly garment: Typed;
  readonly body: Typed;
  /** The names its girth is worked out from. */
  readonly over: ReadonlySet<string>;
  readonly edges: readonly string[];
}

/** Edges that are sewn to each other, by their names; on either side one, or several in the order they are sewn. */
export interface PlannedSew {
  readonly statement: number;
  readonly first: readonly string[];
  readonly second: readonly string[];
  /** How much longer the first side is. */
  readonly eased: Typed | undefined;
  readonly within: Typed | undefined;
  /** Notches on both sides, so far from where the first begins. */
  readonly notches: readonly { readonly after: Typed; readonly ticks: number }[];
}

export interface PlannedLevels {
  readonly board: string;
  readonly title: string;
  readonly waist: readonly number[];
  readonly others: readonly number[];
}

/** A system compiled: everything a run needs, independent of any body. */
export interface Plan {
  readonly system: System;
  readonly scope: Scope;
  readonly problems: readonly PlanProblem[];
  readonly measures: readonly PlannedMeasure[];
  readonly settings: readonly PlannedSetting[];
  readonly choices: readonly PlannedChoice[];
  readonly steps: readonly PlannedStep[];
  /** What everything is worked out from. */
  readonly graph: Graph;
  /** Of each piece by name, the nodes that take, make and shape it, in order. */
  readonly pieceNodes: ReadonlyMap<string, readonly number[]>;
  /** Of each node that takes, makes or shapes pieces, the edges of theirs that something reads. */
  readonly edgesRead: ReadonlyMap<number, readonly EdgeVersion[]>;
  readonly darts: readonly PlannedDart[];
  /** Of each board with a waist and another level of the body: those level lines, by the index of their path. */
  readonly levels: readonly PlannedLevels[];
  readonly pieces: readonly PlannedPiece[];
  readonly shapings: readonly PlannedShaping[];
  readonly sews: readonly PlannedSew[];
  /** The edges that are sewn or checked, each once, and the pieces they are of. */
  readonly edgesNamed: readonly { readonly name: string; readonly piece: string }[];
  readonly controls: readonly PlannedControl[];
  readonly checks: readonly PlannedCheck[];
  readonly passes: readonly PlannedPass[];
  /** When the garment has an opening to be put on by: one condition a closure, undefined for one that is always there. */
  readonly closures: readonly (Typed | undefined)[];
  /** How far the cloth stretches, as a share. */
  readonly stretch: Typed | undefined;
}
