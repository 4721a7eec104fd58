import type { Plan, PlannedEdge, PlannedPiece } from "../plan/plan.js";
import type { Frame } from "../formula/scope.js";
import { boundsOf } from "../geometry/bounds.js";
import { flatten } from "../geometry/flatten.js";
import { mapPath, pathLength, placeAlong } from "../geometry/path.js";
import type { Point } from "../geometry/point.js";
import { assemble, type EdgeParts } from "../piece/assemble.js";
import { dartResult } from "../piece/dart-result.js";
import { type EdgePath, edgePath } from "./edge-path.js";
import type { PieceResult } from "../piece/piece.js";

/** Takes every piece off the board. A piece whose points are missing is left out. Edges become paths of the frame, for checks. */
export function buildPieces(plan: Plan, frame: Frame): PieceResult[] {
  return plan.pieces.flatMap((piece) => {
    if (piece.when && !piece.when.run(frame)) return [];
    const built = buildPiece(piece, plan, frame);
    return built ? [built] : [];
  });
}

function buildPiece(piece: PlannedPiece, plan: Plan, frame: Frame): PieceResult | undefined {
  const outline: EdgePath[] = [];
  for (const edge of piece.edges) {
    const path = edgePath(edge.items, frame);
    if (!path) return undefined;
    outline.push(path);
    // Checks and formulas measure an edge as it is sewn, with its darts closed.
    frame.paths[edge.pathIndex] = path.sewn;
  }
  const toPaper = piece.source.turned ? turnedOver(outline) : undefined;
  const lift = toPaper ?? ((p: Point): Point => p);
  const place = (index: number): Point => lift(frame.points[index] as Point);
  const there = (index: number): boolean => frame.points[index] !== undefined;
  return assemble({
    key: piece.source.key,
    title: piece.source.title,
    board: piece.source.board,
    cut: piece.source.cut,
    onFold: piece.source.onFold ?? false,
    mirrored: piece.source.mirrored ?? false,
    edges: piece.edges.map((edge, i) => edgeParts(edge, outline[i] as EdgePath, toPaper, frame)),
    grain: piece.grain && piece.grain.every(there) ? [place(piece.grain[0]), place(piece.grain[1])] : undefined,
    levels: piece.levels.filter((l) => l.ends.every(there)).map((l) => ({ label: l.label, a: place(l.ends[0]), b: place(l.ends[1]) })),
    darts: piece.darts.flatMap((planned) => {
      const path = frame.paths[planned.path];
      const mouth = outline.find((edge) => edge.mouths.has(planned))?.mouths.get(planned);
      const dart = path && dartResult(planned, path, mouth, lift);
      return dart ? [dart] : [];
    }),
    inside: piece.inside.flatMap((line) => {
      const path = edgePath(line.items, frame)?.cut;
      return path ? [{ label: line.label, path: mapPath(path, lift) }] : [];
    }),
    notches: piece.notches.flatMap((n) => {
      const at = "point" in n ? there(n.point) && place(n.point) : alongEdge(outline[n.edge], n.along.run(frame), lift);
      return at ? [{ id: n.id, at, marks: n.marks }] : [];
    }),
    notes: piece.source.notes ?? [],
    carried: carriedBy(plan, frame, lift),
  });
}

/** The place so far along an edge; undefined where the edge does not reach so far. */
function alongEdge(edge: EdgePath | undefined, mm: number, lift: (p: Point) => Point): Point | undefined {
  return edge && mm >= 0 && mm <= pathLength(edge.cut) ? lift(placeAlong(edge.cut, mm).at) : undefined;
}

const NOTHING_CARRIED: PieceResult["carried"] = { points: new Map(), paths: new Map(), laid: new Map() };

/** The points and lines that the shaping names, as they lie on the piece. */
function carriedBy(plan: Plan, frame: Frame, lift: (p: Point) => Point): PieceResult["carried"] {
  if (plan.shapings.length === 0) return NOTHING_CARRIED;
  const points = [...plan.shapingNames.points].flatMap(([id, index]) => {
    const p = frame.points[index];
    return p ? [[id, lift(p)] as const] : [];
  });
  const paths = [...plan.shapingNames.paths].flatMap(([key, index]) => {
    const path = frame.paths[index];
    return path ? [[key, mapPath(path, lift)] as const] : [];
  });
  return { points: new Map(points), paths: new Map(paths), laid: new Map(paths) };
}

/** Left and right changed about the middle of the outline, to a millimetre: where on the table it then lies tells nothing. */
function turnedOver(outline: readonly EdgePath[]): (p: Point) => Point {
  const box = boundsOf(outline.flatMap((edge) => flatten(edge.cut, 1)));
  const twice = box ? box.minX + box.maxX : 0;
  return (p) => ({ x: twice - p.x, y: p.y });
}

function edgeParts(edge: PlannedEdge, drawn: EdgePath, toPaper: ((p: Point) => Point) | undefined, frame: Frame): EdgeParts {
  const allow = edge.finish === "seam" ? (edge.allow?.run(frame) ?? 0) : 0;
  const path = toPaper ? mapPath(drawn.cut, toPaper) : drawn.cut;
  return {
    role: edge.role,
    path,
    sewn: drawn.cut === drawn.sewn ? path : toPaper ? mapPath(drawn.sewn, toPaper) : drawn.sewn,
    allowance: Number.isFinite(allow) ? Math.max(0, allow) : 0,
    finish: edge.finish,
    pointed: edge.pointed,
    corner: edge.corner,
  };
}
