import type { Statement } from "@lodrin/core";

type Table = Extract<Statement, { is: "table" }>;

/** Rows of a table from two columns of a spreadsheet; a first row without figures is a heading. Undefined for anything else. */
export function rowsFrom(cells: readonly (readonly string[])[] | undefined, mode: Table["mode"]): Table["rows"] | undefined {
  const pairs = (cells ?? []).filter((row) => row.length === 2 && row.every((cell) => /\d/.test(cell)));
  if (pairs.length === 0) return undefined;
  return pairs.map(([at = "", gives = ""]) => ({ bound: mode === "linear" ? ("at" as const) : ("upTo" as const), at, gives }));
}

interface Course {
  readonly name: string;
  readonly x: string[];
  readonly y: number[];
  /** Between two rows: straight, or one level that ends at the second row or begins at the first. */
  readonly shape: "linear" | "vh" | "hv";
}

/** A table as a course to be drawn, as far as its cells are plain figures. */
export function plotted({ rows, key, mode }: Table): Course | undefined {
  const places = rows.flatMap(({ at, gives, bound }) => {
    const y = Number(
      gives
        .replace(",", ".")
        .replace(/^(\d+) (\d+)\/(\d+)$/, (_, a: string, b: string, c: string) => String(Number(a) + Number(b) / Number(c)))
        .replace(/^(\d+)\/(\d+)$/, (_, a: string, b: string) => String(Number(a) / Number(b))),
    );
    return Number.isFinite(y) ? [{ x: bound === "above" ? "above" : (at ?? ""), y }] : [];
  });
  if (places.length < 2) return undefined;
  const shape = mode === "linear" ? "linear" : rows.some(({ bound }) => bound === "at") ? "hv" : "vh";
  return { name: key, x: places.map((p) => p.x), y: places.map((p) => p.y), shape };
}
