import type { Path } from "../geometry/path/path.js";
import type { Point } from "../geometry/point.js";
import type { Kind } from "../quantity/kind.js";
import type { HomeUnit } from "../quantity/units.js";
import { noReferences, type References } from "./references.js";
import type { Tree } from "./tree.js";

/** What a formula reads while it runs: numbers by slot (mm, radians, plain), points and paths by index. */
export interface Environment {
  readonly slots: number[];
  readonly points: (Point | undefined)[];
  readonly paths: (Path | undefined)[];
}

/** The first slot holds 1. */
export const ONE_SLOT = 0;

export type Evaluate = (environment: Environment) => number;

/** A formula part compiled: its kind, its closure, and its value when that is the same for every body. */
export interface Typed {
  readonly kind: Kind;
  readonly run: Evaluate;
  readonly constant?: number | undefined;
  /** What it sums up when it is a sum of names, each times or over a figure, and a figure. */
  readonly sum?: Sum | undefined;
}

/** A sum that is worked out straight from the slots, without a call a part: nearly every formula of a draft is one. */
export interface Sum {
  readonly terms: readonly Term[];
  readonly plus: number;
}

/** `slot * by / over`, and over another slot where a name divides it, over the slot of one where none does. */
export interface Term {
  readonly slot: number;
  readonly by: number;
  readonly over: number;
  readonly divisor: number;
}

/** A name a formula may use. */
export interface NameEntry {
  readonly kind: Kind;
  readonly slot: number;
  /** What it is called in a message: "the measurement chest". */
  readonly what: string;
  /** The bare figure a length was given without saying so: it may have been meant for a count. */
  readonly bare?: string | undefined;
  /** Words the name may hold besides a number (a choice's options, "auto"), by their index in `wordSlot`. */
  readonly words?: readonly string[] | undefined;
  readonly wordSlot?: number | undefined;
  /** A choice's value by option: the formula and its compiled form; undefined for an option that only decides. */
  readonly options?: readonly ({ tree: Tree; typed: Typed } | undefined)[] | undefined;
}

/** A piece as far as it is known before any body is drafted. */
export interface PieceEntry {
  /** The roles of its edges. */
  readonly roles: Set<string>;
  /** False once it has been shaped, or is made by shaping: which edges it then has is known when it is made. */
  settled: boolean;
  /** What took it off the board, made or shaped it so far: nodes of the graph. */
  readonly acts: number[];
}

/** An edge of a piece as one node leaves it, with the index of its path: no node changes what another made. */
export interface EdgeVersion {
  readonly name: string;
  readonly piece: string;
  /** The node of the graph that took, made or shaped its piece. */
  readonly act: number;
  /** With its darts closed, or as it is cut, over their mouths. */
  readonly as: "sewn" | "cut";
  readonly path: number;
}

/** The names known at a place in a system, and those that stand further below. */
export class Scope {
  readonly names = new Map<string, NameEntry>();
  readonly points = new Map<string, number>();
  readonly paths = new Map<string, number>();
  /** Every edge of a piece that something reads, in each version that is read. */
  readonly edges = new Map<string, EdgeVersion>();
  /** The pieces taken or made so far. */
  readonly pieces = new Map<string, PieceEntry>();
  readonly tables = new Map<string, Lookup>();
  /** What each table is read by. */
  readonly tableMeasures = new Map<string, string>();
  /** The value or the point (`#5`) that is being made: named in its own rule it would go round in a circle. */
  making: string | undefined;
  /** The names in the rule of a value that stands further below: asked for only when one is named too early. */
  namesBelow: (name: string) => readonly string[] = () => [];
  /** Darts drawn so far, in order: their index among the paths and the board they lie on. */
  readonly darts = new Map<string, { readonly path: number; readonly board: string }>();
  /** The board each path lies on. */
  readonly pathBoards = new Map<string, string>();
  /** Names, points and paths defined anywhere in the system: to tell "later" from "never". */
  readonly anywhere = new Set<string>();
  /** Compiled parts, so that explaining a formula does not compile it again. */
  readonly compiled = new WeakMap<Tree, Typed>();
  /** What is named by what is being compiled. */
  reading: References = noReferences();
  /** Of what comes from this node on nothing is seen. */
  before = Infinity;
  slotCount = ONE_SLOT + 1;
  pathCount = 0;

  constructor(readonly unit: HomeUnit) {}

  /** Lines without ends, which have no length. */
  readonly endless = new Set<string>();

  /** Makes a path known, and gives its index. */
  newPath(name: string): number {
    const index = this.pathCount++;
    this.paths.set(name, index);
    return index;
  }

  newSlot(): number {
    return this.slotCount++;
  }

  /** The index of an edge as it lies by now: as the last node above leaves it that took, made or shaped its piece. */
  edge(name: string, piece: string, as: EdgeVersion["as"]): number {
    const act = this.pieces.get(piece)?.acts.findLast((a) => a < this.before) ?? -1;
    const version = `${act} ${as} ${name}`;
    const known = this.edges.get(version);
    if (known) return known.path;
    const path = this.pathCount++;
    this.edges.set(version, { name, piece, act, as, path });
    return path;
  }

  /** The edges that something reads, by the node that leaves them so. */
  edgesByNode(): Map<number, EdgeVersion[]> {
    const by = new Map<number, EdgeVersion[]>();
    for (const edge of this.edges.values()) by.set(edge.act, [...(by.get(edge.act) ?? []), edge]);
    return by;
  }

  /** The same names, with compiled parts of its own: for many formulas that are soon let go again. */
  apart(): Scope {
    return Object.assign(new Scope(this.unit), this, { compiled: new WeakMap<Tree, Typed>(), reading: noReferences() });
  }

  /** The same names as they stand above a node. */
  above(node: number): Scope {
    return Object.assign(new Scope(this.unit), this, { before: node });
  }
}

/** A table as a function of one value. Not a number outside its rows. */
export interface Lookup {
  readonly by: Kind;
  readonly gives: Kind;
  readonly at: (value: number) => number;
}
