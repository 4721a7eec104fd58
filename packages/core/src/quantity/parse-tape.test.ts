import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { parseTape } from "./parse-tape.js";
import type { HomeUnit } from "./units.js";

const mm = (typed: string, home: HomeUnit = "in"): number => {
  const read = parseTape(typed, home);
  if (!read.ok) throw new Error(read.why);
  return read.mm;
};

const why = (typed: string, home: HomeUnit = "in"): string => {
  const read = parseTape(typed, home);
  return read.ok ? "" : read.why;
};

describe("parseTape: what people write", () => {
  // One inch is 25.4 mm by definition (international yard and pound agreement, 1959).
  it.each([
    ["38 1/2", 977.9],
    ["38½", 977.9],
    ["38 ½", 977.9],
    ['38 4/8"', 977.9],
    ["38 4/8″", 977.9],
    ["38-1/2", 977.9],
    ["38.5", 977.9],
    ["38,5", 977.9],
    ["38.5 in", 977.9],
    ["38 1/2 inches", 977.9],
    ["38 1⁄2", 977.9],
    ["  38 1/2  ", 977.9],
    ["38\u00a01/2", 977.9],
    ["1/8", 3.175],
    ["⅜", 9.525],
    ["7⅜″", 187.325],
    [".5", 12.7],
    ["97.8 cm", 978],
    ["978mm", 978],
    ["97,8cm", 978],
    ["0", 0],
  ])("%s in inches is %d mm", (typed, expected) => {
    expect(mm(typed)).toBeCloseTo(expected, 9);
  });

  it.each([
    ["97.8", 978],
    ["97,8", 978],
    ["38 1/2 in", 977.9],
    ['38½"', 977.9],
    ["12", 120],
    ["450 mm", 450],
    ["20 1/2", 205],
  ])("%s in centimetres is %d mm", (typed, expected) => {
    expect(mm(typed, "cm")).toBeCloseTo(expected, 9);
  });

  it("keeps the unit it was read in", () => {
    expect(parseTape("97.8 cm", "in")).toEqual({ ok: true, mm: 978, unit: "cm" });
    expect(parseTape("38", "in")).toMatchObject({ unit: "in" });
  });
});

describe("parseTape: what cannot be a length says why", () => {
  it.each([
    ["", "Nothing is written"],
    ["abc", "not a length"],
    ["thirty", "not a length"],
    ["-4", "below zero"],
    ["−4 cm", "below zero"],
    ["38 1/0", "0 below the line"],
    ["38 9/8", "whole or more"],
    ["1.234,5", "more than one decimal mark"],
    ["38 ft", "not a unit"],
    ["cm", "no figure"],
    ["38 1 / ", "not a figure"],
    ["12 34", "not a figure"],
    ["999999", "longer than ten metres"],
    ["1e5", "not a length"],
    ["38 1/2 1/4", "not a figure"],
  ])("%s", (typed, part) => {
    expect(why(typed)).toContain(part);
  });

  it("never throws, whatever is typed", () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom<HomeUnit>("in", "cm"), (typed, home) => {
        const read = parseTape(typed, home);
        if (read.ok) expect(Number.isFinite(read.mm) && read.mm >= 0).toBe(true);
        else expect(read.why.length).toBeGreaterThan(5);
      }),
    );
  });
});

describe("parseTape: every eighth comes back", () => {
  it("as a mixed fraction, in sixteenths", () => {
    fc.assert(
      fc.property(fc.nat({ max: 120 }), fc.integer({ min: 1, max: 15 }), (whole, sixteenths) => {
        const exact = (whole + sixteenths / 16) * 25.4;
        expect(mm(`${whole} ${sixteenths}/16`)).toBeCloseTo(exact, 9);
      }),
    );
  });

  it("with a comma or a point alike", () => {
    fc.assert(
      fc.property(fc.nat({ max: 900 }), fc.nat({ max: 99 }), (whole, part) => {
        expect(mm(`${whole},${part} mm`)).toBe(mm(`${whole}.${part} mm`));
      }),
    );
  });
});
