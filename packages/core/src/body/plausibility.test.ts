import { describe, expect, it } from "vitest";
import { MEASUREMENTS, measurementByKey, measurementName } from "./measurements.js";
import { doubtsOf } from "./plausibility.js";

const cm = (set: Record<string, number>): Record<string, number> => Object.fromEntries(Object.entries(set).map(([k, v]) => [k, v * 10]));
const says = (set: Record<string, number>): string =>
  doubtsOf(cm(set), "cm")
    .map((d) => `${d.key}: ${d.text}`)
    .join("\n");

// Middle figures of common size tables (common practice, no source).
const WOMAN = {
  neck: 36,
  bust: 92,
  underbust: 78,
  waist: 74,
  hip: 98,
  across_shoulder: 38,
  bust_span: 18.5,
  shoulder_length: 12.5,
  shoulder_to_bust: 26,
  shoulder_to_underbust: 34,
  shoulder_to_waist: 43,
  shoulder_to_hip: 63,
  back_waist: 41,
  scye_depth: 20.5,
  bicep: 29,
  wrist: 16,
};
const MAN = {
  neck: 40,
  chest: 100,
  waist: 86,
  hip: 102,
  half_back: 20,
  scye_depth: 24.5,
  back_waist: 44,
  shoulder_length: 15.5,
  garment_length: 76,
};

describe("plausibility", () => {
  it("has no doubt about ordinary bodies, large ones and a child", () => {
    expect(says(WOMAN)).toBe("");
    expect(says(MAN)).toBe("");
    expect(says({ bust: 136, underbust: 120, waist: 126, hip: 142, neck: 43 })).toBe("");
    expect(says({ chest: 64, waist: 57, hip: 68, neck: 28, back_waist: 27 })).toBe("");
  });

  it.each([
    [{ ...WOMAN, underbust: 95 }, "underbust: The under bust is larger than the bust."],
    [{ ...WOMAN, waist: 74 * 2.54 }, "Waist looks like centimetres written as inches."],
    [{ ...WOMAN, waist: 29 }, "Waist looks like inches written as centimetres."],
    [{ ...MAN, chest: 100 * 2.54 }, "Chest looks like centimetres written as inches."],
    [{ ...MAN, chest: 1000 }, "Chest looks ten times too large: millimetres written as centimetres?"],
    [{ ...MAN, neck: 3 }, "neck: Neck"],
    [{ ...MAN, neck: 0 }, "Neck cannot be nothing."],
    [{ ...WOMAN, shoulder_to_waist: 25 }, "so it should be longer"],
    [{ ...WOMAN, scye_depth: 34, back_waist: 33 }, "runs further down than scye depth"],
    [{ ...WOMAN, wrist: 27.5, bicep: 27 }, "The wrist is larger than the upper arm."],
    [{ ...WOMAN, bust_span: 31 }, "measured point to point"],
    [{ ...MAN, half_back: 29 }, "from the spine to one arm only"],
    [{ ...WOMAN, across_shoulder: 60 }, "The shoulder is very wide"],
    [{ ...WOMAN, shoulder_length: 21 }, "One shoulder is longer than half of both."],
    [{ ...MAN, neck: 59 }, "The neck is more than half of the chest."],
  ])("%#: %s", (set, part) => {
    const found = says(set);
    expect(found).toContain(part);
  });

  it("speaks of one figure only once", () => {
    expect(doubtsOf(cm({ ...WOMAN, underbust: 250 }), "cm").filter((d) => d.key === "underbust")).toHaveLength(1);
  });

  it("says nothing of keys it does not know, nor of ages", () => {
    expect(doubtsOf({ cuff: 5, age: 8 }, "cm")).toEqual([]);
  });
});

describe("the measurements", () => {
  it("have names, a way of taking them, ranges, and a side of the figure", () => {
    expect(new Set(MEASUREMENTS.map((m) => m.key)).size).toBe(MEASUREMENTS.length);
    for (const m of MEASUREMENTS) {
      expect(m.how).toMatch(/\.$/);
      expect(m.from).toBeLessThan(m.to);
    }
    expect(measurementByKey("scye_depth")?.view).toBe("back");
    expect(measurementName("shoulder_to_bust")).toBe("Shoulder to bust");
    expect(measurementName("cuff_width")).toBe("Cuff width");
  });
});
