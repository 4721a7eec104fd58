import { crossLines } from "./line.js";
import { distance, type Point } from "./point.js";
import { crossStretches } from "./ring.js";

/** How the allowance turns a corner of the net line. */
export type CornerStyle = "mitre" | "square" | "mirrored";

/** One edge of a ring to be offset: its corner points in order, how far outward (mm), and the corner at its end. */
export interface OffsetEdge {
  readonly places: readonly Point[];
  readonly outMm: number;
  readonly corner?: CornerStyle | undefined;
}

const LONGEST_MITRE = 4;

/**
 * The cutting line round a ring of edges given clockwise on the paper: each edge moved outward by its own allowance,
 * neighbours met in true corners. A mitre longer than four times the larger allowance, or one that would cut off more than
 * the stretch it ends, as where unlike allowances meet on a smooth edge, is cut square.
 */
export function offsetRing(edges: readonly OffsetEdge[]): Point[] {
  const runs = edges.map((edge) => offsetRun(edge.places, edge.outMm));
  for (let i = 0; i < runs.length; i++) {
    const next = (i + 1) % runs.length;
    if (next === i) continue;
    meet(runs[i] as Point[], runs[next] as Point[], edges[i] as OffsetEdge, edges[next] as OffsetEdge);
  }
  return dropRepeats(runs.flat());
}

/** A run of corner points moved to its left-hand (outer) side; inner corners of the run itself are mitred. */
function offsetRun(places: readonly Point[], mm: number): Point[] {
  const clean = dropRepeats(places);
  if (mm === 0 || clean.length < 2) return [...clean];
  const out: Point[] = [];
  for (let i = 0; i < clean.length; i++) {
    const p = clean[i] as Point;
    const before = i > 0 ? normal(clean[i - 1] as Point, p) : undefined;
    const after = i < clean.length - 1 ? normal(p, clean[i + 1] as Point) : undefined;
    const n = before && after ? bisect(before, after) : ((before ?? after) as Point);
    out.push({ x: p.x + n.x * mm, y: p.y + n.y * mm });
  }
  return out;
}

/** Unit normal to the left of travel on the paper (y down): outward for a ring that runs clockwise. */
function normal(a: Point, b: Point): Point {
  const length = distance(a, b);
  return { x: (b.y - a.y) / length, y: -(b.x - a.x) / length };
}

function bisect(m: Point, n: Point): Point {
  const dot = m.x * n.x + m.y * n.y;
  const scale = 1 / Math.max(0.2, 1 + dot);
  return { x: (m.x + n.x) * scale, y: (m.y + n.y) * scale };
}

function meet(run: Point[], next: Point[], edge: OffsetEdge, after: OffsetEdge): void {
  if (turnsInward(edge.places, after.places) && trimCrossing(run, next)) return;
  const a = run[run.length - 2];
  const b = run[run.length - 1] as Point;
  const c = next[0] as Point;
  const d = next[1];
  if (!a || !d || distance(b, c) < 1e-6) return;
  const corner = crossLines({ a, b }, { a: c, b: d });
  const net = edge.places[edge.places.length - 1] as Point;
  const reach = Math.max(edge.outMm, after.outMm) * LONGEST_MITRE;
  if (
    corner &&
    edge.corner !== "square" &&
    distance(corner, net) <= Math.max(reach, 1e-6) &&
    !passes(corner, a, b) &&
    !passes(corner, d, c)
  ) {
    run[run.length - 1] = corner;
    next[0] = corner;
  }
}

/** True when a corner lies back past `from` on the stretch that runs to `to`: met there, it would cut off more than that stretch. */
const passes = (corner: Point, from: Point, to: Point): boolean =>
  (corner.x - from.x) * (to.x - from.x) + (corner.y - from.y) * (to.y - from.y) < 0;

/** True at an inner corner: there alone the two runs come to lie over each other. Outer corners turn clockwise on the paper. */
function turnsInward(places: readonly Point[], after: readonly Point[]): boolean {
  const a = places[places.length - 2];
  const b = places[places.length - 1];
  const c = after[0];
  const d = after[1];
  if (!a || !b || !c || !d) return true;
  return (b.x - a.x) * (d.y - c.y) - (b.y - a.y) * (d.x - c.x) < 1e-9;
}

/** Where the two runs cross near their common corner (an inner corner), both are cut back to the crossing. */
function trimCrossing(run: Point[], next: Point[]): boolean {
  for (let i = run.length - 2; i >= Math.max(0, run.length - 40); i--) {
    for (let j = 0; j < Math.min(next.length - 1, 40); j++) {
      const at = crossStretches(run[i] as Point, run[i + 1] as Point, next[j] as Point, next[j + 1] as Point);
      if (!at) continue;
      run.splice(i + 1, run.length - i - 1, at);
      next.splice(0, j + 1, at);
      return true;
    }
  }
  return false;
}

function dropRepeats(places: readonly Point[]): Point[] {
  return places.filter((p, i) => i === 0 || distance(p, places[i - 1] as Point) > 1e-6);
}
