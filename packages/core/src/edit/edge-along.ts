import { nearestOnPath } from "../geometry/path/nearest-on-path.js";
import { endOf, startOf } from "../geometry/path/path.js";
import { distance, type Point } from "../geometry/point.js";
import type { Plan } from "../plan/plan.js";
import type { Run } from "../run/run.js";
import type { Statement } from "../system/model.js";
import { pointText } from "../verb/form.js";

/** Something of a draft that was pressed on the paper, by its name: an edge as `Piece.role`. */
export interface Pressed {
  readonly kind: "point" | "path" | "edge" | "piece";
  readonly name: string;
}

type Piece = Extract<Statement, { is: "piece" }>;
export type PieceEdge = NonNullable<Piece["edges"]>[number];
export type AlongItem = PieceEdge["along"][number];

/** Where an item of an edge begins and ends on this body (mm of its board); nothing where it is not drawn. */
export function endsOf({ scope }: Plan, { board }: Run, item: AlongItem): readonly [Point, Point] | undefined {
  if ("point" in item) {
    const at = board.points[scope.points.get(item.point) ?? -1];
    return at && [at, at];
  }
  if (item.from !== undefined && item.to !== undefined) {
    const [a, b] = [item.from, item.to].map((name) => board.points[scope.points.get(name) ?? -1]);
    return a && b && [a, b];
  }
  const path = board.paths[scope.paths.get(item.path) ?? -1];
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

/** Points nearer to a line than the first (mm) are on it; two points nearer than the second are the same place. */
const ON_MM = 0.5;
export const SAME_MM = 0.05;

/** A point at a place, by its name. */
export function pointThere({ scope }: Plan, { board }: Run, place: Point): string | undefined {
  for (const [name, slot] of scope.points) {
    const at = board.points[slot];
    if (at && distance(at, place) < SAME_MM) return name;
  }
  return undefined;
}

/** The stretch of a line that was pressed between what came before it and what is pressed now; nothing when it is gone from end to end. */
function stretchOf(plan: Plan, run: Run, before: AlongItem | undefined, on: AlongItem, next: AlongItem): AlongItem | undefined {
  if (!before || "point" in on || on.from !== undefined) return undefined;
  const path = run.board.paths[plan.scope.paths.get(on.path) ?? -1];
  if (!path) return undefined;
  const isOn = (p: Point | undefined): p is Point => p !== undefined && nearestOnPath(path, p).off < ON_MM;
  const isEnd = (p: Point): boolean => Math.min(distance(p, startOf(path)), distance(p, endOf(path))) < ON_MM;
  const [entry, exit] = [endsOf(plan, run, before)?.[1], endsOf(plan, run, next)?.find(isOn)];
  if (!isOn(entry) || !exit || (isEnd(entry) && isEnd(exit))) return undefined;
  const from = nameAt(plan, run, before, entry);
  const to = nameAt(plan, run, next, exit);
  return from === undefined || to === undefined || from === to ? undefined : { path: on.path, from, to };
}

/** The point by which an item meets a place: itself, or one that is there. */
const nameAt = (plan: Plan, run: Run, item: AlongItem, place: Point): string | undefined =>
  "point" in item ? item.point : pointThere(plan, run, place);

/**
 * An edge with what was pressed next on the paper at its end. A line is travelled the way that goes on from what was there; the
 * first line of an edge is turned when the second shows that it is gone backwards; and of a line that is entered or left on the way
 * only the stretch between is meant.
 */
export function withPicked(plan: Plan, run: Run, along: readonly AlongItem[], what: Pressed): AlongItem[] {
  const next: AlongItem = what.kind === "point" ? { point: what.name } : { path: what.name };
  const last = along.at(-1);
  if (!last) return [next];
  const stretch = stretchOf(plan, run, along.at(-2), last, next);
  if (stretch && !("point" in stretch)) {
    const kept = along.slice(0, -1);
    const entry = kept.at(-1);
    if (entry && "point" in entry && entry.point === stretch.from) kept.pop();
    return [...kept, stretch, ...("point" in next && next.point === stretch.to ? [] : [next])];
  }
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
