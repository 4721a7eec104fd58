import type { Plan, PlannedEdge, PlannedPiece } from "../draft/plan.js";
import type { Frame } from "../formula/scope.js";
import { signedPathArea } from "../geometry/area.js";
import { boundsOf } from "../geometry/bounds.js";
import { flatten } from "../geometry/flatten.js";
import { type OffsetEdge, offsetRing } from "../geometry/offset.js";
import { endOf, joinPaths, mapPath, type Path, pathLength, reversePath, startOf } from "../geometry/path.js";
import { distance, type Point } from "../geometry/point.js";
import { dartResult } from "./dart-result.js";
import { type EdgePath, edgePath } from "./edge-path.js";
import type { Notch, PieceEdge, PieceResult } from "./piece.js";

/** Takes every piece off the board. A piece whose points are missing is left out. Edges become paths of the frame, for checks. */
export function buildPieces(plan: Plan, frame: Frame): PieceResult[] {
  return plan.pieces.flatMap((piece) => {
    if (piece.when && !piece.when.run(frame)) return [];
    const built = buildPiece(piece, frame);
    return built ? [built] : [];
  });
}

function buildPiece(piece: PlannedPiece, frame: Frame): PieceResult | undefined {
  const outline: EdgePath[] = [];
  for (const edge of piece.edges) {
    const path = edgePath(edge.items, frame);
    if (!path) return undefined;
    outline.push(path);
    // Checks and formulas measure an edge as it is sewn, with its darts closed.
    frame.paths[edge.pathIndex] = path.sewn;
  }
  const lifted = liftOff(
    piece,
    outline.map((edge) => edge.cut),
  );
  const edges = piece.edges.map((edge, i) => finishEdge(piece, edge, lifted, i, outline[i] as EdgePath, frame));
  const ordered = lifted.area > 0 ? edges : edges.map(backwards).reverse();
  const net = ringOf(ordered);
  const place = (index: number): Point => lifted.toPaper(frame.points[index] as Point);
  const there = (index: number): boolean => frame.points[index] !== undefined;
  return {
    key: piece.source.key,
    title: piece.source.title,
    board: piece.source.board,
    cut: piece.source.cut,
    onFold: piece.source.onFold ?? false,
    mirrored: piece.source.mirrored ?? false,
    edges: ordered,
    net,
    cutting: ordered.some((e) => e.allowance > 0) ? offsetRing(ordered.map((e) => offsetEdge(piece, e))) : net,
    area: Math.abs(lifted.area),
    grain: piece.grain && piece.grain.every(there) ? [place(piece.grain[0]), place(piece.grain[1])] : undefined,
    levels: piece.levels.filter((l) => l.ends.every(there)).map((l) => ({ label: l.label, a: place(l.ends[0]), b: place(l.ends[1]) })),
    darts: piece.darts.flatMap((planned) => {
      const path = frame.paths[planned.path];
      const mouth = outline.find((edge) => edge.mouths.has(planned))?.mouths.get(planned);
      const dart = path && dartResult(planned, path, mouth, lifted.toPaper);
      return dart ? [dart] : [];
    }),
    inside: piece.inside.flatMap((line) => {
      const path = edgePath(line.items, frame)?.cut;
      return path ? [{ label: line.label, path: mapPath(path, lifted.toPaper) }] : [];
    }),
    notches: piece.notches.filter((n) => there(n.point)).map((n) => notchAt(n.id, place(n.point), n.marks, net)),
    gap: largestGap(ordered),
    notes: piece.source.notes ?? [],
  };
}

/** The paths as they lie once the piece is off the board, their corner points, and the area they enclose (mm², positive when clockwise). */
interface Lifted {
  readonly paths: readonly Path[];
  readonly places: readonly (readonly Point[])[];
  readonly toPaper: (p: Point) => Point;
  readonly area: number;
}

function liftOff(piece: PlannedPiece, paths: readonly Path[]): Lifted {
  const area = signedPathArea(joinPaths(paths));
  const places = paths.map((path) => flatten(path));
  if (!piece.source.turned) return { paths, places, toPaper: (p) => p, area };
  const box = boundsOf(places.flat());
  const twice = box ? box.minX + box.maxX : 0;
  const toPaper = (p: Point): Point => ({ x: twice - p.x, y: p.y });
  return { paths: paths.map((path) => mapPath(path, toPaper)), places: places.map((list) => list.map(toPaper)), toPaper, area: -area };
}

/** The corner points of all edges as one ring. */
function ringOf(edges: readonly PieceEdge[]): Point[] {
  const ring: Point[] = [];
  for (const { places } of edges) for (let i = 0; i < places.length - 1; i++) ring.push(places[i] as Point);
  return ring;
}

function offsetEdge(piece: PlannedPiece, edge: PieceEdge): OffsetEdge {
  return { places: edge.places, outMm: edge.allowance, corner: piece.edges.find((e) => e.role === edge.role)?.corner };
}

const backwards = (edge: PieceEdge): PieceEdge => ({
  ...edge,
  path: reversePath(edge.path),
  sewn: reversePath(edge.sewn),
  places: [...edge.places].reverse(),
});

function finishEdge(piece: PlannedPiece, edge: PlannedEdge, lifted: Lifted, i: number, drawn: EdgePath, frame: Frame): PieceEdge {
  const allow = edge.finish === "seam" ? (edge.allow?.run(frame) ?? 0) : 0;
  const path = lifted.paths[i] as Path;
  return {
    role: edge.role,
    name: `${piece.source.key}.${edge.role}`,
    path,
    sewn: drawn.cut === drawn.sewn ? path : mapPath(drawn.sewn, lifted.toPaper),
    places: lifted.places[i] as readonly Point[],
    length: pathLength(drawn.sewn),
    allowance: Number.isFinite(allow) ? Math.max(0, allow) : 0,
    finish: edge.finish,
    pointed: edge.pointed,
  };
}

/** A notch on the ring: its outward direction is that of the side it lies on, or nearest to. */
function notchAt(id: string, at: Point, marks: number, ring: readonly Point[]): Notch {
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
  return { id, at, outward, marks };
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
