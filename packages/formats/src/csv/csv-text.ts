import Papa from "papaparse";

/** A cell that a spreadsheet would take for a formula: it begins with one of its signs, and is no number (`-1.5`, `+3 1/2`); or one that looks as if it were escaped. */
const FORMULA = /^'*(?:[=@\t\r]|[+-](?!\s*(?:\d+(?:[.,]\d+)?|\d+ \d+\/\d+|\d+\/\d+|[.,]\d+)(?:\s*(?:in|cm|mm|°|%|″|"))?$))/;

type Rows = readonly object[] | readonly (readonly unknown[])[] | { readonly fields: readonly string[]; readonly data: readonly unknown[] };

/** Rows as CSV (RFC 4180, with line feeds); a cell that a spreadsheet would run is given an apostrophe before it. */
export const csvText = (rows: Rows): string => `${Papa.unparse(rows as unknown[], { newline: "\n", escapeFormulae: FORMULA })}\n`;

/** A cell as it was before `csvText` escaped it. */
export const plainCell = (cell: string): string => (cell.startsWith("'") && FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell);
