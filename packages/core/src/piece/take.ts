import { evaluated } from "../formula/evaluated.js";
import type { Environment } from "../formula/scope.js";
import { boundsOf } from "../geometry/bounds.js";
import { flatten } from "../geometry/path/flatten.js";
import { mapPath, type Path } from "../geometry/path/path.js";
import type { Point } from "../geometry/point.js";
import { amended, assemble, type EdgeParts } from "./assemble.js";
import type { CarriedNames, PlannedEdge, PlannedPiece } from "./blueprint.js";
import { drawOn } from "./draw-on.js";
import { type EdgePath, edgePath } from "./edge-path.js";
import { type PieceResult, roleText } from "./piece.js";

/** Takes a piece off the board. Undefined when a point of its outline is missing. Its edges, as they are sewn, become paths of the environment. */
export function takePiece(piece: PlannedPiece, environment: Environment): PieceResult | undefined {
  const outline: EdgePath[] = [];
  for (const edge of piece.edges) {
    const path = edgePath(edge.items, environment);
    if (!path) return undefined;
    outline.push(path);
    // Checks and formulas measure an edge as it is sewn, with its darts closed.
    environment.paths[edge.pathIndex] = path.sewn;
  }
  const turnedAt = piece.source.turned ? turnAbout(outline) : undefined;
  const lift = turnedAt === undefined ? (p: Point): Point => p : (p: Point): Point => ({ x: turnedAt - p.x, y: p.y });
  const edges = piece.edges.map((edge, i) =>
    edgeParts(edge, outline[i] as EdgePath, turnedAt === undefined ? undefined : lift, environment),
  );
  const edgeOf = (role: string): Path | undefined => edges[piece.edges.findIndex((e) => e.role === role)]?.path;
  const { source } = piece;
  const drawn = drawOn(piece, environment, {
    edgeOf,
    lift,
    mouthOf: (dart) => outline.find((edge) => edge.mouths.has(dart))?.mouths.get(dart),
  });
  return assemble({
    key: source.key,
    title: source.title,
    board: source.board,
    cut: source.cut,
    onFold: source.onFold ?? false,
    mirrored: source.mirrored ?? false,
    edges,
    ...drawn,
    doubts: [...drawn.doubts, ...piece.edges.flatMap((edge) => allowanceDoubt(edge, environment))],
    notes: piece.notes,
    carried: carriedBy(piece.carries, environment, lift, turnedAt),
  });
}

const NOTHING_CARRIED: PieceResult["carried"] = { points: new Map(), paths: new Map(), laid: new Map(), turnedAt: undefined };

/** The points and lines that the shaping names, as they lie on the piece. */
function carriedBy(
  names: CarriedNames,
  environment: Environment,
  lift: (p: Point) => Point,
  turnedAt: number | undefined,
): PieceResult["carried"] {
  if (names.points.size === 0 && names.paths.size === 0) return NOTHING_CARRIED;
  const points = new Map<string, Point>();
  for (const [id, index] of names.points) {
    const p = environment.points[index];
    if (p) points.set(id, lift(p));
  }
  const paths = new Map<string, Path>();
  for (const [key, index] of names.paths) {
    const path = environment.paths[index];
    if (path) paths.set(key, turnedAt === undefined ? path : mapPath(path, lift));
  }
  return { points, paths, laid: paths, turnedAt };
}

/** A piece with what was drawn on the board since it was taken: it lies on it as it lies on the board. */
export function withLateNames(piece: PieceResult, names: CarriedNames, environment: Environment): PieceResult {
  const { carried } = piece;
  if (carried.points.size === names.points.size && carried.paths.size === names.paths.size) return piece;
  const { turnedAt } = carried;
  const now = carriedBy(names, environment, turnedAt === undefined ? (p) => p : (p) => ({ x: turnedAt - p.x, y: p.y }), turnedAt);
  if (now.points.size <= carried.points.size && now.paths.size <= carried.paths.size) return piece;
  return amended(piece, {
    carried: {
      points: new Map([...now.points, ...carried.points]),
      paths: new Map([...now.paths, ...carried.paths]),
      laid: new Map([...now.laid, ...carried.laid]),
      turnedAt,
    },
  });
}

/** Left and right are changed about the middle of the outline, to a millimetre: where on the table it then lies tells nothing. Twice that middle. */
function turnAbout(outline: readonly EdgePath[]): number {
  const box = boundsOf(outline.flatMap((edge) => flatten(edge.cut, 1)));
  return box ? box.minX + box.maxX : 0;
}

/** What is said of an allowance that is none on this body. */
function allowanceDoubt({ role, finish, allow }: PlannedEdge, environment: Environment): string[] {
  if (finish !== "seam" || allow === undefined || allow.constant !== undefined || evaluated(allow, environment) >= 0) return [];
  return [`The allowance of ${roleText({ role })} comes to no figure above nothing: none is added. Check what it is worked out from.`];
}

type PlainEdge = Omit<PlannedEdge, "pathIndex">;

/** An edge as drawn, with its allowance on this body. */
export function edgeParts(
  edge: PlainEdge,
  drawn: EdgePath,
  toPaper: ((p: Point) => Point) | undefined,
  environment: Environment,
): EdgeParts {
  const allow = edge.finish === "seam" ? evaluated(edge.allow, environment) : 0;
  const path = toPaper ? mapPath(drawn.cut, toPaper) : drawn.cut;
  return {
    role: edge.role,
    path,
    sewn: drawn.cut === drawn.sewn ? path : toPaper ? mapPath(drawn.sewn, toPaper) : drawn.sewn,
    allowance: Number.isFinite(allow) ? Math.max(0, allow) : 0,
    finish: edge.finish,
    pointed: edge.pointed,
    treatment: edge.treatment,
    corner: edge.corner,
  };
}
