import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mixedText, nearestMixed } from "./fraction.js";
import { parseTape } from "./parse-tape.js";
import { defaultMark, exactFigure, markStep, plainFigure, readTape, tapeText } from "./tape.js";
import { fromMm, otherUnit, toMm } from "./units.js";

const spaced = (text: string): string => text.replace(/\u00a0/g, " ");

describe("readTape", () => {
  it.each([
    [toMm(7.375, "in"), "7 3/8"],
    [toMm(7.167, "in"), "7 1/8"],
    [toMm(0.5, "in"), "1/2"],
    [toMm(12, "in"), "12"],
    [0, "0"],
    [toMm(11.95, "in"), "12"],
    [toMm(-1.25, "in"), "-1 1/4"],
  ])("%d mm reads %s in eighths", (mm, figure) => {
    expect(spaced(readTape(mm, "1/8in").figure)).toBe(figure);
  });

  it("reads sixteenths in lowest terms", () => {
    expect(spaced(readTape(toMm(3.0625, "in"), "1/16in").figure)).toBe("3 1/16");
    expect(spaced(readTape(toMm(3.125, "in"), "1/16in").figure)).toBe("3 1/8");
  });

  it("reads millimetres as tenths of a centimetre", () => {
    expect(readTape(187.4, "1mm")).toMatchObject({ figure: "18.7", unit: "cm", mm: 187 });
    expect(readTape(-0.3, "1mm").figure).toBe("0.0");
  });

  it("takes halves away from zero", () => {
    expect(readTape(0.5, "1mm").mm).toBe(1);
    expect(readTape(-0.5, "1mm").mm).toBe(-1);
  });

  it("the reading and what is left over make the length; what is left is at most half a mark", () => {
    fc.assert(
      fc.property(
        fc.double({ min: -3000, max: 3000, noNaN: true }),
        fc.constantFrom("1/8in" as const, "1/16in" as const, "1mm" as const),
        (mm, mark) => {
          const reading = readTape(mm, mark);
          const step = mark === "1mm" ? 1 : mark === "1/8in" ? 25.4 / 8 : 25.4 / 16;
          expect(reading.mm + reading.left).toBeCloseTo(mm, 9);
          expect(Math.abs(reading.left)).toBeLessThanOrEqual(step / 2 + 1e-9);
        },
      ),
    );
  });

  it("what is shown can be typed back and gives the mark", () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 3000, noNaN: true }), fc.constantFrom("in" as const, "cm" as const), (mm, unit) => {
        const read = parseTape(tapeText(mm, unit), "in");
        expect(read.ok && read.mm).toBeCloseTo(readTape(mm, defaultMark(unit)).mm, 9);
      }),
    );
  });
});

describe("figures", () => {
  it("exact figures are fractions when they fall on a sixteenth", () => {
    expect(spaced(exactFigure(toMm(35.5, "in"), "in"))).toBe("35 1/2");
    expect(spaced(exactFigure(toMm(5.917, "in"), "in"))).toBe("5.917");
    expect(exactFigure(76, "cm")).toBe("7.6");
    expect(exactFigure(28.25, "cm")).toBe("2.825");
  });

  it("plain figures have no trailing zeros, no exponent and no minus zero", () => {
    expect(plainFigure(1.5)).toBe("1.5");
    expect(plainFigure(2)).toBe("2");
    expect(plainFigure(-0.0001)).toBe("0");
    expect(plainFigure(1e-9)).toBe("0");
    expect(plainFigure(100)).toBe("100");
  });

  it("mixed fractions are in lowest terms", () => {
    expect(mixedText(nearestMixed(4.5, 16))).toBe("4 1/2");
    expect(mixedText(nearestMixed(0.9999, 8))).toBe("1");
    expect(nearestMixed(-0.01, 8).negative).toBe(false);
  });

  it("steps and units", () => {
    expect(markStep("in")).toBeCloseTo(3.175, 9);
    expect(markStep("cm")).toBe(1);
    expect(otherUnit("in")).toBe("cm");
    expect(otherUnit("cm")).toBe("in");
  });

  it("units go there and back", () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1e4, max: 1e4, noNaN: true }),
        fc.constantFrom("in" as const, "cm" as const, "mm" as const),
        (value, unit) => {
          expect(fromMm(toMm(value, unit), unit)).toBeCloseTo(value, 9);
        },
      ),
    );
  });
});
