import { describe, expect, it } from "vitest";
import { loadSystem } from "../../plan/load.js";
import { run } from "../../run/run.js";
import { bodiesBetween, figuresBetween } from "./range.js";

const { plan } = loadSystem(`system "Cape"
  unit cm
measure bust girth 60..160 "Round."
measure reach length 40..90 "Along."
measure paces number 1..20 "How many."
board A "A"
A0 start
A1 down bust/4 + reach*0 from A0
value many number = paces
`);
const small = run(plan, { bust: "80", reach: "50", paces: "4" });
const large = run(plan, { bust: "35 in", paces: "10" });

describe("a body between two", () => {
  it("has so much of the way between their figures, whatever unit they were written in", () => {
    // 35 in are 88.9 cm: half way from 80 is 84.45.
    expect(figuresBetween(plan, small, large, 0.5)).toEqual({ bust: "844.50 mm", paces: 7 });
    expect(figuresBetween(plan, small, large, 0)).toEqual({ bust: "800.00 mm", paces: 4 });
  });

  it("comes in equal steps with both ends, without what one of them lacks", () => {
    expect(bodiesBetween(plan, small, large, 3).map(({ measurements }) => measurements["bust"])).toEqual([
      "800.00 mm",
      "844.50 mm",
      "889.00 mm",
    ]);
    expect(bodiesBetween(plan, small, large, 1)[0]?.measurements).toEqual({ bust: "800.00 mm", paces: 4 });
  });
});
