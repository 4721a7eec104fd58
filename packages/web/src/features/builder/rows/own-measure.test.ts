import { describe, expect, it } from "vitest";
import { measureKey, ownStatement, proposedRange } from "./own-measure.js";

describe("a measurement of an author's own", () => {
  it("makes its name of what people write", () => {
    expect(measureKey("Nape to waist", new Set())).toBe("nape_to_waist");
    expect(measureKey("2nd rib, left", new Set())).toBe("nd_rib_left");
    expect(measureKey("Nape to waist", new Set(["nape_to_waist"]))).toBeUndefined();
    expect(measureKey("—", new Set())).toBeUndefined();
  });

  it("proposes a range from the bodies at hand, whatever their unit, and a little beyond", () => {
    const bodies = [
      { unit: "in", figures: { stilt: "20" } },
      { unit: "cm", figures: { stilt: "80" } },
      { unit: "cm", figures: { stilt: "about eighty" } },
      { unit: "cm", figures: {} },
    ] as const;
    // 20 in are 50.8 cm: a sixth or so less and more than 50.8 and 80.
    expect(proposedRange("stilt", "length", "cm", bodies)).toEqual(["43", "92"]);
    expect(proposedRange("stilt", "length", "in", bodies)).toEqual(["17", "37"]);
  });

  it("falls back on what measurements of its kind span", () => {
    const [low, high] = proposedRange("lamp_girth", "girth", "cm", []).map(Number) as [number, number];
    expect(low).toBeLessThan(20);
    expect(high).toBeGreaterThan(150);
    expect(proposedRange("paces", "number", "cm", [])).toEqual(["0", "10"]);
  });

  it("is a statement that can be printed: no quotation mark of its own", () => {
    expect(ownStatement("strap", { name: "Strap", kind: "length", how: ' Over the "good"\nshoulder ', from: "20", to: "60" })).toEqual({
      is: "measure",
      key: "strap",
      kind: "length",
      from: "20",
      to: "60",
      how: "Over the ’good’ shoulder",
    });
  });
});
