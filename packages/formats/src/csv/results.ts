import { csvText } from "./csv-text.js";

/** What one student handed in and earned. */
export interface ResultRow {
  readonly student: string;
  readonly group: string;
  readonly state: string;
  readonly handedAt: string;
  readonly attempt: number;
  /** Readings that are off, with the slip each was put down to. */
  readonly off: readonly string[];
  /** A mark a point of the rubric; null where none is given. */
  readonly marks: readonly (number | null)[];
}

/** The results of an assignment as CSV: a row a student, a column a point of its rubric, and their sum. */
export function writeResults(points: readonly string[], rows: readonly ResultRow[]): string {
  const head = ["student", "group", "state", "handed in", "attempt", "readings off", ...points, "marks"];
  const lines = rows.map(({ student, group, state, handedAt, attempt, off, marks }) => [
    ...[student, group, state, handedAt, attempt === 0 ? "" : attempt, off.join("; ")],
    ...points.map((_, i) => marks[i] ?? ""),
    marks.some((m) => m !== null) ? marks.reduce<number>((sum, m) => sum + (m ?? 0), 0) : "",
  ]);
  return csvText([head, ...lines]);
}
