import type { Typed } from "../formula/scope.js";
import type { Piece } from "../system/model.js";
import type { Treatment } from "./piece.js";
import type { NamedDart } from "./dart-result.js";

// A piece as it is compiled, before any body: its points and lines by their index in the environment.

export interface PlannedEdge {
  readonly role: string;
  readonly items: readonly (
    | { readonly point: number }
    /** A dart in the edge: the edge runs over its mouth. */
    | { readonly dart: PlannedDart; readonly reversed: boolean }
    /** `between`: only the part from the first of these points to the second. */
    | { readonly path: number; readonly between: readonly [number, number] | undefined; readonly reversed: boolean }
  )[];
  readonly allow: Typed | undefined;
  readonly finish: "seam" | "fold" | "finished";
  readonly corner: "mitre" | "square" | "mirrored";
  readonly pointed: boolean;
  readonly treatment: Treatment | undefined;
  /** Index in the environment's paths under which the finished edge is known to checks. */
  readonly pathIndex: number;
}

/** A dart, with the index of its path. */
export interface PlannedDart extends NamedDart {
  readonly path: number;
  /** The point of the body it stops short of, by index. */
  readonly shortOf: number | undefined;
  readonly within: Typed | undefined;
}

/** The line the grain lies along, and how far it is turned from it (radians, clockwise). */
interface PlannedGrain {
  readonly ends: readonly [number, number];
  readonly turned: Typed | undefined;
}

/** Buttons, buttonholes or drill holes at points of the board. */
export interface PlannedMark {
  readonly kind: "button" | "buttonhole" | "drill";
  readonly points: readonly number[];
  readonly length: Typed | undefined;
  readonly way: "across" | "down";
}

/** A notch at a point, or so far (mm) along one of the edges of the piece; `from` is the point of the edge it is measured from. */
export type PlannedNotch = { readonly id: string; readonly ticks: number } & (
  | { readonly point: number }
  | { readonly edge: string; readonly along: Typed; readonly fromEnd: boolean; readonly from: number | undefined }
);

/** What is drawn on a piece. */
export interface PlannedDrawing {
  readonly grain: PlannedGrain | undefined;
  /** Its darts, those in its edges first. */
  readonly darts: readonly PlannedDart[];
  readonly inside: readonly { readonly label: string; readonly items: PlannedEdge["items"] }[];
  readonly levels: readonly { readonly label: string; readonly ends: readonly [number, number] }[];
  readonly notches: readonly PlannedNotch[];
  readonly marks: readonly PlannedMark[];
  readonly notes: readonly string[];
}

export interface PlannedPiece extends PlannedDrawing {
  readonly statement: number;
  readonly source: Piece;
  readonly when: Typed | undefined;
  readonly edges: readonly PlannedEdge[];
  /** What later shaping names and is drawn by now. */
  readonly carries: CarriedNames;
}

/** Points and lines of the drawing that pieces carry with them, by their names. */
export interface CarriedNames {
  readonly points: ReadonlyMap<string, number>;
  readonly paths: ReadonlyMap<string, number>;
}
