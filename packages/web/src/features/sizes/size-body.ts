import type { SizeChart } from "@lodrin/contract";
import { parseTape, type SizeMm } from "@lodrin/core";

type Size = SizeChart["sizes"][number];

/** A size as a body is written: each figure with the unit of its column behind it. */
export function sizeWritten({ columns }: Pick<SizeChart, "columns">, size: Size): Record<string, string> {
  return Object.fromEntries(
    columns.flatMap(({ key, unit }) => {
      const figure = (size.figures[key] ?? "").trim();
      if (figure === "") return [];
      return [[key, key === "age" || /[a-z"″]\s*$/i.test(figure) ? figure : `${figure} ${unit}`]];
    }),
  );
}

/** The sizes of a chart in mm, as far as they can be read. */
export function sizesMm(chart: Pick<SizeChart, "columns" | "sizes">): SizeMm[] {
  return chart.sizes.map((size) => ({
    name: size.name,
    mm: Object.fromEntries(chart.columns.flatMap(({ key, unit }) => readFigure(size, key, unit))),
  }));
}

function readFigure(size: Size, key: string, unit: "in" | "cm"): [string, number][] {
  const read = parseTape(size.figures[key] ?? "", unit);
  return read.ok ? [[key, read.mm]] : [];
}
