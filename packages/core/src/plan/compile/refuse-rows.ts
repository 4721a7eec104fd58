import type { Table } from "../../system/model.js";
import type { TableRow } from "./table.js";

/** What cannot be meant in a row of a table, by its place among them. */
export interface RowRefused {
  readonly row: number;
  readonly why: string;
  readonly fix: string;
}

/** Rows that cannot be meant: out of order, bounds that a mode does not know, and a stepped table that stops. */
export function rowsRefused(table: Table, rows: readonly TableRow[]): RowRefused[] {
  const refused = rows.flatMap((_, k) => {
    const found = refusedAt(table, rows, k);
    return found ? [{ row: k, ...found }] : [];
  });
  const last = rows.length - 1;
  const stops = table.mode === "steps" && rows[last]?.bound !== "above" && rows.some((row) => row.bound !== "at");
  return stops ? [...refused, { row: last, ...stopping(table, last) }] : refused;
}

function refusedAt(table: Table, rows: readonly TableRow[], k: number): Omit<RowRefused, "row"> | undefined {
  const { bound } = rows[k] as TableRow;
  const text = table.rows[k] as Table["rows"][number];
  if (table.mode === "linear" && bound !== "at")
    return {
      why: "A linear table names the figures it runs between.",
      fix: `Write each row like: at ${text.at ?? "40"} -> ${text.gives}.`,
    };
  if (rows[k - 1]?.bound === "above") return { why: "No row is reached behind “above”.", fix: "Write it last." };
  if (!outOfOrder(table.mode, rows[k - 1], rows[k] as TableRow)) return undefined;
  return {
    why: `The rows are out of order: ${text.at ?? ""} does not come after ${table.rows[k - 1]?.at ?? ""}.`,
    fix: "Write them from the smallest figure to the largest.",
  };
}

/** Bounds of one kind rise from row to row; single figures among steps may stand anywhere. */
function outOfOrder(mode: Table["mode"], before: TableRow | undefined, row: TableRow): boolean {
  if (!before || row.bound === "above" || row.at > before.at) return false;
  return mode === "linear" || row.bound === before.bound;
}

const stopping = (table: Table, last: number): Omit<RowRefused, "row"> => ({
  why: `The table does not say what it gives above ${table.rows[last]?.at ?? ""}.`,
  fix: "End it with a row like: above -> 8, or above -> nothing when it is not made for such figures.",
});
