import { describe, expect, it } from "vitest";
import { nearestInWords, nearestSize, stepDoubts } from "./sizes.js";

const SIZES = [0, 1, 2, 3].map((i) => ({
  name: String(10 + 2 * i),
  mm: { bust: 880 + 40 * i, waist: 700 + 40 * i, hip: 950 + 40 * i, back_waist: 406 + 4 * i },
}));

describe("the nearest size", () => {
  it("is the one whose figures it has", () => {
    for (const { name, mm } of SIZES) {
      const nearest = nearestSize(mm, SIZES);
      expect(nearest).toEqual({ name, compared: 4, differs: [] });
      if (nearest) expect(nearestInWords(nearest, "cm")).toBe(`Size ${name}: all 4 figures are alike.`);
    }
  });

  it("goes by the bust before the waist, and says where the person differs", () => {
    const nearest = nearestSize({ bust: 922, waist: 800, hip: 992 }, SIZES);
    expect(nearest?.name).toBe("12");
    expect(nearest && nearestInWords(nearest, "cm")).toBe("Size 12, but waist 6.0\u00a0cm more.");
  });

  it("of two that are as near is the larger: cloth can be taken in", () => {
    expect(
      nearestSize({ bust: 900 }, [
        { name: "a", mm: { bust: 900 } },
        { name: "b", mm: { bust: 900 } },
      ])?.name,
    ).toBe("b");
  });

  it("is none where nothing can be compared", () => {
    expect(nearestSize({ wrist: 160 }, SIZES)).toBeUndefined();
    expect(nearestSize({}, [])).toBeUndefined();
  });
});

describe("a column of a chart", () => {
  it("that grows evenly, or faster above the middle, is asked nothing", () => {
    expect(stepDoubts([840, 880, 920, 960, 1010, 1060], "cm")).toEqual([]);
    expect(stepDoubts([840, undefined, 920, 960], "cm")).toEqual([]);
    expect(stepDoubts([500, 500, 500], "cm")).toEqual([]);
  });

  it("is asked about a step that jumps, and one that turns back, at its row", () => {
    expect(stepDoubts([840, 880, 1020, 1060, 1100], "cm").map((d) => d.row)).toEqual([2]);
    const [back] = stepDoubts([840, 880, 860, 900, 940], "cm");
    expect(back).toEqual({ row: 2, text: "This goes back by 2.0\u00a0cm where the others go on. Is it so?" });
  });
});
