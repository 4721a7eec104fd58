import {
  type DartResult,
  distance,
  endOf,
  grainArrow,
  type Path,
  pathLength,
  type PieceMark,
  type PieceResult,
  pointAtLength,
  type Point,
  polyline,
  pressArrow,
  type Segment,
  startOf,
} from "@lodrin/core";
import type { Layer, Sink } from "./mark.js";
import { notchTicks } from "./notch-ticks.js";

/** A folded edge shorter than this (mm) is known by its line alone. */
const SHORTEST_BRACKET_MM = 40;
const SHORTEST_GRAIN_MM = 20;

/**
 * The one way over a piece: everything that is drawn on it, into a sink, in the piece's own mm. Screen, SVG, DXF and PDF all
 * take what they draw from here. Gives the grain arrow as drawn, so that a title can keep off it.
 */
export function drawPiece(piece: PieceResult, sink: Sink): Segment | undefined {
  const line = (layer: Layer, ...places: readonly Point[]): void => sink.stroke({ layer, path: polyline(places), closed: false });
  for (const level of piece.levels) {
    line("levels", level.a, level.b);
    sink.words({ ...PLAIN, at: { x: along(level.a.x, level.b.x), y: along(level.a.y, level.b.y) - 1.5 }, text: level.label });
  }
  for (const edge of piece.edges)
    sink.stroke({ layer: edge.finish === "fold" ? "fold" : "net", path: edge.path, closed: false, edge: edge.name });
  for (const inside of piece.inside) {
    sink.stroke({ layer: "inside", path: inside.path, closed: false });
    nameAlong(inside.label, inside.path, sink);
  }
  for (const dart of piece.darts) drawDart(dart, sink);
  if (piece.cutting !== piece.net)
    sink.stroke({ layer: "allowance", path: polyline([...piece.cutting, piece.cutting[0] as Point]), closed: true });
  for (const edge of piece.edges) if (edge.finish === "fold") foldBracket(edge.path, sink);
  const grain = grainArrow(piece);
  if (grain) grainLine(grain, sink);
  for (const notch of piece.notches)
    for (const tick of notchTicks(notch, piece)) sink.stroke({ layer: "notches", path: tick, closed: false });
  for (const mark of piece.marks) for (const path of markStrokes(mark)) sink.stroke({ layer: "marks", path, closed: false });
  return grain;
}

/** Where on its line the name of a level stands: past the middle, where a title would. */
const along = (a: number, b: number): number => a + (b - a) * 0.75;

const PLAIN = { size: 4, anchor: "middle", turn: 0 } as const;

/** The name of a line inside the piece, over its middle and along it. */
function nameAlong(text: string, path: Path, sink: Sink): void {
  const length = pathLength(path);
  if (text === "" || length < text.length * 2.4) return;
  const { at, heading } = pointAtLength(path, length / 2);
  const turn = readable(heading);
  sink.words({ ...PLAIN, at: over(at, turn), text, turn });
}

/** The turn of words along a direction so that they read upward or to the right, never upside down. */
function readable(u: Point): number {
  const slope = Math.atan2(u.y, u.x);
  return slope > Math.PI / 4 ? slope - Math.PI : slope < (-3 * Math.PI) / 4 ? slope + Math.PI : slope;
}

/** Where the foot of words stands so that they lie over a line and clear of it. */
const over = (p: Point, turn: number): Point => ({ x: p.x + 1.5 * Math.sin(turn), y: p.y - 1.5 * Math.cos(turn) });

/** The legs of a dart, its fold, and the arrow that tells which way it is pressed. */
function drawDart(dart: DartResult, sink: Sink): void {
  sink.stroke({ layer: "inside", path: dart.legs, closed: false });
  sink.stroke({ layer: "fold", path: polyline(dart.fold), closed: false });
  for (const places of pressArrow(dart)) sink.stroke({ layer: "inside", path: polyline(places), closed: false, sign: true });
}

/** A bracket along the fold, a finger inside the piece, with the word. */
function foldBracket(path: Path, sink: Sink): void {
  const [a, b] = [startOf(path), endOf(path)];
  const length = distance(a, b);
  if (length < SHORTEST_BRACKET_MM) return;
  const u = { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
  const inward = { x: -u.y, y: u.x };
  const at = (along: number, inside: number): Point => ({
    x: a.x + u.x * along + inward.x * inside,
    y: a.y + u.y * along + inward.y * inside,
  });
  const [from, to] = [length * 0.35, length * 0.65];
  sink.stroke({ layer: "fold", path: polyline([at(from, 2), at(from, 8), at(to, 8), at(to, 2)]), closed: false, sign: true });
  sink.words({ at: at(length / 2, 13), text: "fold", size: 5, anchor: "middle", turn: -Math.PI / 2 });
}

/** The grain: an arrow at both ends, with the word beside it. */
function grainLine([a, b]: Segment, sink: Sink): void {
  const length = distance(a, b);
  if (length < SHORTEST_GRAIN_MM) return;
  const u = { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
  const at = (along: number, off: number): Point => ({ x: a.x + u.x * along + u.y * off, y: a.y + u.y * along - u.x * off });
  const head = (along: number, way: number): Path => polyline([at(along - way * 6, 2.5), at(along, 0), at(along - way * 6, -2.5)]);
  sink.stroke({ layer: "grain", path: polyline([a, b]), closed: false });
  for (const path of [head(length, 1), head(0, -1)]) sink.stroke({ layer: "grain", path, closed: false, sign: true });
  const turn = readable(u);
  sink.words({ ...PLAIN, at: over(at(length / 2, 0), turn), text: "grain", turn });
}

/** Half the size of a cross or the cap of a buttonhole, mm. */
const CROSS_MM = 2.5;

/** A button is a cross in a ring, a buttonhole a line with its caps, a hole to drill a small ring. */
function markStrokes({ kind, at, length, way }: PieceMark): Path[] {
  const place = (along: number, off: number): Point => ({ x: at.x + way.x * along - way.y * off, y: at.y + way.y * along + way.x * off });
  const ring = (r: number): Path =>
    polyline(
      Array.from({ length: 25 }, (_, i) => ({ x: at.x + r * Math.cos((i * Math.PI) / 12), y: at.y + r * Math.sin((i * Math.PI) / 12) })),
    );
  if (kind === "drill") return [ring(1)];
  const cross = [polyline([place(-CROSS_MM, 0), place(CROSS_MM, 0)]), polyline([place(0, -CROSS_MM), place(0, CROSS_MM)])];
  if (kind === "button") return [...cross, ring(CROSS_MM * 2)];
  const half = (length ?? 0) / 2;
  const cap = (along: number): Path => polyline([place(along, -CROSS_MM), place(along, CROSS_MM)]);
  return [polyline([place(-half, 0), place(half, 0)]), cap(-half), cap(half)];
}
