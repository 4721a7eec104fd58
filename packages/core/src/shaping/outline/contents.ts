import { flatten } from "../../geometry/path/flatten.js";
import { polygonArea } from "../../geometry/ring/area.js";
import { mapPath, type Path, pathLength, pointAtLength } from "../../geometry/path/path.js";
import { lerp, type Point } from "../../geometry/point.js";
import { distanceToRing, insideRing } from "../../geometry/ring/ring.js";
import type { EdgeParts, PieceParts } from "../../piece/assemble.js";
import type { DartResult } from "../../piece/dart-result.js";
import type { PieceMark, PieceResult } from "../../piece/piece.js";

type Contents = Pick<PieceParts, "grain" | "levels" | "darts" | "inside" | "notches" | "marks" | "carried">;

export const middle = (a: Point, b: Point): Point => lerp(a, b, 0.5);

/** The region of a part: its edges as a ring, closed over the places given. */
export function regionOf(edges: readonly EdgeParts[], over: readonly Point[] = []): Point[] {
  const ring: Point[] = [];
  for (const { path } of edges) for (const p of flatten(path)) ring.push(p);
  for (const p of over) ring.push(p);
  return ring;
}

/** What is drawn on a piece, moved where it lies on the region of the part that moves. The grain stays, and so do the lines of the board. */
export function moveContents(piece: Contents, region: readonly Point[], map: (p: Point) => Point): Contents {
  return contentsBy(piece, (at) => (lies(at, region) ? map : (p) => p));
}

/** Every place of what is drawn on a piece, mapped. */
export function mapContents(piece: Contents, map: (p: Point) => Point): Contents {
  const mapped = contentsBy(piece, () => map);
  const laid = new Map([...piece.carried.laid].map(([key, path]) => [key, mapPath(path, map)]));
  return { ...mapped, grain: piece.grain && [map(piece.grain[0]), map(piece.grain[1])], carried: { ...mapped.carried, laid } };
}

/** What is drawn on a piece, each thing mapped as a whole by the map for the place of its middle; but for the grain and the lines of the board. */
function contentsBy(piece: Contents, mapFor: (at: Point) => (p: Point) => Point): Contents {
  const place = (p: Point): Point => mapFor(p)(p);
  const line = (path: Path): Path => mapPath(path, mapFor(pointAtLength(path, pathLength(path) / 2).at));
  return {
    grain: piece.grain,
    levels: piece.levels.map((l) => {
      const map = mapFor(middle(l.a, l.b));
      return { ...l, a: map(l.a), b: map(l.b) };
    }),
    darts: piece.darts.map((d) => mapDart(d, mapFor(middle(...d.fold)))),
    inside: piece.inside.map((l) => ({ ...l, path: line(l.path) })),
    notches: piece.notches.map((n) => ({ ...n, at: place(n.at) })),
    marks: piece.marks.map((m) => mapMark(m, mapFor(m.at))),
    carried: {
      points: new Map([...piece.carried.points].map(([id, p]) => [id, place(p)])),
      paths: new Map([...piece.carried.paths].map(([key, path]) => [key, line(path)])),
      laid: piece.carried.laid,
      turnedAt: piece.carried.turnedAt,
    },
  };
}

function mapMark(mark: PieceMark, map: (p: Point) => Point): PieceMark {
  const [at, tip] = [map(mark.at), map({ x: mark.at.x + mark.way.x, y: mark.at.y + mark.way.y })];
  return { ...mark, at, way: { x: tip.x - at.x, y: tip.y - at.y } };
}

function mapDart(dart: DartResult, map: (p: Point) => Point): DartResult {
  const [origin, tip] = [map({ x: 0, y: 0 }), map(dart.pressed)];
  return {
    ...dart,
    legs: mapPath(dart.legs, map),
    fold: [map(dart.fold[0]), map(dart.fold[1])],
    pressed: { x: tip.x - origin.x, y: tip.y - origin.y },
    mouth: dart.mouth && mapPath(dart.mouth, map),
  };
}

/** How far (mm) off a region a mark on its border may lie and still belong to it. */
const BORDER_MM = 0.05;

/** True on the region or on its border. */
export function lies(p: Point, region: readonly Point[]): boolean {
  return insideRing(p, region) || distanceToRing(p, region) < BORDER_MM;
}

/** How much a part of a piece should rather stay: the fold first, then the middle of the grain, then the larger part. */
export function hold(piece: PieceResult, edges: readonly EdgeParts[], region: readonly Point[]): number {
  const fold = edges.some((e) => e.finish === "fold") ? 4 : 0;
  const grain = piece.grain !== undefined && insideRing(middle(...piece.grain), region) ? 2 : 0;
  return fold + grain + Math.min(1, polygonArea(region) / (piece.area || 1));
}
