import {
  boundsOf,
  cutText,
  type DartResult,
  flatten,
  grainArrow,
  growBounds,
  middleOf,
  type Path,
  type PieceResult,
  type Point,
  pressArrow,
  type Run,
  type Segment,
  titleRoom,
  shiftPath,
  svgData,
} from "@lodrin/core";
import type { Drawing, Mark, Stroke, Words } from "./mark.js";

const GAP_MM = 40;
const EDGE_MM = 12;

/** A piece moved to its place on the sheet. */
export interface LaidPiece {
  readonly piece: PieceResult;
  readonly dx: number;
  readonly dy: number;
}

/** Pieces side by side in a row, tops level, in the order they are cut. */
export function layPieces(pieces: readonly PieceResult[]): LaidPiece[] {
  let x = 0;
  return pieces.map((piece) => {
    const box = boundsOf([...piece.cutting, ...piece.net]) ?? { minX: 0, minY: 0, maxX: 0, maxY: 0 };
    const laid = { piece, dx: x - box.minX, dy: -box.minY };
    x += box.maxX - box.minX + GAP_MM;
    return laid;
  });
}

/** The pattern pieces of a run laid apart on one sheet, all or those named. */
export function drawPieces(run: Run, keys?: readonly string[]): Drawing {
  const pieces = keys ? run.pieces.filter((p) => keys.includes(p.key)) : run.pieces;
  const marks = layPieces(pieces).flatMap((laid) => drawPiece(laid));
  const bounds = boundsOf(marks.flatMap((m) => (m.kind === "stroke" ? m.places : [m.at]))) ?? { minX: 0, minY: 0, maxX: 10, maxY: 10 };
  return { title: run.title, bounds: growBounds(bounds, EDGE_MM), marks };
}

function drawPiece({ piece, dx, dy }: LaidPiece): Mark[] {
  const move = (p: Point): Point => ({ x: p.x + dx, y: p.y + dy });
  const line = (layer: Stroke["layer"], ...places: Point[]): Stroke => ({ kind: "stroke", layer, places: places.map(move), closed: false });
  const marks: Mark[] = [];
  for (const level of piece.levels) marks.push(line("levels", level.a, level.b), levelName(level, move));
  for (const edge of piece.edges) marks.push(edgeStroke(edge, dx, dy));
  for (const inside of piece.inside) marks.push(insideStroke(inside.path, dx, dy));
  for (const dart of piece.darts) marks.push(insideStroke(dart.legs, dx, dy), ...dartFold(dart, line));
  if (piece.cutting !== piece.net) marks.push({ kind: "stroke", layer: "allowance", places: piece.cutting.map(move), closed: true });
  for (const edge of piece.edges) if (edge.finish === "fold") marks.push(...foldBracket(edge.places, move));
  const grain = grainArrow(piece);
  if (grain) marks.push(...grainLine(grain, move));
  for (const notch of piece.notches) marks.push(...notchTicks(notch, move));
  return [...marks, ...title(piece, grain, move)];
}

function edgeStroke(edge: PieceResult["edges"][number], dx: number, dy: number): Stroke {
  const path = shiftPath(edge.path, dx, dy);
  return { kind: "stroke", layer: edge.finish === "fold" ? "fold" : "net", places: flatten(path), closed: false, data: svgData(path) };
}

/** A line inside the piece, thinner than the net line. */
function insideStroke(inside: Path, dx: number, dy: number): Stroke {
  const path = shiftPath(inside, dx, dy);
  return { kind: "stroke", layer: "inside", places: flatten(path), closed: false, data: svgData(path) };
}

/** The fold of a dart, and the arrow that tells which way it is pressed. */
function dartFold(dart: DartResult, line: (layer: Stroke["layer"], ...places: Point[]) => Stroke): Stroke[] {
  return [line("fold", ...dart.fold), ...pressArrow(dart).map((places) => line("inside", ...places))];
}

function levelName(level: { label: string; a: Point; b: Point }, move: (p: Point) => Point): Words {
  const at = move({ x: (level.a.x + level.b.x) / 2, y: (level.a.y + level.b.y) / 2 - 1.5 });
  return { kind: "words", layer: "labels", at, text: level.label, size: 4, anchor: "middle", turn: 0 };
}

/** A bracket along the fold, a finger inside the piece, with the word. */
function foldBracket(places: readonly Point[], move: (p: Point) => Point): Mark[] {
  const a = places[0] as Point;
  const b = places[places.length - 1] as Point;
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  if (length < 40) return [];
  const u = { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
  const inward = { x: -u.y, y: u.x };
  const at = (along: number, inside: number): Point =>
    move({ x: a.x + u.x * along + inward.x * inside, y: a.y + u.y * along + inward.y * inside });
  const from = length * 0.35;
  const to = length * 0.65;
  const bracket: Stroke = { kind: "stroke", layer: "fold", places: [at(from, 2), at(from, 8), at(to, 8), at(to, 2)], closed: false };
  const word: Words = {
    kind: "words",
    layer: "labels",
    at: at(length / 2, 13),
    text: "fold",
    size: 5,
    anchor: "middle",
    turn: -Math.PI / 2,
  };
  return [bracket, word];
}

/** The grain: an arrow at both ends, with the word beside it. */
function grainLine([a, b]: readonly [Point, Point], move: (p: Point) => Point): Mark[] {
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  if (length < 20) return [];
  const u = { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
  const at = (along: number, off: number): Point => move({ x: a.x + u.x * along + u.y * off, y: a.y + u.y * along - u.x * off });
  const head = (along: number, way: number): Stroke => ({
    kind: "stroke",
    layer: "grain",
    places: [at(along - way * 6, 2.5), at(along, 0), at(along - way * 6, -2.5)],
    closed: false,
  });
  // Words read upward or to the right, never upside down.
  const slope = Math.atan2(u.y, u.x);
  const turn = slope > Math.PI / 4 ? slope - Math.PI : slope < (-3 * Math.PI) / 4 ? slope + Math.PI : slope;
  return [
    { kind: "stroke", layer: "grain", places: [at(0, 0), at(length, 0)], closed: false },
    head(length, 1),
    head(0, -1),
    { kind: "words", layer: "labels", at: at(length / 2, 2 * Math.sign(u.y || 1)), text: "grain", size: 4, anchor: "middle", turn },
  ];
}

const NOTCH_MM = 5;

function notchTicks(notch: PieceResult["notches"][number], move: (p: Point) => Point): Stroke[] {
  const { at, outward } = notch;
  return Array.from({ length: notch.ticks }, (_, i): Stroke => {
    const aside = (i - (notch.ticks - 1) / 2) * 3;
    const foot = { x: at.x - outward.y * aside, y: at.y + outward.x * aside };
    return {
      kind: "stroke",
      layer: "notches",
      places: [move(foot), move({ x: foot.x - outward.x * NOTCH_MM, y: foot.y - outward.y * NOTCH_MM })],
      closed: false,
    };
  });
}

/** Name, how many to cut, and whether allowances are in. */
function title(piece: PieceResult, grain: Segment | undefined, move: (p: Point) => Point): Words[] {
  // Letters of the title are about half as wide as high; three lines stand 26 mm high.
  const room = titleRoom(piece, grain)(Math.max(piece.title.length * 9 * 0.55, 50), 28) ?? middleOf(piece);
  const at = move({ x: room.x, y: room.y - 5 });
  const allowances = [...new Set(piece.edges.filter((e) => e.finish === "seam").map((e) => e.allowance))];
  const allowance = allowances.every((a) => a === 0) ? "net: no allowance included" : "allowance included";
  const words = (text: string, size: number, dy: number): Words => ({
    kind: "words",
    layer: "labels",
    at: { x: at.x, y: at.y + dy },
    text,
    size,
    anchor: "middle",
    turn: 0,
  });
  return [words(piece.title, 9, 0), words(cutText(piece), 5.5, 9), words(allowance, 4.5, 16)];
}
