import type { Frame, Scope, Typed } from "../formula/scope.js";
import type { Span, Tree } from "../formula/tree.js";
import type { Kind } from "../quantity/kind.js";
import type { NamedDart } from "../piece/dart-result.js";
import type { Shape } from "../shaping/shaping.js";
import type { Check, Choice, Measure, Passes, PathStep, Piece, PointStep, Setting, ShapeStep, System, Value } from "../system/model.js";

/** Something wrong in a system before any body is drafted: in which statement, which part of it, and where in that part's text. */
export interface PlanProblem {
  readonly statement: number;
  readonly part?: string | undefined;
  readonly at?: Span | undefined;
  readonly why: string;
  readonly fix: string;
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
  /** Where its result goes: a slot for a value, the index of its point or of its path. */
  readonly target: number;
  readonly board: string;
  /** Heading the step stands under. */
  readonly part: string | undefined;
  readonly when: Typed | undefined;
  readonly formulas: readonly PlannedFormula[];
  /** Points and paths the step reads. */
  readonly dependsOn: { readonly points: readonly string[]; readonly paths: readonly string[] };
  /** Draws the step into the frame. Undefined when the step could not be compiled; `problem` then says why. */
  readonly draw: ((frame: Frame) => void) | undefined;
  readonly problem: PlanProblem | undefined;
}

/** A measurement, with its slot and its plausible range (mm or plain). */
export interface PlannedMeasure {
  readonly source: Measure;
  readonly slot: number;
  readonly from: number;
  readonly to: number;
  readonly when: Typed | undefined;
  readonly fallback: { readonly typed: Typed; readonly tree: Tree } | undefined;
}

/** A setting, with its slot, default and range (mm, radians, plain, or 0/1). */
export interface PlannedSetting {
  readonly source: Setting;
  readonly slot: number;
  readonly wordSlot: number;
  readonly words: readonly string[];
  readonly default: number;
  readonly defaultWord: number;
  readonly from: number;
  readonly to: number;
}

export interface PlannedChoice {
  readonly source: Choice;
  readonly wordSlot: number;
}

export interface PlannedEdge {
  readonly role: string;
  readonly items: readonly (
    | { readonly point: number }
    /** `between`: only the part from the first of these points to the second. */
    /** A dart in the edge: the edge runs over its mouth. */
    | { readonly dart: PlannedDart; readonly reversed: boolean }
    | { readonly path: number; readonly between: readonly [number, number] | undefined; readonly reversed: boolean }
  )[];
  readonly allow: Typed | undefined;
  readonly finish: "seam" | "fold" | "finished";
  readonly corner: "mitre" | "square" | "mirrored";
  readonly pointed: boolean;
  /** Index in the frame's paths under which the finished edge is known to checks. */
  readonly pathIndex: number;
}

/** A dart, with the index of its path. */
export interface PlannedDart extends NamedDart {
  readonly path: number;
  readonly board: string;
  /** The point of the body it stops short of, by index. */
  readonly shortOf: number | undefined;
  readonly within: Typed | undefined;
}

export interface PlannedPiece {
  readonly statement: number;
  readonly source: Piece;
  readonly when: Typed | undefined;
  readonly edges: readonly PlannedEdge[];
  readonly grain: readonly [number, number] | undefined;
  /** Its darts, those in its edges first. */
  readonly darts: readonly PlannedDart[];
  readonly inside: readonly { readonly label: string; readonly items: PlannedEdge["items"] }[];
  readonly levels: readonly { readonly label: string; readonly ends: readonly [number, number] }[];
  /** At a point, or so far (mm) along one of its edges, by its place among them. */
  readonly notches: readonly ({ readonly id: string; readonly marks: number } & (
    { readonly point: number } | { readonly edge: number; readonly along: Typed }
  ))[];
}

/** A shaping, compiled. `shape` is undefined when it could not be; `problem` then says why. */
export interface PlannedShaping {
  readonly statement: number;
  readonly source: ShapeStep;
  readonly when: Typed | undefined;
  readonly formulas: readonly PlannedFormula[];
  readonly shape: Shape | undefined;
  readonly problem: PlanProblem | undefined;
}

export interface PlannedCheck {
  readonly source: Check;
  /** Edges its formulas name, as Piece.role. */
  readonly edges: readonly string[];
  readonly when: Typed | undefined;
  readonly kind: Kind;
  readonly got: Typed;
  readonly expected: Typed | undefined;
  readonly upper: Typed | undefined;
  readonly within: Typed | undefined;
}

/** An opening or girth of the garment that must pass over a girth of the body, mm. */
export interface PlannedPass {
  readonly source: Passes;
  readonly when: Typed | undefined;
  readonly garment: Typed;
  readonly body: Typed;
  readonly edges: readonly string[];
}

export interface PlannedSew {
  readonly first: { readonly piece: string; readonly role: string };
  readonly second: { readonly piece: string; readonly role: string };
  readonly within: Typed | undefined;
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
  readonly darts: readonly PlannedDart[];
  /** The level lines of each board that has some, by the index of their path. */
  readonly levels: readonly {
    readonly board: string;
    readonly title: string;
    readonly lines: readonly { readonly label: string; readonly path: number }[];
  }[];
  readonly pieces: readonly PlannedPiece[];
  readonly shapings: readonly PlannedShaping[];
  /** Points and lines the shapings name, by their index: the pieces carry them. */
  readonly shapingNames: { readonly points: ReadonlyMap<string, number>; readonly paths: ReadonlyMap<string, number> };
  readonly sews: readonly PlannedSew[];
  readonly checks: readonly PlannedCheck[];
  readonly passes: readonly PlannedPass[];
  /** When the garment has an opening to be put on by: one condition a closure, undefined for one that is always there. */
  readonly closures: readonly (Typed | undefined)[];
  /** How far the cloth stretches, as a share. */
  readonly stretch: Typed | undefined;
}
