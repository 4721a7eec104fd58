import { placeOnPath } from "../geometry/path/nearest-on-path.js";
import { type Path, pointAtLength, reversePath } from "../geometry/path/path.js";
import { type Point, turn } from "../geometry/point.js";
import { mouthsOn, ON_THE_EDGE_MM } from "./mouths.js";
import type { PieceEdge, PieceResult } from "./piece.js";

/** Edges that are sewn to each other, by their names; on either side one, or several in the order they are sewn. */
export interface SewnEdges {
  readonly first: readonly string[];
  readonly second: readonly string[];
}

/** One edge of a seam, travelled from the common start. */
export interface WalkSegment {
  readonly piece: PieceResult;
  readonly edge: PieceEdge;
  readonly path: Path;
  readonly length: number;
  /** True when it is travelled against its outline. */
  readonly reversed: boolean;
}

/** One side of a seam: its edges one after the other. Lengths in mm. */
export interface WalkSide {
  readonly segments: readonly WalkSegment[];
  readonly length: number;
}

/** A place to compare on the way: how far along each side it lies, mm. Undefined where that side has no such mark. */
export interface WalkMark {
  readonly name: string;
  readonly first: number | undefined;
  readonly second: number | undefined;
  /** How many ticks it has on either side; 0 where there is none. */
  readonly ticks: readonly [first: number, second: number];
}

/** Two sides of a seam to be laid against each other. */
export interface SeamWalk {
  readonly first: WalkSide;
  readonly second: WalkSide;
  /** How much longer the first side is meant to be (mm): it is shared out between the marks that meet. */
  readonly easedMm: number;
  /** Notches in the order they are met, and the end. */
  readonly marks: readonly WalkMark[];
}

/**
 * Lays the two sides of a seam ready to be walked. `sews` are the other seams, which tell where edges follow on each other.
 * Undefined when an edge is not on the draft.
 */
export function walkSeam(
  pieces: readonly PieceResult[],
  seam: SewnEdges,
  sews: readonly SewnEdges[] = [],
  easedMm = 0,
): SeamWalk | undefined {
  const sides = sidesOf(pieces, seam, sews);
  if (!sides) return undefined;
  const [first, second] = [sideOf(sides.first), sideOf(sides.second)];
  return {
    first,
    second,
    easedMm,
    marks: [
      ...pairMarks(marksOn(sides.first), marksOn(sides.second)),
      { name: "end", first: first.length, second: second.length, ticks: [0, 0] },
    ],
  };
}

/** A corner of a piece: the edge that runs into it and the one that leaves it. */
export interface SeamCorner {
  readonly piece: PieceResult;
  readonly before: PieceEdge;
  readonly after: PieceEdge;
}

/** The two places where a seam ends: at each, the corner of either piece that comes to lie there, with its own seam edge's neighbour. */
export interface SeamEnd {
  readonly first: SeamCorner & { readonly neighbour: PieceEdge };
  readonly second: SeamCorner & { readonly neighbour: PieceEdge };
}

/** Where a seam ends. */
export function seamEnds(pieces: readonly PieceResult[], seam: SewnEdges, sews: readonly SewnEdges[] = []): SeamEnd[] {
  const sides = sidesOf(pieces, seam, sews);
  if (!sides) return [];
  const ends = (way: readonly Travelled[]): [SeamEnd["first"], SeamEnd["first"]] => [
    cornerOf(way[0] as Travelled, true),
    cornerOf(way[way.length - 1] as Travelled, false),
  ];
  const [a, b] = [ends(sides.first), ends(sides.second)];
  return [
    { first: a[0], second: b[0] },
    { first: a[1], second: b[1] },
  ];
}

/** An edge on its piece, with its neighbours on the outline. */
interface PlacedEdge {
  readonly piece: PieceResult;
  readonly edge: PieceEdge;
  readonly before: PieceEdge;
  readonly after: PieceEdge;
}

interface Travelled extends PlacedEdge {
  readonly reversed: boolean;
}

const travelled = ({ piece, edge, before, after }: PlacedEdge, reversed: boolean): Travelled => ({ piece, edge, before, after, reversed });

function cornerOf({ piece, edge, before, after, reversed }: Travelled, atStart: boolean): SeamEnd["first"] {
  return atStart !== reversed ? { piece, before, after: edge, neighbour: before } : { piece, before: edge, after, neighbour: after };
}

function placed(pieces: readonly PieceResult[], name: string): PlacedEdge | undefined {
  for (const piece of pieces) {
    const i = piece.edges.findIndex((e) => e.name === name);
    const edge = piece.edges[i];
    if (!edge) continue;
    const at = (k: number): PieceEdge => piece.edges[(i + k + piece.edges.length) % piece.edges.length] as PieceEdge;
    return { piece, edge, before: at(-1), after: at(1) };
  }
  return undefined;
}

/** Both sides of a seam, each travelled from their common start. */
function sidesOf(
  pieces: readonly PieceResult[],
  seam: SewnEdges,
  sews: readonly SewnEdges[],
): { first: Travelled[]; second: Travelled[] } | undefined {
  const find = (names: readonly string[]): PlacedEdge[] => names.flatMap((name) => placed(pieces, name) ?? []);
  const [first, second] = [find(seam.first), find(seam.second)];
  if (first.length < seam.first.length || second.length < seam.second.length || first.length === 0 || second.length === 0) return undefined;
  const follows = followers(sews);
  const [a, b] = [inOrder(first, follows), inOrder(second, follows)];
  return { first: a, second: runsOpposite(a, b, follows) ? backwards(b) : b };
}

const backwards = (way: readonly Travelled[]): Travelled[] => way.map((t) => travelled(t, !t.reversed)).reverse();

/** Whether one edge carries on another over a seam: they are sewn to each other, or are of one role. */
type Follows = (a: PieceEdge, b: PieceEdge) => number;

const known = new WeakMap<readonly SewnEdges[], Follows>();

/** Worked out once for the seams of a plan. */
function followers(sews: readonly SewnEdges[]): Follows {
  const made = known.get(sews);
  if (made) return made;
  const pairs = new Set(sews.flatMap((s) => s.first.flatMap((a) => s.second.flatMap((b) => [`${a} ${b}`, `${b} ${a}`]))));
  const follows: Follows = (a, b) => (pairs.has(`${a.name} ${b.name}`) ? 2 : a.role === b.role ? 1 : 0);
  known.set(sews, follows);
  return follows;
}

const leading = (t: Travelled): PieceEdge => (t.reversed ? t.after : t.before);
const trailing = (t: Travelled): PieceEdge => (t.reversed ? t.before : t.after);

/** Edges one after the other, each travelled so that it goes over into the next where their neighbours are sewn to each other. */
function inOrder(edges: readonly PlacedEdge[], follows: Follows): Travelled[] {
  const [only] = edges;
  if (edges.length === 1 && only) return [travelled(only, false)];
  let best: { way: Travelled[]; score: number } | undefined;
  for (let flags = 0; flags < 2 ** edges.length; flags++) {
    const way = edges.map((e, i) => travelled(e, (flags & (1 << i)) !== 0));
    const score = way.slice(1).reduce((sum, t, i) => sum + follows(trailing(way[i] as Travelled), leading(t)), 0);
    if (!best || score > best.score) best = { way, score };
  }
  return best?.way ?? [];
}

/** True when the second side as it is travelled begins where the first one ends. The neighbours tell; without them, sides of one board run the same way round. */
function runsOpposite(a: readonly Travelled[], b: readonly Travelled[], follows: Follows): boolean {
  const [a0, a1, b0, b1] = [a[0], a[a.length - 1], b[0], b[b.length - 1]] as [Travelled, Travelled, Travelled, Travelled];
  const along = Math.max(follows(leading(a0), leading(b0)), follows(trailing(a1), trailing(b1)));
  const against = Math.max(follows(leading(a0), trailing(b1)), follows(trailing(a1), leading(b0)));
  if (along !== against) return against > along;
  return along === 0 && a0.piece.board === b0.piece.board;
}

function sideOf(way: readonly Travelled[]): WalkSide {
  const segments = way.map(({ piece, edge, reversed }): WalkSegment => ({
    piece,
    edge,
    path: reversed ? reversePath(edge.sewn) : edge.sewn,
    length: edge.length,
    reversed,
  }));
  return { segments, length: segments.reduce((sum, p) => sum + p.length, 0) };
}

interface Mark {
  readonly id: string;
  readonly ticks: number;
  readonly along: number;
}

/** The notches of a side, by how far along it they lie. */
function marksOn(way: readonly Travelled[]): Mark[] {
  let gone = 0;
  const marks = way.flatMap(({ piece, edge, reversed }) => {
    const start = gone;
    gone += edge.length;
    const mine = marksOnEdge(piece, edge.path).map((m) => ({ ...m, along: reversed ? gone - m.along : start + m.along }));
    if (reversed) mine.reverse();
    return mine;
  });
  // A notch where one edge goes over into the next lies on both of them.
  return marks.filter(
    (m, i) =>
      m.along > ON_THE_EDGE_MM &&
      m.along < gone - ON_THE_EDGE_MM &&
      !marks.slice(0, i).some((n) => n.id === m.id && Math.abs(n.along - m.along) < ON_THE_EDGE_MM),
  );
}

/** The notches of an edge, by how far along its sewn length they lie: what a dart takes in on the way is not walked. */
function marksOnEdge(piece: PieceResult, path: Path): Mark[] {
  const mouths = mouthsOn(piece, path);
  const taken = (along: number): number => mouths.reduce((sum, m) => sum + (along > m.from + ON_THE_EDGE_MM ? m.length : 0), 0);
  return piece.notches
    .flatMap(({ id, ticks, at }): Mark[] => {
      const on = placeOnPath(path, at, ON_THE_EDGE_MM);
      return on ? [{ id, ticks, along: on.along - taken(on.along) }] : [];
    })
    .sort((m, n) => m.along - n.along);
}

/** Notches of one point belong together; the others in the order they are met. */
function pairMarks(first: readonly Mark[], second: readonly Mark[]): WalkMark[] {
  const shared = new Set(first.filter((m) => second.some((n) => n.id === m.id)).map((m) => m.id));
  const same = first.flatMap((m): WalkMark[] => {
    const other = second.find((n) => n.id === m.id);
    return other ? [{ name: m.id, first: m.along, second: other.along, ticks: [m.ticks, other.ticks] }] : [];
  });
  const rest = (list: readonly Mark[]): Mark[] => list.filter((m) => !shared.has(m.id));
  const [restA, restB] = [rest(first), rest(second)];
  const others = Array.from({ length: Math.max(restA.length, restB.length) }, (_, i): WalkMark => {
    const [a, b] = [restA[i], restB[i]];
    return { name: [a?.id, b?.id].filter(Boolean).join(" / "), first: a?.along, second: b?.along, ticks: [a?.ticks ?? 0, b?.ticks ?? 0] };
  });
  return [...same, ...others].sort((m, n) => (m.first ?? m.second ?? 0) - (n.first ?? n.second ?? 0));
}

/** How far the second side has come (mm) when the first has been walked so far: as far, or with its ease shared out between the marks that meet. */
export function walkedAlong({ easedMm, marks, first, second }: SeamWalk, mm: number): number {
  if (easedMm === 0) return mm;
  const stops = [
    { a: 0, b: 0 },
    ...marks.flatMap((m) => (m.first === undefined || m.second === undefined ? [] : [{ a: m.first, b: m.second }])),
  ];
  const next = stops.findIndex((s) => s.a >= mm);
  const [p, q] =
    next > 0
      ? [stops[next - 1] as Stop, stops[next] as Stop]
      : [
          { a: 0, b: 0 },
          { a: first.length || 1, b: second.length },
        ];
  return q.a === p.a ? q.b : p.b + ((q.b - p.b) * (mm - p.a)) / (q.a - p.a);
}

interface Stop {
  readonly a: number;
  readonly b: number;
}

/** The edge that a side has come to after so far (mm), and how far along it. */
export function segmentAt({ segments }: WalkSide, mm: number): { readonly segment: WalkSegment; readonly along: number } {
  let left = mm;
  for (const segment of segments) {
    if (left <= segment.length || segment === segments[segments.length - 1]) return { segment, along: left };
    left -= segment.length;
  }
  return { segment: segments[0] as WalkSegment, along: mm };
}

/** Both edges as they lie on each other when the first side has been walked so far (mm): `lay` moves places of the second piece. Rigid, edge on edge. */
export function walkedTo(
  walk: SeamWalk,
  mm: number,
): { readonly first: WalkSegment; readonly second: WalkSegment; readonly at: Point; readonly lay: (p: Point) => Point } {
  const { segment: first, along } = segmentAt(walk.first, mm);
  const { segment: second, along: other } = segmentAt(walk.second, walkedAlong(walk, mm));
  // Outlines run clockwise: edges travelled the same way round lie on each other only with one piece turned over.
  const turnedOver = first.reversed === second.reversed;
  const over = (p: Point): Point => (turnedOver ? { x: -p.x, y: p.y } : p);
  const a = pointAtLength(first.path, along);
  const b = pointAtLength(second.path, other);
  const at = over(b.at);
  const heading = over(b.heading);
  const by = Math.atan2(a.heading.y, a.heading.x) - Math.atan2(heading.y, heading.x);
  return { first, second, at: a.at, lay: (p) => turn({ x: a.at.x + over(p).x - at.x, y: a.at.y + over(p).y - at.y }, a.at, by) };
}
