import { signedPathArea } from "../geometry/area.js";
import { flatten } from "../geometry/flatten.js";
import { type OffsetEdge, offsetRing } from "../geometry/offset.js";
import { endOf, joinPaths, pathLength, reversePath, startOf } from "../geometry/path.js";
import { distance, type Point } from "../geometry/point.js";
import type { Notch, PieceEdge, PieceResult } from "./piece.js";

/** What an edge is made of: its path as cut and as sewn, and how it is finished. */
export type EdgeParts = Pick<PieceEdge, "role" | "path" | "sewn" | "allowance" | "finish" | "pointed" | "corner" | "treatment">;

/** What a piece is made of. The rest of it follows from this. */
export type PieceParts = Omit<PieceResult, "edges" | "net" | "cutting" | "covered" | "area" | "gap" | "notches"> & {
  readonly edges: readonly EdgeParts[];
  readonly notches: readonly Pick<Notch, "id" | "at" | "ticks">[];
};

/** Puts a piece together: its edges in clockwise order, net and cutting line, area, and which way its notches point. Lengths in mm. */
export function assemble(parts: PieceParts): PieceResult {
  const { edges, key } = parts;
  const area = signedPathArea(joinPaths(edges.map((e) => e.path)));
  const finished = (area > 0 ? edges : edges.map(backwards).reverse()).map((edge) => finish(key, edge));
  const net = ringOf(finished);
  const cut = finished.some((e) => e.allowance > 0) ? offsetRing(finished.map(offsetEdge)) : { ring: net, covered: false };
  // Written out: a draft puts its pieces together at every move of a slider, and copying what is left of an object is slow.
  return {
    key,
    title: parts.title,
    board: parts.board,
    cut: parts.cut,
    onFold: parts.onFold,
    mirrored: parts.mirrored,
    edges: finished,
    net,
    cutting: cut.ring,
    covered: cut.covered,
    area: Math.abs(area),
    grain: parts.grain,
    levels: parts.levels,
    darts: parts.darts,
    inside: parts.inside,
    notches: parts.notches.map((n) => notchAt(n, net)),
    marks: parts.marks,
    gap: largestGap(finished),
    notes: parts.notes,
    doubts: parts.doubts,
    carried: parts.carried,
  };
}

const offsetEdge = ({ places, allowance, corner }: PieceEdge): OffsetEdge => ({ places, outMm: allowance, corner });

const backwards = (edge: EdgeParts): EdgeParts => ({ ...edge, path: reversePath(edge.path), sewn: reversePath(edge.sewn) });

function finish(key: string, { role, path, sewn, allowance, finish: finished, pointed, corner, treatment }: EdgeParts): PieceEdge {
  const places = flatten(path);
  return {
    role,
    name: `${key}.${role}`,
    path,
    sewn,
    places,
    length: pathLength(sewn),
    allowance,
    finish: finished,
    pointed,
    corner,
    treatment,
  };
}

/** The corner points of all edges as one ring. */
function ringOf(edges: readonly PieceEdge[]): Point[] {
  const ring: Point[] = [];
  for (const { places } of edges) for (let i = 0; i < places.length - 1; i++) ring.push(places[i] as Point);
  return ring;
}

/** A notch on the ring: its outward direction is that of the side it lies on, or nearest to. */
export function notchAt({ id, at, ticks }: Pick<Notch, "id" | "at" | "ticks">, ring: readonly Point[]): Notch {
  let outward: Point = { x: 0, y: -1 };
  let least = Infinity;
  for (let i = 0; i < ring.length; i++) {
    const a = ring[i] as Point;
    const b = ring[(i + 1) % ring.length] as Point;
    const dx = b.x - a.x;
    const dy = b.y - a.y;
    const squared = dx * dx + dy * dy;
    if (squared === 0) continue;
    const t = Math.max(0, Math.min(1, ((at.x - a.x) * dx + (at.y - a.y) * dy) / squared));
    const offX = at.x - a.x - dx * t;
    const offY = at.y - a.y - dy * t;
    const offSquared = offX * offX + offY * offY;
    if (offSquared >= least) continue;
    least = offSquared;
    const length = Math.sqrt(squared);
    outward = { x: dy / length, y: -dx / length };
  }
  return { id, at, outward, ticks, off: Math.sqrt(least) };
}

function largestGap(edges: readonly PieceEdge[]): PieceResult["gap"] {
  let gap = { mm: 0, at: startOf((edges[0] as PieceEdge).path) };
  edges.forEach((edge, i) => {
    const end = endOf(edge.path);
    const mm = distance(end, startOf((edges[(i + 1) % edges.length] as PieceEdge).path));
    if (mm > gap.mm) gap = { mm, at: end };
  });
  return gap;
}
