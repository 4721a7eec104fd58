import { EndType, inflatePathsD, JoinType, type PathD } from "clipper2-ts";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { polygonArea } from "./area.js";
import { locate } from "./locate.js";
import { offsetRing } from "./offset.js";
import { polyline } from "./path.js";
import type { Point } from "./point.js";

const edgesOf = (ring: readonly Point[], mm: number): { places: Point[]; outMm: number }[] =>
  ring.map((a, i) => ({ places: [a, ring[(i + 1) % ring.length] as Point], outMm: mm }));

/** The same ring offset by Clipper2 with mitred corners: an outside reading. */
function clipperRing(ring: readonly Point[], mm: number): Point[] {
  const path = ring.map((p) => ({ x: p.x, y: p.y })) as unknown as PathD;
  const [out] = inflatePathsD([path], mm, JoinType.Miter, EndType.Polygon, 4, 6);
  return (out ?? []) as unknown as Point[];
}
const clipper = (ring: readonly Point[], mm: number): number => polygonArea(clipperRing(ring, mm));

/** How far (mm) the furthest corner of one ring lies from the line of another. */
function strays(ring: readonly Point[], from: readonly Point[]): number {
  const line = polyline([...from, from[0] as Point]);
  return Math.max(...ring.map((p) => locate(line, p).off));
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
          const ours = offsetRing(edgesOf(ring, mm));
          const theirs = clipperRing(ring, mm);
          expect(Math.abs(polygonArea(ours) - polygonArea(theirs)) / polygonArea(ours)).toBeLessThan(1e-4);
          expect(strays(ours, theirs)).toBeLessThan(0.1);
          expect(strays(theirs, ours)).toBeLessThan(0.1);
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

  it("unlike allowances on a smooth edge are stepped, not mitred far along it", () => {
    // The second edge leaves the first at ten degrees: a mitre would cut thirty-odd millimetres off it.
    const turn = (10 * Math.PI) / 180;
    const run = Array.from({ length: 9 }, (_, i): Point => ({ x: 100 + i * 5 * Math.cos(turn), y: i * 5 * Math.sin(turn) }));
    const end = run[run.length - 1] as Point;
    const cutting = offsetRing([
      { places: [{ x: 0, y: 0 }, run[0] as Point], outMm: 0 },
      { places: run, outMm: 6 },
      { places: [end, { x: end.x, y: 80 }], outMm: 0 },
      {
        places: [
          { x: end.x, y: 80 },
          { x: 0, y: 80 },
        ],
        outMm: 0,
      },
      {
        places: [
          { x: 0, y: 80 },
          { x: 0, y: 0 },
        ],
        outMm: 0,
      },
    ]);
    expect(cutting.some((p) => Math.hypot(p.x - 100, p.y) < 1e-9)).toBe(true);
    expect(cutting.some((p) => Math.hypot(p.x - 100 - 6 * Math.sin(turn), p.y + 6 * Math.cos(turn)) < 1e-9)).toBe(true);
  });
});
