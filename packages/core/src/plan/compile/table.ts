import type { Table } from "../../system/model.js";

/** A row compiled: its bound and what it gives, in mm or plain. */
export interface TableRow {
  readonly bound: Table["rows"][number]["bound"];
  readonly at: number;
  readonly gives: number;
}

/** How near (mm or plain) a figure must be to count as the one a row names. */
const SAME = 1e-6;

/**
 * A table as a function. Steps: the first row whose bound holds, in order. Linear: straight between the rows' figures;
 * beyond the first and last the end row. Not a number where no row of a stepped table applies.
 */
export function lookUpIn(mode: Table["mode"], rows: readonly TableRow[]): (value: number) => number {
  if (mode === "linear") return (value) => between(rows, value);
  return (value) => rows.find((r) => applies(r, value))?.gives ?? Number.NaN;
}

function applies(row: TableRow, value: number): boolean {
  switch (row.bound) {
    case "upTo":
      return value <= row.at + SAME;
    case "under":
      return value < row.at - SAME;
    case "at":
      return Math.abs(value - row.at) <= SAME;
    case "above":
      return Number.isFinite(value);
  }
}

function between(rows: readonly TableRow[], value: number): number {
  const i = rows.findIndex((r) => value <= r.at);
  const after = rows[i < 0 ? rows.length - 1 : i];
  const before = rows[i - 1];
  if (!after || !before || i < 0) return after?.gives ?? Number.NaN;
  return before.gives + ((after.gives - before.gives) * (value - before.at)) / (after.at - before.at);
}
