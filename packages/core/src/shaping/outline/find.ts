import type { Path } from "../../geometry/path/path.js";
import type { Point } from "../../geometry/point.js";
import type { PieceEdge, PieceResult } from "../../piece/piece.js";
import { DraftError } from "../../verb/draft-error.js";
import { pointText } from "../../verb/form.js";

/** The piece of that name; throws DraftError. */
export function pieceOf(pieces: readonly PieceResult[], key: string): PieceResult {
  const piece = pieces.find((p) => p.key === key);
  if (!piece) throw new DraftError(`${key} is not on this draft.`, "The piece was left out, or could not be made.");
  return piece;
}

/** A point of the board as the piece carries it; throws DraftError. */
export function pointOf(piece: PieceResult, id: string): Point {
  const point = piece.carried.points.get(id);
  if (!point) throw notOnDraft(pointText(id));
  return point;
}

/** A line of the board as the piece carries it; throws DraftError. */
export function lineOf(piece: PieceResult, key: string): Path {
  const path = piece.carried.paths.get(key);
  if (!path) throw notOnDraft(key);
  return path;
}

/** A line of the board as it was drafted, wherever the piece has gone since; throws DraftError. */
export function laidLineOf(piece: PieceResult, key: string): Path {
  const path = piece.carried.laid.get(key);
  if (!path) throw notOnDraft(key);
  return path;
}

const notOnDraft = (what: string): DraftError =>
  new DraftError(`${what} is not on this draft.`, "Its step was left out or could not be drawn.");

/** Where an edge stands on a piece; throws DraftError. */
export function indexOf(piece: PieceResult, role: string): number {
  const index = piece.edges.findIndex((e) => e.role === role);
  if (index < 0) throw new DraftError(`${piece.title} has no edge ${role}.`, `It has: ${piece.edges.map((e) => e.role).join(", ")}.`);
  return index;
}

/** An edge by its full name, `Front.side`; throws DraftError. */
export function edgeOf(pieces: readonly PieceResult[], name: string): { piece: PieceResult; edge: PieceEdge; index: number } {
  const [key = "", role = ""] = name.split(".");
  const piece = pieceOf(pieces, key);
  const index = indexOf(piece, role);
  return { piece, edge: piece.edges[index] as PieceEdge, index };
}

/** The pieces with one of them exchanged for others, in its place. */
export const exchange = (pieces: readonly PieceResult[], old: PieceResult, by: readonly PieceResult[]): PieceResult[] =>
  pieces.flatMap((p) => (p === old ? by : [p]));
