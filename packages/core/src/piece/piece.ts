import type { CornerStyle } from "../geometry/ring/offset.js";
import type { Path } from "../geometry/path/path.js";
import type { Point } from "../geometry/point.js";
import type { DartResult } from "./dart-result.js";

/** What becomes of an edge that is sewn to no other: turned up, faced or bound, holding the closure, or left to what is set to it elsewhere. */
export type Treatment = "hemmed" | "faced" | "zip" | "open";

/** An edge of a piece, in the order of the outline. Lengths in mm. */
export interface PieceEdge {
  readonly role: string;
  readonly name: string;
  readonly path: Path;
  /** The edge with its darts closed; the same as `path` when there is none in it. `length` is its length. */
  readonly sewn: Path;
  /** The path as corner points, straying at most 0.05 mm from it. */
  readonly places: readonly Point[];
  readonly length: number;
  readonly allowance: number;
  readonly finish: "seam" | "fold" | "finished";
  /** Meets the fold, or its like over a seam, in a point on purpose. */
  readonly pointed: boolean;
  /** How the allowance turns the corner at its end. */
  readonly corner: CornerStyle;
  /** What becomes of it when it is sewn to no other edge. */
  readonly treatment: Treatment | undefined;
}

/** A notch: where, which way out of the piece (unit direction), and how many ticks. */
export interface Notch {
  readonly id: string;
  readonly at: Point;
  readonly outward: Point;
  readonly ticks: number;
  /** How far (mm) it stands off the outline. */
  readonly off: number;
}

/** A button, a buttonhole or a hole to drill: where, and for a buttonhole how long it is (mm) and which way it lies, its middle on the point. */
export interface PieceMark {
  readonly kind: "button" | "buttonhole" | "drill";
  readonly at: Point;
  readonly length: number | undefined;
  /** Unit direction on the paper. */
  readonly way: Point;
}

/** A piece taken off the board. Rings are corner points in mm; the last joins the first. */
export interface PieceResult {
  readonly key: string;
  readonly title: string;
  readonly board: string;
  readonly cut: number;
  readonly onFold: boolean;
  readonly mirrored: boolean;
  readonly edges: readonly PieceEdge[];
  /** The net (sewing) line. */
  readonly net: readonly Point[];
  /** The cutting line, allowances added. The same as the net line when there are none. */
  readonly cutting: readonly Point[];
  /** The cutting line runs round what allowances wider than their hollows cover together. */
  readonly covered: boolean;
  readonly area: number;
  readonly grain: readonly [Point, Point] | undefined;
  readonly levels: readonly { readonly label: string; readonly a: Point; readonly b: Point }[];
  readonly darts: readonly DartResult[];
  /** Lines drawn inside the piece: each with its name. */
  readonly inside: readonly { readonly label: string; readonly path: Path }[];
  readonly notches: readonly Notch[];
  readonly marks: readonly PieceMark[];
  /** Largest gap between one edge's end and the next one's start, mm, and where. */
  readonly gap: { readonly mm: number; readonly at: Point };
  readonly notes: readonly string[];
  /** What could not be drawn on it as its author meant, in words. */
  readonly doubts: readonly string[];
  /** Points and lines of the board that the shaping names, wherever the piece has carried them; `laid` are the lines as they were drafted. */
  readonly carried: {
    readonly points: ReadonlyMap<string, Point>;
    readonly paths: ReadonlyMap<string, Path>;
    readonly laid: ReadonlyMap<string, Path>;
    /** Twice the upright about which it was turned over when it was taken off the board; undefined when it was not. */
    readonly turnedAt: number | undefined;
  };
}

/** The pieces on the two sides of a seam, by name; one name when a piece is sewn to itself. */
export function pairText(first: readonly PieceResult[], second: readonly PieceResult[]): string {
  const names = (side: readonly PieceResult[]): string => [...new Set(side.map((p) => p.title))].join(" + ");
  const [a, b] = [names(first), names(second)];
  return a === b ? a : `${a} and ${b}`;
}

/** The role of an edge as people read it: `armhole_lower` is the armhole lower. */
export const roleText = ({ role }: { readonly role: string }): string => (role.includes("_") ? role.replace(/_/g, " ") : role);

/** What a seam is called by the first of its edges, given as `Piece.role`. */
export const seamText = ([first = ""]: readonly string[]): string => roleText({ role: first.slice(first.indexOf(".") + 1) });

/** How many to cut, as written on a piece: `cut 1 on fold`, `cut 2, mirrored`. */
export function cutText(piece: Pick<PieceResult, "cut" | "onFold" | "mirrored">): string {
  return `cut ${piece.cut}${piece.onFold ? " on fold" : piece.mirrored ? ", mirrored" : ""}`;
}
