import type { PieceEdge, PieceResult } from "../../piece/piece.js";

/** An edge of the neck, and the piece it lies on. */
export interface NeckEdge {
  readonly edge: PieceEdge;
  readonly piece: PieceResult;
}

/** Every edge of the neck. */
export const necksOf = (pieces: readonly PieceResult[]): NeckEdge[] =>
  pieces.flatMap((piece) => piece.edges.filter((e) => e.role === "neck").map((edge) => ({ edge, piece })));

/** The neck of the garment (mm): every edge of it, twice where the piece lies on the fold or is cut as a pair. */
export const neckLength = (necks: readonly NeckEdge[]): number =>
  necks.reduce((sum, { edge, piece }) => sum + edge.length * (piece.onFold || piece.cut > 1 ? 2 : 1), 0);
