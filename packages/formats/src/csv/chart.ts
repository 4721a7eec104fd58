import { measurementByKey, measurementCalled } from "@lodrin/core";
import Papa from "papaparse";
import type { AnswerProblem } from "./answers.js";
import { csvText, plainCell } from "./csv-text.js";

/** One size of a chart: its name and its measurements by key, as they were written. */
export interface ChartSize {
  readonly name: string;
  readonly measurements: Readonly<Record<string, string>>;
}

const HEADING = /^(.*?)\s*(?:\(\s*(in|cm|mm)\s*\))?$/i;
const HAS_UNIT = /[a-z"″”']\s*\.?$/i;

/** What a column is called in a system: its key as it stands, or the key of a measurement known by that name. */
function keyOf(heading: string): string {
  return (
    measurementCalled(heading)?.key ??
    heading
      .trim()
      .toLowerCase()
      .replace(/[\s-]+/g, "_")
  );
}

/**
 * Reads a chart of sizes from CSV: a row a size, its name in the first column, a measurement in each other, by key or by name,
 * with its unit in brackets behind the heading where it is not the system's own: `size,bust,Back waist length (cm)`. Never
 * throws: lines that cannot be used are named and the others are read.
 */
export function readChart(text: string): { sizes: ChartSize[]; problems: AnswerProblem[] } {
  const problems: AnswerProblem[] = [];
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), { skipEmptyLines: "greedy" });
  const [heads = [], ...rows] = data;
  const columns = heads.slice(1).map((head) => {
    const [, name = "", unit] = HEADING.exec(head.trim()) ?? [];
    return { key: keyOf(name), unit };
  });
  if (columns.length === 0)
    problems.push({ line: 1, why: "There is no heading with measurements.", fix: "Begin the file with: size,bust,waist,…" });
  const seen = new Set<string>();
  const sizes = rows.flatMap((row, i): ChartSize[] => {
    const [name = "", ...cells] = row.map((cell) => plainCell(cell.trim()));
    if (name === "" || seen.has(name)) {
      problems.push({
        line: i + 2,
        why: name === "" ? "This row has no size." : `There are two sizes “${name}”.`,
        fix: "Name each size in the first column, once.",
      });
      return [];
    }
    seen.add(name);
    const measurements = columns.flatMap(({ key, unit }, at): [string, string][] => {
      const cell = cells[at] ?? "";
      return cell === "" ? [] : [[key, unit === undefined || HAS_UNIT.test(cell) ? cell : `${cell} ${unit.toLowerCase()}`]];
    });
    return [{ name, measurements: Object.fromEntries(measurements) }];
  });
  return { sizes, problems };
}

/** A chart to be written: its columns with their units, and its sizes with the figures as they were typed. */
export interface ChartToWrite {
  readonly columns: readonly { readonly key: string; readonly unit: "in" | "cm" }[];
  readonly sizes: readonly { readonly name: string; readonly figures: Readonly<Record<string, string>> }[];
}

/** Writes a chart as CSV that `readChart` reads back: a row a size, each column with its unit in brackets. */
export function writeChart({ columns, sizes }: ChartToWrite): string {
  const heads = columns.map(({ key, unit }) => (measurementByKey(key)?.run === "number" ? key : `${key} (${unit})`));
  const rows = sizes.map((size) => [size.name, ...columns.map(({ key }) => size.figures[key] ?? "")]);
  return csvText([["size", ...heads], ...rows]);
}
