import { noReferences, type References } from "../../formula/references.js";
import type { Scope } from "../../formula/scope.js";
import type { CarriedNames, PlannedPiece } from "../../piece/blueprint.js";
import type { GraphBuilder } from "../graph.js";
import type { PlannedShaping } from "../plan.js";

/** A piece or shaping before it is known what its pieces carry, with its node. */
export interface Uncarried<T> {
  readonly planned: Omit<T, "carries">;
  readonly node: number;
}

/**
 * Pieces carry the points and lines that later shaping names on them, or on what becomes of them. What is drawn only below a piece
 * is laid on it by the first shaping that stands below that.
 */
export function withCarried(
  pieces: readonly Uncarried<PlannedPiece>[],
  shapings: readonly Uncarried<PlannedShaping>[],
  scope: Scope,
  graph: GraphBuilder,
): { readonly pieces: PlannedPiece[]; readonly shapings: PlannedShaping[] } {
  /** What is named from here on of each piece and of what becomes of it; filled from the end. */
  const wanted = new Map<string, References>();
  const shaped = shapings.toReversed().map(({ planned, node }): PlannedShaping => {
    const all = merged([planned.named, ...[...planned.needs, ...planned.makes].flatMap((key) => wanted.get(key) ?? [])]);
    for (const key of planned.needs) wanted.set(key, all);
    return { ...planned, carries: drawnAbove(all, node, scope, graph) };
  });
  return {
    shapings: shaped.reverse(),
    pieces: pieces.map(({ planned, node }): PlannedPiece => ({
      ...planned,
      carries: drawnAbove(wanted.get(planned.source.key) ?? noReferences(), node, scope, graph),
    })),
  };
}

function merged(all: readonly References[]): References {
  return { points: new Set(all.flatMap(({ points }) => [...points])), names: new Set(all.flatMap(({ names }) => [...names])) };
}

/** Those of the names that are drawn above a node; it is worked out from what draws them. */
function drawnAbove({ points, names }: References, node: number, scope: Scope, graph: GraphBuilder): CarriedNames {
  const above = (name: string): boolean => graph.reads(node, name);
  return {
    points: new Map([...points].flatMap((id) => (above(`#${id}`) ? [[id, scope.points.get(id) ?? -1] as const] : []))),
    paths: new Map([...names].flatMap((key) => (above(key) ? [[key, scope.paths.get(key) ?? -1] as const] : []))),
  };
}
