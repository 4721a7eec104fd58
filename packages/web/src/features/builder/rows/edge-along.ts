import { distance, endOf, type Plan, type Point, pointText, type Run, startOf, type Statement } from "@lodrin/core";
import type { Picked } from "../../../board/picked.js";

type Piece = Extract<Statement, { is: "piece" }>;
export type PieceEdge = NonNullable<Piece["edges"]>[number];
export type AlongItem = PieceEdge["along"][number];

/** Where an item of an edge begins and ends on this body (mm of its board); nothing where it is not drawn. */
function endsOf({ scope }: Plan, { environment }: Run, item: AlongItem): readonly [Point, Point] | undefined {
  if ("point" in item) {
    const at = environment.points[scope.points.get(item.point) ?? -1];
    return at && [at, at];
  }
  const path = environment.paths[scope.paths.get(item.path) ?? -1];
  if (!path) return undefined;
  const ends = [startOf(path), endOf(path)] as const;
  return item.reversed ? [ends[1], ends[0]] : ends;
}

const turned = (item: AlongItem): AlongItem => {
  if ("point" in item) return item;
  const { reversed, ...rest } = item;
  return reversed ? rest : { ...rest, reversed: true };
};

/** How far apart the end of one item and the beginning of the next lie. */
function gap(plan: Plan, run: Run, before: AlongItem, after: AlongItem): number {
  const [a, b] = [endsOf(plan, run, before), endsOf(plan, run, after)];
  return a && b ? distance(a[1], b[0]) : Infinity;
}

/**
 * An edge with what was pressed next on the paper at its end. A line is travelled the way that goes on from what was there; the
 * first line of an edge is turned when the second shows that it is gone backwards.
 */
export function withPicked(plan: Plan, run: Run, along: readonly AlongItem[], what: Picked): AlongItem[] {
  const next: AlongItem = what.kind === "point" ? { point: what.name } : { path: what.name };
  const last = along.at(-1);
  if (!last) return [next];
  const ways = (along.length === 1 ? [last, turned(last)] : [last]).flatMap((a) => [next, turned(next)].map((b) => [a, b] as const));
  const [a, b] = ways.reduce((best, way) => (gap(plan, run, ...way) < gap(plan, run, ...best) - 1e-6 ? way : best));
  return [...along.slice(0, -1), a, b];
}

/** An item as it stands in the text. */
export const alongText = (item: AlongItem): string => {
  if ("point" in item) return pointText(item.point);
  const part = item.from !== undefined && item.to !== undefined ? ` from ${item.from} to ${item.to}` : "";
  return `${item.path.replace(/_/g, " ")}${part}${item.reversed ? ", backwards" : ""}`;
};
