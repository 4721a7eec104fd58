import type { PieceEdge, PieceResult } from "../../piece/piece.js";
import type { SewnEdges } from "../../piece/walk.js";

/** An edge of a neck, and the piece it lies on. */
export interface NeckEdge {
  readonly edge: PieceEdge;
  readonly piece: PieceResult;
}

/**
 * The necks of what is cut: of each set of pieces that are sewn to each other, the edges of the role neck. Where a facing's
 * neck is sewn to the garment's it is the same opening and counts once; a facing that is sewn to nothing is not the garment.
 */
export function necksOf(pieces: readonly PieceResult[], sews: readonly SewnEdges[]): NeckEdge[][] {
  const sewnOn = new Set(sews.flatMap((s) => (s.first.every(isNeck) && s.second.every(isNeck) ? s.second : [])));
  return sewnTogether(pieces, sews).flatMap((group) => {
    const necks = group.flatMap((piece) =>
      piece.edges.filter((e) => e.role === "neck" && !sewnOn.has(e.name)).map((edge): NeckEdge => ({ edge, piece })),
    );
    return necks.length > 0 ? [necks] : [];
  });
}

const isNeck = (name: string): boolean => name.endsWith(".neck");

/** Pieces in groups that hang together by their seams, in the order of their first pieces. */
function sewnTogether(pieces: readonly PieceResult[], sews: readonly SewnEdges[]): PieceResult[][] {
  const group = new Map(pieces.map((p, i) => [p.key, i]));
  for (const { first, second } of sews) {
    const keys = [...first, ...second].map((name) => name.slice(0, name.indexOf("."))).filter((key) => group.has(key));
    const least = Math.min(...keys.map((key) => group.get(key) ?? 0));
    const joined = new Set(keys.map((key) => group.get(key)));
    for (const [key, g] of group) if (joined.has(g)) group.set(key, least);
  }
  const out = new Map<number, PieceResult[]>();
  for (const piece of pieces) {
    const g = group.get(piece.key) ?? 0;
    out.set(g, [...(out.get(g) ?? []), piece]);
  }
  return [...out.values()];
}

/** The whole neck (mm): every edge of it, twice where the piece lies on the fold or is cut as a pair. */
export const neckLength = (necks: readonly NeckEdge[]): number =>
  necks.reduce((sum, { edge, piece }) => sum + edge.length * (piece.onFold || piece.cut > 1 ? 2 : 1), 0);

/** The pieces of a neck by name. */
export const neckText = (necks: readonly NeckEdge[]): string => [...new Set(necks.map(({ piece }) => piece.title))].join(", ");
