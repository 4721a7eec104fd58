import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { endOf, pathLength, pointAtLength, polyline, startOf } from "./path.js";
import { pathBetween } from "./path-between.js";
import { distance, type Point } from "../point.js";

/** A gentle curve and a straight stretch after it: about 350 mm. */
const line = {
  segments: [
    { p0: { x: 0, y: 0 }, p1: { x: 60, y: 0 }, p2: { x: 150, y: 60 }, p3: { x: 150, y: 150 }, straight: false },
    ...polyline([
      { x: 150, y: 150 },
      { x: 150, y: 280 },
    ]).segments,
  ],
};
const whole = pathLength(line);
const along = (share: number): Point => pointAtLength(line, share * whole).at;

describe("the part of a path between two places on it", () => {
  it("runs from the first to the second, as long as the way between them, in either direction", () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (a, b) => {
        fc.pre(Math.abs(a - b) > 0.01);
        const part = pathBetween(line, along(a), along(b));
        expect(part).toBeDefined();
        if (!part) return;
        expect(distance(startOf(part), along(a))).toBeLessThan(1e-3);
        expect(distance(endOf(part), along(b))).toBeLessThan(1e-3);
        expect(pathLength(part)).toBeCloseTo(Math.abs(a - b) * whole, 2);
      }),
      { numRuns: 60 },
    );
  });

  it("the three parts of a cut path add up to the whole", () => {
    const cuts = [0, 0.3, 0.8, 1].map(along);
    const sum = [0, 1, 2].reduce((s, i) => s + pathLength(pathBetween(line, cuts[i] as Point, cuts[i + 1] as Point) ?? line), 0);
    expect(sum).toBeCloseTo(whole, 3);
  });

  it("between one place and itself there is nothing", () => {
    expect(pathLength(pathBetween(line, along(0.5), along(0.5)) ?? line)).toBeCloseTo(0, 6);
  });

  it("takes a place a hair off the line, and refuses one that lies clear of it", () => {
    expect(pathBetween(line, { x: 150.4, y: 200 }, { x: 150, y: 280 })).toBeDefined();
    expect(pathBetween(line, { x: 160, y: 200 }, { x: 150, y: 280 })).toBeUndefined();
  });
});
