import type { Bounds, Point } from "@lodrin/core";
import { type Drawing, type Mark, strokePlaces } from "../drawing/mark.js";
import { PAPERS, type Paper, type PaperKey } from "./paper.js";

/** One printed sheet: row and column from 1, and the part of the drawing that it shows (mm on the drawing). */
export interface Tile {
  readonly row: number;
  readonly column: number;
  readonly window: Bounds;
  /** Nothing of the drawing falls on it: it is not printed. */
  readonly blank: boolean;
}

/** How a drawing falls on sheets of paper. All mm. */
export interface TilePlan {
  readonly paper: Paper;
  /** Page size; a roll is cut to the drawing. */
  readonly page: { readonly width: number; readonly height: number };
  readonly margin: number;
  readonly overlap: number;
  readonly rows: number;
  readonly columns: number;
  readonly tiles: readonly Tile[];
  /** Room kept at the top of the first page for the test squares, when there is no page of its own for them. */
  readonly head: number;
}

export const MARGIN_MM = 10;
export const OVERLAP_MM = 10;
const HEAD_MM = 75;
const LONGEST_PAGE_MM = 5_000;
const SMALL_PAGE_MM = 450;

/** The largest drawing (mm each way) and the most sheets that are printed: beyond them a figure is wrong, not the paper too small. */
const LARGEST_MM = 12_000;
const MOST_SHEETS = 400;

/** A drawing no paper is made for, in words. */
export class DrawingTooLarge extends Error {
  override readonly name = "DrawingTooLarge";
}

/**
 * Plans the sheets. The drawing is cut into windows that overlap by `overlap`, so that they can be glued. Sheets lie
 * crosswise when fewer are needed then. Throws DrawingTooLarge.
 */
export function planTiles(drawing: Drawing, paperKey: PaperKey, margin = MARGIN_MM, overlap = OVERLAP_MM): TilePlan {
  const paper = PAPERS[paperKey];
  const { bounds } = drawing;
  const [wide, high] = [bounds.maxX - bounds.minX, bounds.maxY - bounds.minY];
  if (!(wide <= LARGEST_MM && high <= LARGEST_MM))
    throw new DrawingTooLarge(
      `The drawing is ${metres(wide)} by ${metres(high)} m; the largest that is printed is ${metres(LARGEST_MM)} m each way. Check the measurements and settings: one of them is far too large.`,
    );
  const upright = planPages(drawing, paper, { width: paper.width, height: paper.height }, margin, overlap);
  if (paper.height === undefined || sheets(upright) === 1) return refuseMany(upright);
  const crosswise = planPages(drawing, paper, { width: paper.height, height: paper.width }, margin, overlap);
  return refuseMany(sheets(crosswise) < sheets(upright) ? crosswise : upright);
}

const metres = (mm: number): string => (mm / 1000).toFixed(1);
const sheets = (plan: TilePlan): number => plan.tiles.filter((t) => !t.blank).length;

function refuseMany(plan: TilePlan): TilePlan {
  const many = sheets(plan);
  if (many > MOST_SHEETS)
    throw new DrawingTooLarge(
      `This would take ${many} sheets of ${plan.paper.name}; ${MOST_SHEETS} are the most. Choose a larger paper, or print fewer pieces.`,
    );
  return plan;
}

/** The sheets when pages lie one way; a roll's page is as long as the drawing. */
function planPages(
  drawing: Drawing,
  paper: Paper,
  page: { width: number; height: number | undefined },
  margin: number,
  overlap: number,
): TilePlan {
  const { bounds } = drawing;
  const wide = bounds.maxX - bounds.minX;
  const high = bounds.maxY - bounds.minY;
  const head = (page.height ?? LONGEST_PAGE_MM) > SMALL_PAGE_MM ? HEAD_MM : 0;
  const height = page.height ?? Math.min(LONGEST_PAGE_MM, high + head + 2 * margin);
  const across = page.width - 2 * margin;
  const down = height - 2 * margin - head;
  const columns = count(wide, across, overlap);
  const rows = count(high, down, overlap);
  const touched = touchedTiles(drawing.marks, bounds, across, down, overlap);
  const tiles: Tile[] = [];
  for (let row = 1; row <= rows; row++) {
    for (let column = 1; column <= columns; column++) {
      const minX = bounds.minX + (column - 1) * (across - overlap);
      const minY = bounds.minY + (row - 1) * (down - overlap);
      tiles.push({ row, column, window: { minX, minY, maxX: minX + across, maxY: minY + down }, blank: !touched.has(`${row}-${column}`) });
    }
  }
  return { paper, page: { width: page.width, height }, margin, overlap, rows, columns, tiles, head };
}

/** Sheets needed to cover `length` when neighbours share `overlap`. */
function count(length: number, window: number, overlap: number): number {
  return Math.max(1, Math.ceil((length - overlap) / (window - overlap) - 1e-9));
}

const SAMPLE_MM = 4;

/** The tiles that show something no earlier tile shows, by walking every stroke in short steps. */
function touchedTiles(marks: readonly Mark[], bounds: Bounds, across: number, down: number, overlap: number): Set<string> {
  const touched = new Set<string>();
  const touch = (p: Point): void =>
    void touched.add(`${windowOf(p.y - bounds.minY, down, overlap)}-${windowOf(p.x - bounds.minX, across, overlap)}`);
  for (const mark of marks) {
    if (mark.kind === "words") touch(mark.at);
    else walk(strokePlaces(mark), mark.closed, touch);
  }
  return touched;
}

function walk(places: readonly Point[], closed: boolean, touch: (p: Point) => void): void {
  const last = closed ? places.length : places.length - 1;
  for (let i = 0; i < last; i++) {
    const a = places[i] as Point;
    const b = places[(i + 1) % places.length] as Point;
    const steps = Math.max(1, Math.ceil(Math.hypot(b.x - a.x, b.y - a.y) / SAMPLE_MM));
    for (let k = 0; k <= steps; k++) touch({ x: a.x + ((b.x - a.x) * k) / steps, y: a.y + ((b.y - a.y) * k) / steps });
  }
}

/** The window (from 1) a coordinate belongs to: in an overlap the earlier one, whose sheet shows it already. */
function windowOf(at: number, window: number, overlap: number): number {
  const step = window - overlap;
  return at <= window ? 1 : Math.floor((at - window) / step - 1e-9) + 2;
}
