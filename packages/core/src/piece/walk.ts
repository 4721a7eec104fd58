import { locate } from "../geometry/locate.js";
import { type Path, pathLength, placeAlong, reversePath, startOf } from "../geometry/path.js";
import { type Point, turn } from "../geometry/point.js";
import type { PieceEdge, PieceResult } from "./piece.js";

/** One of two edges that are sewn together, travelled from their common start. */
export interface WalkSide {
  readonly piece: PieceResult;
  readonly path: Path;
  readonly length: number;
}

/** A place to compare on the way: how far along each edge it lies, mm. Undefined where that edge has no such mark. */
export interface WalkMark {
  readonly name: string;
  readonly first: number | undefined;
  readonly second: number | undefined;
}

/** Two edges to be laid against each other. */
export interface SeamWalk {
  readonly first: WalkSide;
  readonly second: WalkSide;
  /** The second piece is turned over, as it is when right sides are laid together. */
  readonly turnedOver: boolean;
  /** Notches in the order they are met, and the end. */
  readonly marks: readonly WalkMark[];
}

/** How near (mm) a notch must lie to an edge to be one of its marks. */
const ON_THE_EDGE_MM = 1;

/** Lays two edges, named `Piece.role`, ready to be walked. Undefined when one of them is not on the draft. */
export function walkSeam(pieces: readonly PieceResult[], firstName: string, secondName: string): SeamWalk | undefined {
  const first = sideOf(pieces, firstName);
  const second = sideOf(pieces, secondName);
  if (!first || !second) return undefined;
  const opposite = runsOpposite(first, second);
  const path = opposite ? reversePath(second.edge.sewn) : second.edge.sewn;
  const drawn = opposite ? reversePath(second.edge.path) : second.edge.path;
  return {
    first: { piece: first.piece, path: first.edge.sewn, length: first.edge.length },
    second: { piece: second.piece, path, length: second.edge.length },
    turnedOver: !opposite,
    marks: [
      ...pairMarks(marksOn(first.piece, first.edge.path), marksOn(second.piece, drawn)),
      { name: "end", first: first.edge.length, second: second.edge.length },
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

/** Where a seam ends, when two edges named `Piece.role` are sewn to each other. */
export function seamEnds(pieces: readonly PieceResult[], firstName: string, secondName: string): SeamEnd[] {
  const first = sideOf(pieces, firstName);
  const second = sideOf(pieces, secondName);
  if (!first || !second) return [];
  const [a, b] = [cornersOf(first), cornersOf(second)];
  const opposite = runsOpposite(first, second);
  return [
    { first: a.start, second: opposite ? b.end : b.start },
    { first: a.end, second: opposite ? b.start : b.end },
  ];
}

function cornersOf({ piece, edge, before, after }: Side): Record<"start" | "end", SeamEnd["first"]> {
  return {
    start: { piece, before, after: edge, neighbour: before },
    end: { piece, before: edge, after, neighbour: after },
  };
}

interface Side {
  readonly piece: PieceResult;
  readonly edge: PieceEdge;
  readonly before: PieceEdge;
  readonly after: PieceEdge;
}

function sideOf(pieces: readonly PieceResult[], name: string): Side | undefined {
  for (const piece of pieces) {
    const i = piece.edges.findIndex((e) => e.name === name);
    const edge = piece.edges[i];
    if (!edge) continue;
    const at = (k: number): PieceEdge => piece.edges[(i + k + piece.edges.length) % piece.edges.length] as PieceEdge;
    return { piece, edge, before: at(-1), after: at(1) };
  }
  return undefined;
}

/** Outlines run clockwise, so two pieces side by side are sewn along edges that run against each other; turned over, along. The neighbours tell. */
function runsOpposite(a: Side, b: Side): boolean {
  if (a.before.role === b.before.role || a.after.role === b.after.role) return false;
  return a.before.role === b.after.role || a.after.role === b.before.role || a.piece.board === b.piece.board;
}

/** The notches of an edge, by how far along its sewn length they lie: what a dart takes in on the way is not walked. */
function marksOn(piece: PieceResult, path: Path): { id: string; along: number }[] {
  const mouths = piece.darts.flatMap(({ mouth }) => {
    const at = mouth && locate(path, startOf(mouth));
    return mouth && at && at.off < ON_THE_EDGE_MM ? [{ from: at.along, length: pathLength(mouth) }] : [];
  });
  const taken = (along: number): number => mouths.reduce((sum, m) => sum + (along > m.from + ON_THE_EDGE_MM ? m.length : 0), 0);
  return piece.notches
    .map(({ id, at }) => ({ id, ...locate(path, at) }))
    .filter(({ off, along }) => off < ON_THE_EDGE_MM && along > ON_THE_EDGE_MM && along < pathLength(path) - ON_THE_EDGE_MM)
    .map(({ id, along }) => ({ id, along: along - taken(along) }))
    .sort((m, n) => m.along - n.along);
}

/** Notches of one point belong together; the others in the order they are met. */
function pairMarks(first: { id: string; along: number }[], second: { id: string; along: number }[]): WalkMark[] {
  const shared = new Set(first.filter((m) => second.some((n) => n.id === m.id)).map((m) => m.id));
  const same = first.flatMap((m): WalkMark[] => {
    const other = second.find((n) => n.id === m.id);
    return other ? [{ name: m.id, first: m.along, second: other.along }] : [];
  });
  const [restA, restB] = [first, second].map((list) => list.filter((m) => !shared.has(m.id))) as [typeof first, typeof second];
  const rest = Array.from({ length: Math.max(restA.length, restB.length) }, (_, i): WalkMark => {
    const [a, b] = [restA[i], restB[i]];
    return { name: [a?.id, b?.id].filter(Boolean).join(" / "), first: a?.along, second: b?.along };
  });
  return [...same, ...rest].sort((m, n) => (m.first ?? m.second ?? 0) - (n.first ?? n.second ?? 0));
}

/** Where places of the second piece lie when both edges have been walked `mm` from their start: rigid, edge on edge. */
export function walkedTo(walk: SeamWalk, mm: number): (p: Point) => Point {
  const over = (p: Point): Point => (walk.turnedOver ? { x: -p.x, y: p.y } : p);
  const a = placeAlong(walk.first.path, mm);
  const b = placeAlong(walk.second.path, mm);
  const at = over(b.at);
  const heading = over(b.heading);
  const by = Math.atan2(a.heading.y, a.heading.x) - Math.atan2(heading.y, heading.x);
  return (p) => turn({ x: a.at.x + over(p).x - at.x, y: a.at.y + over(p).y - at.y }, a.at, by);
}
