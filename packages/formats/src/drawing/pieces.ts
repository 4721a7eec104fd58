import { boundsOf, growBounds, type PieceResult, type Point, type Run, shiftPath } from "@lodrin/core";
import { drawPiece } from "./draw-piece.js";
import { collector, type Drawing, markPlaces, type Sink } from "./mark.js";
import { printedTitle } from "./printed-title.js";

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
export function drawPieces(run: Pick<Run, "title" | "pieces">, keys?: readonly string[]): Drawing {
  const pieces = keys ? run.pieces.filter((p) => keys.includes(p.key)) : run.pieces;
  const sheet = collector();
  for (const { piece, dx, dy } of layPieces(pieces)) {
    const sink = movedSink(sheet, dx, dy);
    printedTitle(piece, drawPiece(piece, sink), sink);
  }
  const bounds = boundsOf(markPlaces(sheet.marks)) ?? { minX: 0, minY: 0, maxX: 10, maxY: 10 };
  return { title: run.title, bounds: growBounds(bounds, EDGE_MM), marks: sheet.marks };
}

/** A sink that draws into another so far to the right and down (mm). */
function movedSink(into: Sink, dx: number, dy: number): Sink {
  const move = (p: Point): Point => ({ x: p.x + dx, y: p.y + dy });
  return {
    stroke: (stroke) => into.stroke({ ...stroke, path: shiftPath(stroke.path, dx, dy) }),
    words: (words) => into.words({ ...words, at: move(words.at) }),
  };
}
