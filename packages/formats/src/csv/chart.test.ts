import { describe, expect, it } from "vitest";
import { readChart } from "./chart.js";

describe("a chart of sizes", () => {
  it("is read by keys and by names, each column in its unit", () => {
    const { sizes, problems } = readChart(
      "﻿Size;ignored\n".replace(";ignored", ",bust,Waist (cm),Back waist length (in)") + '34,"35 1/2",70,15 3/4\n36,37,72.5 cm,\n\n',
    );
    expect(problems).toEqual([]);
    expect(sizes).toEqual([
      { name: "34", measurements: { bust: "35 1/2", waist: "70 cm", back_waist: "15 3/4 in" } },
      { name: "36", measurements: { bust: "37", waist: "72.5 cm" } },
    ]);
  });

  it("says which rows it could not use, and reads the others", () => {
    const { sizes, problems } = readChart("size,bust\nS,34\n,35\nS,36\nM,38\n");
    expect(sizes.map((s) => s.name)).toEqual(["S", "M"]);
    expect(problems).toEqual([
      { line: 3, why: "This row has no size.", fix: expect.stringContaining("first column") },
      { line: 4, why: "There are two sizes “S”.", fix: expect.stringContaining("first column") },
    ]);
    expect(readChart("").problems).toHaveLength(1);
  });
});
