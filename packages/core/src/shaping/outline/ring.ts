import { placeOnPath } from "../../geometry/path/nearest-on-path.js";
import { endOf, joinPaths, mapPath, type Path, pathLength, splitPath, startOf } from "../../geometry/path/path.js";
import { straightCubic } from "../../geometry/curve/cubic.js";
import { distance, type Point } from "../../geometry/point.js";
import type { EdgeParts } from "../../piece/assemble.js";
import type { PieceResult } from "../../piece/piece.js";
import { DraftError } from "../../verb/draft-error.js";

/** A place on the outline of a piece: on which edge, and how far along it (mm). */
export interface RingPlace {
  readonly edge: number;
  readonly along: number;
}

/** How near (mm) a point must lie to the outline to be a place on it. */
const ON_THE_OUTLINE_MM = 1;
const NOTHING_MM = 1e-6;

/** The place of the outline at a point; undefined when the point lies off it. */
export function placeAt(piece: Pick<PieceResult, "edges">, p: Point): RingPlace | undefined {
  let best: (RingPlace & { off: number }) | undefined;
  piece.edges.forEach(({ path }, edge) => {
    const on = placeOnPath(path, p, best?.off ?? ON_THE_OUTLINE_MM);
    if (on && (!best || on.off < best.off - 1e-9)) best = { edge, ...on };
  });
  return best && { edge: best.edge, along: best.along };
}

/** The same; throws DraftError, naming the point. */
export function onOutline(piece: PieceResult, p: Point, what: string): RingPlace {
  const place = placeAt(piece, p);
  if (!place)
    throw new DraftError(
      `${what} does not lie on the outline of ${piece.title}.`,
      "Name a point on one of its edges; place it with along, on, cross or square.",
    );
  return place;
}

/** The edges from one place of the outline on to another, the first and last cut where they are met. Empty when the places are the same. */
export function stretch(piece: Pick<PieceResult, "edges">, from: RingPlace, to: RingPlace): EdgeParts[] {
  const n = piece.edges.length;
  const out: EdgeParts[] = [];
  const take = (index: number, a: number, b: number): void => {
    const edge = piece.edges[index] as EdgeParts;
    if (b - a <= NOTHING_MM) return;
    const whole = a <= NOTHING_MM && b >= pathLength(edge.path) - NOTHING_MM;
    const path = whole ? edge.path : splitPath(splitPath(edge.path, b)[0], a)[1];
    out.push({ ...edge, path, sewn: whole ? edge.sewn : path });
  };
  if (from.edge === to.edge && from.along <= to.along + NOTHING_MM) {
    take(from.edge, from.along, to.along);
    return out;
  }
  const end = (index: number): number => pathLength((piece.edges[index] as EdgeParts).path);
  take(from.edge, from.along, end(from.edge));
  for (let i = (from.edge + 1) % n; i !== to.edge; i = (i + 1) % n) take(i, 0, end(i));
  take(to.edge, 0, to.along);
  return out;
}

export const mapEdge = (edge: EdgeParts, map: (p: Point) => Point): EdgeParts => {
  const path = mapPath(edge.path, map);
  return { ...edge, path, sewn: edge.sewn === edge.path ? path : mapPath(edge.sewn, map) };
};

/** What bridges the gap after a run of edges: nothing but a straight line, or a path with the way the welded edge is sewn over it. */
export interface Bridge {
  readonly path: Path;
  readonly sewn: (before: Path, after: Path) => Path;
}

/** A run of edges, and the bridge from its end to the next run. */
export interface RingRun {
  readonly edges: readonly EdgeParts[];
  readonly bridge?: Bridge | undefined;
}

/** Runs of edges end to end as one outline: where the same edge was cut it becomes one again, over its bridge. */
export function joinRuns(runs: readonly RingRun[]): EdgeParts[] {
  const solid = runs.filter((run) => run.edges.length > 0);
  const out: EdgeParts[] = [];
  solid.forEach((run, i) => {
    out.push(...(i === 0 ? run.edges : weldedOn(out, run.edges, solid[i - 1]?.bridge)));
  });
  const [first] = out;
  const last = out[out.length - 1];
  if (!first || !last || first === last) return out;
  const joined = across(last, first, solid[solid.length - 1]?.bridge);
  if (joined.length === 1) return [...joined, ...out.slice(1, -1)];
  return [...out.slice(0, -1), joined[0] as EdgeParts];
}

/** Takes the last edge off `out` and gives it back welded to the first of the next run. */
function weldedOn(out: EdgeParts[], next: readonly EdgeParts[], bridge: Bridge | undefined): EdgeParts[] {
  const last = out.pop() as EdgeParts;
  const [first, ...rest] = next as [EdgeParts, ...EdgeParts[]];
  return [...across(last, first, bridge), ...rest];
}

/** Two edges that follow each other: one, when they are of one role, else the first carried over the bridge. */
function across(a: EdgeParts, b: EdgeParts, bridge: Bridge | undefined): EdgeParts[] {
  const [from, to] = [endOf(a.path), startOf(b.path)];
  const between = bridge?.path ?? (distance(from, to) > NOTHING_MM ? { segments: [straightCubic(from, to)] } : { segments: [] });
  if (a.role === b.role) {
    const path = joinPaths([a.path, between, b.path]);
    const plain = a.sewn === a.path && b.sewn === b.path && !bridge;
    return [{ ...a, path, sewn: plain ? path : bridge ? bridge.sewn(a.sewn, b.sewn) : joinPaths([a.sewn, between, b.sewn]) }];
  }
  const path = joinPaths([a.path, between]);
  return [{ ...a, path, sewn: a.sewn === a.path ? path : joinPaths([a.sewn, between]) }, b];
}
