import { signedPathArea } from "../geometry/ring/area.js";
import { flatten } from "../geometry/path/flatten.js";
import { type OffsetEdge, offsetRing } from "../geometry/ring/offset.js";
import { endOf, joinPaths, type Path, pathLength, reversePath, startOf } from "../geometry/path/path.js";
import { distance, type Point } from "../geometry/point.js";
import type { Notch, PieceEdge, PieceResult } from "./piece.js";

/** What an edge is made of: its path as cut and as sewn, and how it is finished. */
export type EdgeParts = Pick<PieceEdge, "role" | "path" | "sewn" | "allowance" | "finish" | "pointed" | "corner" | "treatment">;

/** What a piece is made of. The rest of it follows from this. */
export type PieceParts = Omit<PieceResult, "edges" | "net" | "cutting" | "covered" | "area" | "gap" | "notches"> & {
  readonly edges: readonly EdgeParts[];
  readonly notches: readonly Pick<Notch, "id" | "at" | "ticks">[];
};

/**
 * Puts a piece together: its edges in clockwise order. Its net and cutting line, its area, the places of its edges and the ways of
 * its notches are worked out when they are first asked for: most pieces are only shaped on into others. Lengths in mm.
 */
export function assemble(parts: PieceParts): PieceResult {
  const { edges, key } = parts;
  const area = signedPathArea(joinPaths(edges.map((e) => e.path)));
  const inOrder = area > 0 ? edges : edges.map(backwards).reverse();
  const finished = inOrder.map((edge) => new AssembledEdge(key, edge));
  const shape = new Shape(finished, Math.abs(area));
  return new AssembledPiece({ ...parts, edges: finished, notches: parts.notches.map((n) => new PlacedNotch(n, shape)) }, shape);
}

/** The same piece with other words, lines or notches on it; its outline stays. */
export function amended(piece: PieceResult, changes: Partial<Omit<PieceParts, "edges">>): PieceResult {
  const { shape } = piece as AssembledPiece;
  const notches = changes.notches?.map((n) => (n instanceof PlacedNotch ? n : new PlacedNotch(n, shape)));
  return new AssembledPiece({ ...piece, ...changes, edges: piece.edges, notches: notches ?? piece.notches }, shape);
}

/** An edge, with what follows from its path worked out when it is first needed. */
class AssembledEdge implements PieceEdge {
  readonly role: string;
  readonly name: string;
  readonly path: Path;
  readonly sewn: Path;
  readonly allowance: number;
  readonly finish: PieceEdge["finish"];
  readonly pointed: boolean;
  readonly corner: PieceEdge["corner"];
  readonly treatment: PieceEdge["treatment"];

  constructor(key: string, parts: EdgeParts) {
    this.role = parts.role;
    this.name = `${key}.${parts.role}`;
    this.path = parts.path;
    this.sewn = parts.sewn;
    this.allowance = parts.allowance;
    this.finish = parts.finish;
    this.pointed = parts.pointed;
    this.corner = parts.corner;
    this.treatment = parts.treatment;
  }

  get places(): readonly Point[] {
    return flattened(this.path);
  }

  get length(): number {
    return pathLength(this.sewn);
  }
}

/** Corner points of paths, each path flattened once: an edge that is not reshaped keeps its path from piece to piece. */
const places = new WeakMap<Path, readonly Point[]>();
function flattened(path: Path): readonly Point[] {
  const known = places.get(path);
  if (known) return known;
  const made = flatten(path);
  places.set(path, made);
  return made;
}

/** The outline of a piece and what follows from it, each worked out once. */
class Shape {
  private netMade: readonly Point[] | undefined;
  private cutMade: { readonly ring: readonly Point[]; readonly covered: boolean } | undefined;

  constructor(
    readonly edges: readonly AssembledEdge[],
    readonly area: number,
  ) {}

  get net(): readonly Point[] {
    return (this.netMade ??= ringOf(this.edges));
  }

  get cut(): { readonly ring: readonly Point[]; readonly covered: boolean } {
    return (this.cutMade ??= this.edges.some((e) => e.allowance > 0)
      ? offsetRing(this.edges.map(offsetEdge))
      : { ring: this.net, covered: false });
  }
}

/** A notch, with the way it points worked out when it is first needed. */
class PlacedNotch implements Notch {
  readonly id: string;
  readonly at: Point;
  readonly ticks: number;

  constructor(
    { id, at, ticks }: Pick<Notch, "id" | "at" | "ticks">,
    private readonly shape: Shape,
  ) {
    this.id = id;
    this.at = at;
    this.ticks = ticks;
  }

  get outward(): Point {
    return notchAt(this, this.shape.net).outward;
  }

  get off(): number {
    return notchAt(this, this.shape.net).off;
  }
}

type Drawn = Omit<PieceParts, "edges" | "notches"> & { readonly edges: readonly PieceEdge[]; readonly notches: readonly Notch[] };

class AssembledPiece implements PieceResult {
  readonly key: string;
  readonly title: string;
  readonly board: string;
  readonly cut: number;
  readonly onFold: boolean;
  readonly mirrored: boolean;
  readonly edges: readonly PieceEdge[];
  readonly grain: PieceResult["grain"];
  readonly levels: PieceResult["levels"];
  readonly darts: PieceResult["darts"];
  readonly inside: PieceResult["inside"];
  readonly notches: readonly Notch[];
  readonly marks: PieceResult["marks"];
  readonly notes: readonly string[];
  readonly doubts: readonly string[];
  readonly carried: PieceResult["carried"];

  constructor(
    parts: Drawn,
    readonly shape: Shape,
  ) {
    this.key = parts.key;
    this.title = parts.title;
    this.board = parts.board;
    this.cut = parts.cut;
    this.onFold = parts.onFold;
    this.mirrored = parts.mirrored;
    this.edges = parts.edges;
    this.grain = parts.grain;
    this.levels = parts.levels;
    this.darts = parts.darts;
    this.inside = parts.inside;
    this.notches = parts.notches;
    this.marks = parts.marks;
    this.notes = parts.notes;
    this.doubts = parts.doubts;
    this.carried = parts.carried;
  }

  get net(): readonly Point[] {
    return this.shape.net;
  }

  get cutting(): readonly Point[] {
    return this.shape.cut.ring;
  }

  get covered(): boolean {
    return this.shape.cut.covered;
  }

  get area(): number {
    return this.shape.area;
  }

  get gap(): PieceResult["gap"] {
    return largestGap(this.shape.edges);
  }
}

const offsetEdge = ({ places, allowance, corner }: PieceEdge): OffsetEdge => ({ places, outMm: allowance, corner });

const backwards = (edge: EdgeParts): EdgeParts => ({ ...edge, path: reversePath(edge.path), sewn: reversePath(edge.sewn) });

/** The corner points of all edges as one ring. */
function ringOf(edges: readonly PieceEdge[]): Point[] {
  const ring: Point[] = [];
  for (const { places } of edges) for (let i = 0; i < places.length - 1; i++) ring.push(places[i] as Point);
  return ring;
}

/** A notch on the ring: its outward direction is that of the side it lies on, or nearest to. */
function notchAt({ id, at, ticks }: Pick<Notch, "id" | "at" | "ticks">, ring: readonly Point[]): Notch {
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
