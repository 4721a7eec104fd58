import type { SizeChart } from "@lodrin/contract";
import type { SizeMm } from "@lodrin/core";
import { readSet } from "./doubts.js";

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

/** The sizes of a chart in mm, as far as they can be read. Every figure has its unit behind it. */
export const sizesMm = (chart: Pick<SizeChart, "columns" | "sizes">): SizeMm[] =>
  chart.sizes.map((size) => ({ name: size.name, mm: readSet(sizeWritten(chart, size), "cm") }));
