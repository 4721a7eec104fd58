import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { closedEdge, closingAngle, type Dart, dartMouth, dartOf, dartPath, foldOf, intakeOf, widthAt } from "./dart.js";
import { mirror } from "./line.js";
import { endOf, pathLength, polyline } from "./path/path.js";
import { distance, type Point, turn } from "./point.js";

/** Ten centimetres long, two wide, its mouth on a level edge below it. */
const DART: Dart = { a: { x: 40, y: 100 }, b: { x: 60, y: 100 }, tips: [{ x: 50, y: 0 }] };
const LEFT: Point = { x: -1, y: 0 };

describe("a dart", () => {
  it("is read back from its path, with one point or two", () => {
    const long: Dart = { ...DART, tips: [{ x: 50, y: 0 }, { x: 50, y: 180 }] }; // prettier-ignore
    expect(dartOf(dartPath(DART))).toEqual(DART);
    expect(dartOf(dartPath(long))).toEqual(long);
    expect(dartOf(polyline([{ x: 0, y: 0 }, { x: 1, y: 1 }]))).toBeUndefined(); // prettier-ignore
    expect(intakeOf(DART)).toBe(20);
  });

  it("closes by twice the angle whose tangent is half the mouth over the length (hand-computed)", () => {
    expect(Math.abs(closingAngle(DART))).toBeCloseTo(2 * Math.atan(10 / 100), 12);
    const closed = turn(DART.b, DART.tips[0], closingAngle(DART));
    expect(distance(closed, DART.a)).toBeCloseTo(0, 9);
  });

  it("takes in half its mouth halfway up, all of it at the mouth, nothing past its point", () => {
    const level = (y: number): number => widthAt(DART, { a: { x: 0, y }, b: { x: 100, y } });
    expect(level(50)).toBeCloseTo(10, 9);
    expect(level(100)).toBeCloseTo(20, 9);
    expect(level(-1)).toBe(0);
    expect(level(101)).toBe(0);
    expect(widthAt(DART, { a: { x: 0, y: 0 }, b: { x: 0, y: 0 } })).toBe(0);
  });

  it("folds from the middle of its mouth to its point", () => {
    expect(foldOf(DART)).toEqual([{ x: 50, y: 100 }, { x: 50, y: 0 }]); // prettier-ignore
  });
});

describe("the shaped mouth", () => {
  it("on a level edge stands out by the figures worked out by hand", () => {
    // The edge's way (−1, 0) mirrored in the leg (−10, 100)/√10100 is (0.980198, 0.198020): after 10/0.980198 across it is 2.0202 lower.
    const [, peak, end] = [undefined, ...dartMouth(DART, { x: 0, y: 100 }, { x: 100, y: 100 }, LEFT).segments.map((c) => c.p3)];
    expect(peak?.x).toBeCloseTo(50, 9);
    expect(peak?.y).toBeCloseTo(102.0202, 4);
    expect(end).toEqual(DART.b);
  });

  it("folded and pressed lies on the edge, whatever the edge's slope", () => {
    fc.assert(
      fc.property(fc.double({ min: -0.6, max: 0.6, noNaN: true }), fc.boolean(), (slope, toLeft) => {
        const before = { x: 0, y: 100 - 40 * slope };
        const after = { x: 100, y: 100 + 40 * slope };
        const mouth = dartMouth(DART, before, after, toLeft ? LEFT : { x: 1, y: 0 });
        if (mouth.segments.length === 1) return;
        const peak = mouth.segments[0]?.p3 as Point;
        const [leg, edge] = toLeft ? [DART.a, before] : [DART.b, after];
        const pressed = mirror(peak, { a: DART.tips[0], b: leg }) as Point;
        const off = (edge.x - leg.x) * (pressed.y - leg.y) - (edge.y - leg.y) * (pressed.x - leg.x);
        expect(off / distance(edge, leg)).toBeCloseTo(0, 6);
      }),
    );
  });

  it("is straight where the edge runs along the leg and never meets the fold near by", () => {
    const along = { x: 40 + (40 - 50), y: 200 };
    expect(dartMouth(DART, along, { x: 100, y: 100 }, LEFT).segments).toHaveLength(1);
  });
});

describe("an edge with its dart closed", () => {
  it("is as long as what stands on both sides of the mouth, and runs straight on when it was trued", () => {
    const before = polyline([{ x: 0, y: 100 }, DART.a]);
    const after = polyline([DART.b, { x: 100, y: 100 }]);
    const sewn = closedEdge(before, DART, after);
    expect(pathLength(sewn)).toBeCloseTo(80, 9);
    expect(sewn.segments[1]?.p0.x).toBeCloseTo(DART.a.x, 9);
    expect(pathLength(closedEdge(undefined, DART, after))).toBeCloseTo(40, 9);
    expect(endOf(closedEdge(before, DART, undefined))).toEqual(DART.a);
  });
});
