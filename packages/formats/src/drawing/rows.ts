import { type Bounds, boundsOf, type PieceResult } from "@lodrin/core";
import type { LaidPiece } from "./pieces.js";

const GAP_MM = 40;
const NOTHING: Bounds = { minX: 0, minY: 0, maxX: 0, maxY: 0 };

interface Sized {
  readonly piece: PieceResult;
  readonly box: Bounds;
  readonly wide: number;
  readonly high: number;
}

const sized = (piece: PieceResult): Sized => {
  const box = boundsOf([...piece.cutting, ...piece.net]) ?? NOTHING;
  return { piece, box, wide: box.maxX - box.minX, high: box.maxY - box.minY };
};

/** Pieces of a row that stand one below the other: small ones fill the height of the tall ones beside them. */
type Column = readonly Sized[];
type Row = readonly Column[];

const widthOf = (column: Column): number => Math.max(...column.map(({ wide }) => wide));
const heightOf = (column: Column): number => column.reduce((sum, { high }) => sum + high, (column.length - 1) * GAP_MM);
const spanOf = (row: Row): number => row.reduce((sum, column) => sum + widthOf(column), (row.length - 1) * GAP_MM);
const tallOf = (row: Row): number => Math.max(...row.map(heightOf));

/** Rows no wider than `width` mm, each begun when the next piece has no room in the last. */
function rowsIn(pieces: readonly Sized[], width: number): Row[] {
  const rows: Row[] = [];
  for (const piece of pieces) {
    const row = rows.pop();
    if (!row) rows.push([[piece]]);
    else {
      const below = [...row.slice(0, -1), [...(row[row.length - 1] as Column), piece]];
      const beside = [...row, [piece]];
      if (tallOf(below) <= tallOf(row) && spanOf(below) <= width) rows.push(below);
      else if (spanOf(beside) <= width) rows.push(beside);
      else rows.push(row, [[piece]]);
    }
  }
  return rows;
}

/**
 * Pieces in rows, in the order they are cut, so that they are seen as large as may be on a paper `ratio` times as wide as it
 * is high. Tops level in a row; small pieces one below the other beside tall ones.
 */
export function layInRows(pieces: readonly PieceResult[], ratio: number): LaidPiece[] {
  const all = pieces.map(sized);
  if (all.length === 0) return [];
  // A row ends where a run of pieces does: the width of every run is worth trying.
  const widths = all.flatMap((_, from) => all.slice(from).map((__, n) => spanOf(all.slice(from, from + n + 1).map((piece) => [piece]))));
  const widest = Math.max(...all.map(({ wide }) => wide));
  const tried = [...new Set(widths.filter((w) => w >= widest))].map((width) => {
    const rows = rowsIn(all, width);
    const span = Math.max(...rows.map(spanOf));
    const tall = rows.reduce((sum, row) => sum + tallOf(row), (rows.length - 1) * GAP_MM);
    return { rows, scale: Math.min(ratio / span, 1 / tall) };
  });
  const best = tried.reduce((a, b) => (b.scale > a.scale * (1 + 1e-9) ? b : a));
  return placed(best.rows);
}

function placed(rows: readonly Row[]): LaidPiece[] {
  const out: LaidPiece[] = [];
  let top = 0;
  for (const row of rows) {
    let x = 0;
    for (const column of row) {
      let y = top;
      for (const { piece, box, high } of column) {
        out.push({ piece, dx: x - box.minX, dy: y - box.minY });
        y += high + GAP_MM;
      }
      x += widthOf(column) + GAP_MM;
    }
    top += tallOf(row) + GAP_MM;
  }
  return out;
}
