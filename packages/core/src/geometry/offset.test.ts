import { EndType, inflatePathsD, JoinType, type PathD } from "clipper2-ts";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { polygonArea } from "./area.js";
import { offsetRing } from "./offset.js";
import type { Point } from "./point.js";

const edgesOf = (ring: readonly Point[], mm: number): { places: Point[]; outMm: number }[] =>
  ring.map((a, i) => ({ places: [a, ring[(i + 1) % ring.length] as Point], outMm: mm }));

/** The same ring offset by Clipper2 with mitred corners: an outside reading. */
function clipper(ring: readonly Point[], mm: number): number {
  const path = ring.map((p) => ({ x: p.x, y: p.y })) as unknown as PathD;
  const [out] = inflatePathsD([path], mm, JoinType.Miter, EndType.Polygon, 4, 6);
  return polygonArea((out ?? []) as unknown as Point[]);
}

describe("the cutting line", () => {
  it("round a square: half an inch further out on every side, square corners", () => {
    const square = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 100 },
      { x: 0, y: 100 },
    ];
    const cutting = offsetRing(edgesOf(square, 12.7));
    expect(polygonArea(cutting)).toBeCloseTo(125.4 ** 2, 6);
    expect(Math.min(...cutting.map((p) => p.x))).toBeCloseTo(-12.7, 9);
  });

  it("with its own allowance on every edge, none on the fold", () => {
    const ring = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 50 },
      { x: 0, y: 50 },
    ];
    const allowances = [5, 20, 30, 0];
    const cutting = offsetRing(ring.map((a, i) => ({ places: [a, ring[(i + 1) % 4] as Point], outMm: allowances[i] as number })));
    expect(Math.min(...cutting.map((p) => p.y))).toBeCloseTo(-5, 9);
    expect(Math.max(...cutting.map((p) => p.x))).toBeCloseTo(120, 9);
    expect(Math.max(...cutting.map((p) => p.y))).toBeCloseTo(80, 9);
    expect(Math.min(...cutting.map((p) => p.x))).toBeCloseTo(0, 9);
    expect(polygonArea(cutting)).toBeCloseTo(120 * 85, 6);
  });

  it("agrees with Clipper2 on convex rings of every shape", () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 0, max: 35 }), { minLength: 4, maxLength: 12 }),
        fc.double({ min: 60, max: 400, noNaN: true }),
        fc.double({ min: 1, max: 40, noNaN: true }),
        (angles, radius, mm) => {
          const ring = angles
            .sort((a, b) => a - b)
            .map((k) => ({ x: radius * Math.cos((k * Math.PI) / 18), y: radius * Math.sin((k * Math.PI) / 18) }));
          const steps = ring.map((_, i) => ((angles[(i + 1) % angles.length] as number) - (angles[i] as number) + 36) % 36);
          fc.pre(Math.max(...steps) <= 12);
          const ours = polygonArea(offsetRing(edgesOf(ring, mm)));
          expect(Math.abs(ours - clipper(ring, mm)) / ours).toBeLessThan(1e-4);
        },
      ),
    );
  });

  it("agrees with Clipper2 at an inner corner", () => {
    const notch = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 100 },
      { x: 50, y: 100 },
      { x: 50, y: 60 },
      { x: 0, y: 60 },
    ];
    expect(Math.abs(polygonArea(offsetRing(edgesOf(notch, 10))) - clipper(notch, 10))).toBeLessThan(0.5);
  });

  it("a long mitre is cut square", () => {
    const spike = [
      { x: 0, y: 0 },
      { x: 200, y: 4 },
      { x: 0, y: 8 },
    ];
    expect(Math.max(...offsetRing(edgesOf(spike, 10)).map((p) => p.x))).toBeLessThan(241);
  });
});
