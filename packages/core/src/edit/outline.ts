import { nearestOnPath } from "../geometry/path/nearest-on-path.js";
import { polyline } from "../geometry/path/path.js";
import { distance, type Point } from "../geometry/point.js";
import type { Plan } from "../plan/plan.js";
import type { Run } from "../run/run.js";
import { type AlongItem, endsOf, type PieceEdge, pointThere, SAME_MM } from "./edge-along.js";

/**
 * The edges of an outline that was gone round on the paper, item by item: every drawn line is an edge of its own name, every straight
 * way between two points another; a dart belongs to the edge it opens in, and points on the straight way of an edge to that. It closes
 * itself. With `onFold`, an edge on the fold line of its board is named `centre` and marked as the fold.
 */
export function outlineEdges(plan: Plan, run: Run, items: readonly AlongItem[], onFold: boolean): PieceEdge[] {
  const alongs = sidesOf(plan, run, items);
  const taken = new Set<string>();
  const named = (base: string): string => {
    let name = base;
    for (let n = 2; taken.has(name); n++) name = `${base}_${n}`;
    taken.add(name);
    return name;
  };
  return alongs.map((along, i): PieceEdge => {
    const folded = onFold && liesOnFold(plan, run, along);
    const line = along.find((item) => !("point" in item) && !isDart(plan, item));
    const role = named(folded ? "centre" : line && !("point" in line) ? line.path : `edge_${i + 1}`);
    return { role, along, ...(folded ? { finish: "fold" as const } : {}) };
  });
}

const isDart = (plan: Plan, item: AlongItem): boolean =>
  !("point" in item) && plan.steps.some(({ source }) => source.is === "path" && source.type === "dart" && source.key === item.path);

type PointItem = Extract<AlongItem, { point: string }>;
const isPoint = (item: AlongItem): item is PointItem => "point" in item;

/** The outline parted where one edge ends and the next begins. */
function sidesOf(plan: Plan, run: Run, items: readonly AlongItem[]): AlongItem[][] {
  const isLine = (item: AlongItem): boolean => !isPoint(item) && !isDart(plan, item);
  const walk = withStops(plan, run, items);
  const start = walk.findIndex(isLine);
  // From a drawn line on no straight way goes over the beginning; without one the first point is also the last.
  const round = start < 0 ? [...walk, ...walk.slice(0, 1)] : [...walk.slice(start), ...walk.slice(0, start)];
  const sides: AlongItem[][] = [];
  let straight: AlongItem[] = [];
  const close = (): void => {
    if (straight.length > 1) sides.push(straight);
    straight = [];
  };
  round.forEach((item, i) => {
    if (isLine(item)) {
      close();
      sides.push([item]);
      return;
    }
    straight.push(item);
    const [before, after] = [straight.at(-2), round[i + 1]];
    if (!before || !after || isLine(after) || !isPoint(item) || onWay(plan, run, before, item, after)) return;
    close();
    straight = [item];
  });
  close();
  return sides;
}

/** The items with the points between which a straight way is gone where two of them do not meet. */
function withStops(plan: Plan, run: Run, items: readonly AlongItem[]): AlongItem[] {
  return items.flatMap((item, i) => {
    const next = items[(i + 1) % items.length] as AlongItem;
    const [leaves, enters] = [endsOf(plan, run, item)?.[1], endsOf(plan, run, next)?.[0]];
    if (!leaves || !enters || distance(leaves, enters) < SAME_MM) return [item];
    const stop = (place: Point, at: AlongItem): PointItem[] => {
      const name = isPoint(at) || isDart(plan, at) ? undefined : pointThere(plan, run, place);
      return name === undefined ? [] : [{ point: name }];
    };
    return [item, ...stop(leaves, item), ...stop(enters, next)];
  });
}

/** Whether a point is on the straight line from the item before it to the item after it. */
function onWay(plan: Plan, run: Run, before: AlongItem, point: PointItem, after: AlongItem): boolean {
  const [a, b, c] = [endsOf(plan, run, before)?.[1], endsOf(plan, run, point)?.[0], endsOf(plan, run, after)?.[0]];
  return !!a && !!b && !!c && distance(a, c) > SAME_MM && nearestOnPath(polyline([a, c]), b).off < SAME_MM;
}

/** Whether an edge is on the vertical line through the first point of its board. */
function liesOnFold(plan: Plan, run: Run, along: readonly AlongItem[]): boolean {
  const places = along.flatMap((item) => endsOf(plan, run, item) ?? []);
  const [first] = along;
  const step = plan.steps.find(({ source }) =>
    first && "point" in first
      ? source.is === "point" && source.id === first.point
      : source.is === "path" && first && source.key === first.path,
  );
  const board = plan.system.statements.find((s) => s.is === "board" && s.key === step?.board);
  if (board?.is !== "board" || board.centre !== "fold") return false;
  const origin = plan.steps.find((s) => s.board === step?.board && s.makes === "point");
  const x = origin && run.board.points[origin.target]?.x;
  return x !== undefined && places.length > 1 && places.every((p) => Math.abs(p.x - x) < SAME_MM);
}
