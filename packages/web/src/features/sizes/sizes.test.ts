import { readChart, writeChart } from "@lodrin/formats";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cellsOf } from "../../measures/paste-grid.js";
import { sizesMm, sizeWritten } from "../../measures/size-body.js";

const CHART = {
  columns: [
    { key: "bust", unit: "cm" as const },
    { key: "back_waist", unit: "in" as const },
    { key: "age", unit: "cm" as const },
  ],
  sizes: [
    { name: "10", figures: { bust: "88", back_waist: "16 1/4", age: "30" } },
    { name: "12", figures: { bust: "92,5" } },
  ],
};

describe("a size as a body", () => {
  it("has every figure in its column's unit", () => {
    expect(sizeWritten(CHART, CHART.sizes[0] as (typeof CHART.sizes)[number])).toEqual({
      bust: "88 cm",
      back_waist: "16 1/4 in",
      age: "30",
    });
    expect(sizesMm(CHART)[0]?.mm["back_waist"]).toBeCloseTo(16.25 * 25.4, 9);
    expect(sizesMm(CHART)[1]?.mm).toEqual({ bust: 925 });
  });
});

describe("a chart as CSV", () => {
  it("comes back as it was written", () => {
    const { sizes, problems } = readChart(writeChart(CHART));
    expect(problems).toEqual([]);
    expect(sizes.map((s) => s.name)).toEqual(["10", "12"]);
    expect(sizes[0]?.measurements).toEqual({ bust: "88 cm", back_waist: "16 1/4 in", age: "30" });
  });

  it("whatever a size is called", () => {
    const names = fc.uniqueArray(
      fc
        .string({ minLength: 1, maxLength: 20 })
        .map((s) => s.replace(/[\t\r\n]/g, "x").trim())
        .filter((s) => s !== ""),
      { minLength: 1, maxLength: 5 },
    );
    fc.assert(
      fc.property(names, (all) => {
        const { sizes } = readChart(
          writeChart({ columns: [{ key: "bust", unit: "cm" }], sizes: all.map((name) => ({ name, figures: { bust: "90" } })) }),
        );
        expect(sizes.map((s) => s.name)).toEqual(all);
      }),
    );
  });
});

describe("cells from a spreadsheet", () => {
  it("are rows and columns; one cell is none", () => {
    expect(cellsOf("88\t92\r\n90\t94\r\n")).toEqual([
      ["88", "92"],
      ["90", "94"],
    ]);
    expect(cellsOf("88")).toBeUndefined();
    expect(cellsOf("88\n90")).toEqual([["88"], ["90"]]);
  });
});
