import { unionOutline } from "./union-outline.js";
import { intersectLines, mirror } from "../line.js";
import { bearing, lerp, distance, type Point, turnBetween } from "../point.js";
import { properIntersection, selfIntersection, TOUCHING } from "./ring.js";

/** How the allowance turns a corner of the net line. */
export type CornerStyle = "mitre" | "square" | "mirrored";

/** One edge of a ring to be offset: its corner points in order, how far outward (mm), and how its allowance turns the corners at its ends. */
export interface OffsetEdge {
  readonly places: readonly Point[];
  readonly outMm: number;
  readonly corner?: CornerStyle | undefined;
}

const LONGEST_MITRE = 4;

/**
 * The cutting line round a ring of edges given clockwise on the paper: each edge moved outward by its own allowance,
 * neighbours met in true corners. A mitre longer than four times the larger allowance, or one that would cut off more than
 * the stretch it ends, is cut square. Where unlike allowances meet on a line that runs on, the wider one runs out at a slant. Where an allowance is wider than
 * the hollow it lies in, the line runs round what the allowances cover together, without loops: it is then `covered`.
 */
export function offsetRing(edges: readonly OffsetEdge[]): { readonly ring: Point[]; readonly covered: boolean } {
  const clean = edges.map((edge) => ({ ...edge, places: dropRepeats(edge.places) }));
  const { ring, sound } = joined(clean, bisected);
  if (sound && !selfIntersection(ring, TOUCHING)) return { ring, covered: false };
  return { ring: unionOutline(joined(clean, withNetCorners).ring), covered: true };
}

/** A run of corner points moved outward; not sound when a stretch of it has come to run backward. */
interface Run {
  readonly places: Point[];
  readonly sound: boolean;
}

/** The runs of all edges, met at their corners. */
function joined(edges: readonly OffsetEdge[], move: (edge: OffsetEdge) => Run): { ring: Point[]; sound: boolean } {
  const runs = edges.map(move);
  for (let i = 0; i < runs.length; i++) {
    const next = (i + 1) % runs.length;
    if (next !== i)
      meet(runs[i]?.places as Point[], runs[next]?.places as Point[], edges[i] as OffsetEdge, edges[next] as OffsetEdge, move === bisected);
  }
  return { ring: closed(dropRepeats(allPlaces(runs))), sound: runs.every((run) => run.sound) };
}

function allPlaces(runs: readonly Run[]): Point[] {
  const all: Point[] = [];
  for (const { places } of runs) for (const p of places) all.push(p);
  return all;
}

/** Every corner point moved along the bisector of its stretches: right as long as no stretch is shorter than a hollow corner takes off it. */
function bisected({ places, outMm }: OffsetEdge): Run {
  if (outMm === 0 || places.length < 2) return { places: [...places], sound: true };
  const out: Point[] = [];
  let sound = true;
  for (let i = 0; i < places.length; i++) {
    const p = places[i] as Point;
    const before = i > 0 ? normal(places[i - 1] as Point, p) : undefined;
    const after = i < places.length - 1 ? normal(p, places[i + 1] as Point) : undefined;
    const n = before && after ? bisect(before, after) : ((before ?? after) as Point);
    const moved = { x: p.x + n.x * outMm, y: p.y + n.y * outMm };
    if (before && sound) {
      const from = out[i - 1] as Point;
      // Along the stretch: the left normal turned back.
      sound = (moved.x - from.x) * -before.y + (moved.y - from.y) * before.x >= 0;
    }
    out.push(moved);
  }
  return { places: out, sound };
}

/** Every stretch moved outward by itself; at hollow corners the way goes by the net line, so that what lies over itself runs the other way round. */
function withNetCorners({ places, outMm }: OffsetEdge): Run {
  if (outMm === 0 || places.length < 2) return { places: [...places], sound: true };
  const out: Point[] = [];
  for (let i = 0; i < places.length; i++) {
    const p = places[i] as Point;
    const before = i > 0 ? normal(places[i - 1] as Point, p) : undefined;
    const after = i < places.length - 1 ? normal(p, places[i + 1] as Point) : undefined;
    const at = (n: Point): Point => ({ x: p.x + n.x * outMm, y: p.y + n.y * outMm });
    if (before && after) {
      if (before.x * after.y - before.y * after.x >= 0) out.push(at(bisect(before, after)));
      else out.push(at(before), p, at(after));
    } else out.push(at((before ?? after) as Point));
  }
  return { places: out, sound: true };
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

/** The corner style where one edge goes over into the next: either may ask for one. */
function styleAt(edge: OffsetEdge, after: OffsetEdge): CornerStyle {
  const asked = [edge.corner, after.corner];
  return asked.includes("mirrored") ? "mirrored" : asked.includes("square") ? "square" : "mitre";
}

function meet(run: Point[], next: Point[], edge: OffsetEdge, after: OffsetEdge, trim: boolean): void {
  const style = styleAt(edge, after);
  const net = edge.places[edge.places.length - 1] as Point;
  if (style !== "square" && runsOn(edge, after) && taper(run, next, edge.outMm, after.outMm)) return;
  if (style === "mirrored" && turnedUp(run, next, edge, after)) return;
  if (turnsInward(edge.places, after.places)) {
    if (trim && trimCrossing(run, next)) return;
    if (!trim) return void next.unshift(net);
  }
  if (style !== "square") mitre(run, next, net, Math.max(edge.outMm, after.outMm) * LONGEST_MITRE);
}

/** A turn less than this (radians) at the end of an edge is none: the net line runs on. */
const RUNS_ON = (10 * Math.PI) / 180;

function runsOn({ places }: OffsetEdge, after: OffsetEdge): boolean {
  const [a, b] = [places[places.length - 2], places[places.length - 1]];
  const [c, d] = after.places;
  return !!a && !!b && !!c && !!d && Math.abs(turnBetween(bearing(a, b), bearing(c, d))) < RUNS_ON;
}

/** How far a wider allowance runs out on its neighbour, as a share of what it is wider by. */
const TAPER = 2;

/**
 * Where the net line runs on and only the allowance changes, the wider one is kept to its end and runs out at a slant on the
 * narrower: never less than was asked for, and no step for the shears. False where there is nothing to run out, or no room.
 */
function taper(run: Point[], next: Point[], mm: number, nextMm: number): boolean {
  const reach = TAPER * Math.abs(mm - nextMm);
  if (mm <= 0 || nextMm <= 0 || reach < 1e-6) return false;
  const [narrow, end, inward] = mm < nextMm ? ([run, run.length - 1, -1] as const) : ([next, 0, 1] as const);
  const far = (i: number): number => distance(narrow[i] as Point, narrow[end] as Point);
  let left = end;
  while (narrow[left] && far(left) < reach) left += inward;
  const [near, beyond] = [narrow[left - inward], narrow[left]];
  if (!near || !beyond) return false;
  const before = far(left - inward);
  const start = lerp(near, beyond, (reach - before) / (far(left) - before));
  if (mm < nextMm) run.splice(left + 1, run.length, start);
  else next.splice(0, left, start);
  return true;
}

/** The two edges run on to the corner they share, unless that lies too far off the net corner (mm) or would cut off more than a stretch. */
function mitre(run: Point[], next: Point[], net: Point, reach: number): void {
  const a = run[run.length - 2];
  const b = run[run.length - 1] as Point;
  const c = next[0] as Point;
  const d = next[1];
  if (!a || !d || distance(b, c) < 1e-6) return;
  const corner = intersectLines({ a, b }, { a: c, b: d });
  if (!corner || distance(corner, net) > Math.max(reach, 1e-6) || passes(corner, a, b) || passes(corner, d, c)) return;
  run[run.length - 1] = corner;
  next[0] = corner;
}

/** A turn-up on whichever of the two edges asks for one. */
const turnedUp = (run: Point[], next: Point[], edge: OffsetEdge, after: OffsetEdge): boolean =>
  (edge.corner === "mirrored" && edge.outMm > 0 && turnUp(run, next, edge, after)) ||
  (after.corner === "mirrored" && after.outMm > 0 && turnUpBefore(run, next, edge, after));

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
      const at = properIntersection(run[i] as Point, run[i + 1] as Point, next[j] as Point, next[j + 1] as Point);
      if (!at) continue;
      run.splice(i + 1, run.length - i - 1, at);
      next.splice(0, j + 1, at);
      return true;
    }
  }
  return false;
}

/**
 * A turn-up at the end of an edge: folded up on that edge, its allowance must lie on the piece, so beyond the edge the cutting
 * line of the side is its own mirror image. False where the side runs too nearly along the edge to be mirrored.
 */
function turnUp(hem: Point[], side: Point[], edge: OffsetEdge, after: OffsetEdge): boolean {
  const n = edge.places.length;
  const [p, q] = [edge.places[n - 2], edge.places[n - 1]];
  if (!p || !q) return false;
  const mirrored = mirroredSide(side, { a: p, b: q }, edge.outMm);
  if (!mirrored || after.places.length < 2) return false;
  hem.splice(hem.length - 1, 1, ...[...mirrored.beyond].reverse());
  side.splice(0, mirrored.dropped, mirrored.onFold);
  return true;
}

/** The same at the start of an edge. */
function turnUpBefore(side: Point[], hem: Point[], edge: OffsetEdge, after: OffsetEdge): boolean {
  const [q, p] = [after.places[0], after.places[1]];
  if (!p || !q || edge.places.length < 2) return false;
  const backwards = [...side].reverse();
  const mirrored = mirroredSide(backwards, { a: p, b: q }, after.outMm);
  if (!mirrored) return false;
  side.splice(side.length - mirrored.dropped, mirrored.dropped, mirrored.onFold);
  hem.splice(0, 1, ...mirrored.beyond);
  return true;
}

interface TurnUp {
  /** Where the side's cutting line meets the fold of the turn-up. */
  readonly onFold: Point;
  /** How many places of the side lie beyond the fold and fall away. */
  readonly dropped: number;
  /** The mirror image from the fold outward to the depth of the turn-up, without the place on the fold. */
  readonly beyond: readonly Point[];
}

/** The side's cutting line, from the hem inward, mirrored over the fold as deep as the turn-up (mm). */
function mirroredSide(side: readonly Point[], fold: { a: Point; b: Point }, mm: number): TurnUp | undefined {
  const length = distance(fold.a, fold.b);
  const u = { x: (fold.b.x - fold.a.x) / length, y: (fold.b.y - fold.a.y) / length };
  // Inward of the fold, either way along it, is where the side goes.
  const height = (p: Point): number => u.x * (p.y - fold.b.y) - u.y * (p.x - fold.b.x);
  const inward = Math.sign(height(side[side.length - 1] as Point)) || 1;
  const depth = (p: Point): number => height(p) * inward;
  const first = side.findIndex((p) => depth(p) > 1e-6);
  const [from, to] = first > 0 ? [side[first - 1], side[first]] : [side[0], side[1]];
  if (first < 0 || !from || !to) return undefined;
  const rise = depth(to) - depth(from);
  if (rise < 1e-6 || rise < 0.15 * distance(from, to)) return undefined;
  const at = (a: Point, b: Point, level: number): Point => {
    const t = (level - depth(a)) / (depth(b) - depth(a));
    return { x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t };
  };
  const onFold = at(from, to, 0);
  const above: Point[] = [];
  let last = onFold;
  for (let i = Math.max(first, first > 0 ? first : 1); i < side.length; i++) {
    const p = side[i] as Point;
    if (depth(p) >= mm) {
      above.push(at(last, p, mm));
      last = p;
      break;
    }
    if (depth(p) <= depth(last)) return undefined;
    above.push(p);
    last = p;
  }
  // A side shorter than the turn-up is deep runs on straight.
  if (depth(last) < mm) above.push(at(above[above.length - 2] ?? onFold, last, mm));
  return { onFold, dropped: Math.max(first, 1), beyond: above.map((p) => mirror(p, fold) ?? p) };
}

/** A ring without its first place said again at its end. */
const closed = (ring: Point[]): Point[] =>
  ring.length > 1 && distance(ring[0] as Point, ring[ring.length - 1] as Point) <= 1e-6 ? ring.slice(0, -1) : ring;

function dropRepeats(places: readonly Point[]): Point[] {
  const kept: Point[] = [];
  for (let i = 0; i < places.length; i++) {
    const p = places[i] as Point;
    if (i === 0 || distance(p, places[i - 1] as Point) > 1e-6) kept.push(p);
  }
  return kept;
}
