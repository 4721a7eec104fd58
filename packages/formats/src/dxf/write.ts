import { cutText, middleOf, type PieceResult, type Point, type Run } from "@lodrin/core";
import { drawPiece } from "../drawing/draw-piece.js";
import { type Layer, type Stroke, strokePlaces } from "../drawing/mark.js";
import { layPieces } from "../drawing/pieces.js";
import { block, type Group, insert, line, point, polyline, section, words } from "./entities.js";
import { DXF_LAYER, type DxfLayer } from "./layers.js";
import { turnsAt } from "./ring-marks.js";

/**
 * The pieces of a run as DXF R12 (ASCII, millimetres), which every cutter reads: each piece a block laid beside the
 * others, on the layers of ASTM D6673. A piece cut on the fold is the half, its fold on the mirror layer.
 */
export function writeDxf(run: Run): string {
  const laid = layPieces(run.pieces);
  const names = blockNames(run.pieces);
  const blocks = run.pieces.flatMap((piece, i) => block(names[i] as string, pieceGroups(piece)));
  const inserts = laid.flatMap(({ dx, dy }, i) => insert(names[i] as string, { x: dx, y: dy }));
  const style = [`Style name: ${run.title}`, "Units: METRIC", "Author: Lodrin"].flatMap((text, i) =>
    words(DXF_LAYER.text, { x: 0, y: -10 - i * 10 }, text),
  );
  const groups: Group[] = [
    ...section("HEADER", [
      [9, "$ACADVER"],
      [1, "AC1009"],
      // Millimetres, metric: what readers newer than R12 go by.
      [9, "$INSUNITS"],
      [70, 4],
      [9, "$MEASUREMENT"],
      [70, 1],
    ]),
    ...section("TABLES", layerTable()),
    ...section("BLOCKS", blocks),
    ...section("ENTITIES", [...inserts, ...style]),
    [0, "EOF"],
  ];
  return groups.map(([code, value]) => `${String(code).padStart(3)}\n${value}\n`).join("");
}

function layerTable(): Group[] {
  const layers = Object.values(DXF_LAYER);
  const one = (name: string): Group[] => [
    [0, "LAYER"],
    [2, name],
    [70, 0],
    [62, 7],
    [6, "CONTINUOUS"],
  ];
  return [[0, "TABLE"], [2, "LAYER"], [70, layers.length], ...layers.flatMap(one), [0, "ENDTAB"]];
}

/** Block names R12 allows: capitals, figures and underscores, 31 at most, each once. */
export function blockNames(pieces: readonly PieceResult[]): string[] {
  const names: string[] = [];
  for (const { key } of pieces) {
    const name = key
      .toUpperCase()
      .replace(/[^A-Z0-9_]/g, "_")
      .slice(0, 28);
    names.push(names.includes(name) ? `${name}_${names.length}` : name);
  }
  return names;
}

/** Where the strokes of a piece go. Its outline and its words are written by themselves. */
const LAYER_OF: Readonly<Partial<Record<Layer, DxfLayer>>> = {
  levels: DXF_LAYER.inside,
  inside: DXF_LAYER.inside,
  fold: DXF_LAYER.inside,
  grain: DXF_LAYER.grain,
  marks: DXF_LAYER.drill,
};

function pieceGroups(piece: PieceResult): Group[] {
  const turns = turnsAt(piece.cutting);
  const drawn: Group[] = [];
  drawPiece(piece, { stroke: (s) => void drawn.push(...strokeGroups({ kind: "stroke", ...s })), words: () => undefined });
  return [
    ...polyline(DXF_LAYER.boundary, piece.cutting, true),
    ...piece.cutting.flatMap((p, i) => point(turns[i] ? DXF_LAYER.turnPoints : DXF_LAYER.curvePoints, p)),
    ...(piece.cutting === piece.net ? [] : polyline(DXF_LAYER.sew, piece.net, true)),
    ...drawn,
    ...writing(piece),
  ];
}

/** A stroke as it is written: a notch is the place where it is snipped, a folded edge the line the piece is mirrored in. */
function strokeGroups(stroke: Stroke): Group[] {
  if (stroke.sign) return [];
  const places = strokePlaces(stroke);
  const [first, last] = [places[0] as Point, places[places.length - 1] as Point];
  if (stroke.layer === "notches") return point(DXF_LAYER.notches, first);
  if (stroke.layer === "fold" && stroke.edge !== undefined) return line(DXF_LAYER.mirror, first, last);
  const layer = LAYER_OF[stroke.layer];
  if (!layer) return [];
  return places.length === 2 ? line(layer, first, last) : polyline(layer, places, false);
}

function writing(piece: PieceResult): Group[] {
  const at = middleOf(piece);
  return [`Piece name: ${piece.title}`, `Quantity: ${piece.cut}`, `Annotation: ${cutText(piece)}`, ...piece.notes].flatMap((text, i) =>
    words(DXF_LAYER.text, { x: at.x, y: at.y + i * 9 }, text),
  );
}
