import { Bezier } from "bezier-js";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { signedPathArea, signedPolygonArea } from "../ring/area.js";
import { boundsOf, growBounds } from "../bounds.js";
import { intersectCubicLine, intersectPathLine, cubicRoots } from "../intersect.js";
import { type Cubic, cubicAt, cubicHeading, cubicSlope, reverseCubic, splitCubic, straightCubic } from "./cubic.js";
import { cubicLength, cubicParameterAt } from "./cubic-length.js";
import { flatten } from "../path/flatten.js";
import { intersectLines, direction, foot, mirror } from "../line.js";
import { endOf, joinPaths, mapPath, pathLength, pointAtLength, polyline, reversePath, splitPath, startOf } from "../path/path.js";
import { bearing, lerp, distance, type Point, samePlace, shift, turn } from "../point.js";
import { properIntersection, insideRing, selfIntersection } from "../ring/ring.js";
import { mmText, svgData, svgRing } from "../path/svg-data.js";

const coordinate = fc.integer({ min: -50_000, max: 50_000 }).map((n) => n / 100);
const place: fc.Arbitrary<Point> = fc.record({ x: coordinate, y: coordinate });
const cubic: fc.Arbitrary<Cubic> = fc.tuple(place, place, place, place).map(([p0, p1, p2, p3]) => ({ p0, p1, p2, p3, straight: false }));
const theirs = (c: Cubic): Bezier => new Bezier(c.p0.x, c.p0.y, c.p1.x, c.p1.y, c.p2.x, c.p2.y, c.p3.x, c.p3.y);

/** The best a quarter circle can be drawn with one cubic; its length against π/2 is known to 2.8e-4 (T. Goldapp, 1991; from memory). */
const KAPPA = 0.5522847498;
const quarter: Cubic = {
  p0: { x: 100, y: 0 },
  p1: { x: 100, y: 100 * KAPPA },
  p2: { x: 100 * KAPPA, y: 100 },
  p3: { x: 0, y: 100 },
  straight: false,
};

describe("a cubic, against bezier-js", () => {
  it("lies where bezier-js says", () => {
    fc.assert(
      fc.property(cubic, fc.double({ min: 0, max: 1, noNaN: true }), (c, t) => {
        const p = cubicAt(c, t);
        const q = theirs(c).get(t);
        const d = cubicSlope(c, t);
        const e = theirs(c).derivative(t);
        expect(p.x).toBeCloseTo(q.x, 8);
        expect(p.y).toBeCloseTo(q.y, 8);
        expect(d.x).toBeCloseTo(e.x, 7);
        expect(d.y).toBeCloseTo(e.y, 7);
      }),
    );
  });

  it("splits into the same halves", () => {
    fc.assert(
      fc.property(cubic, fc.double({ min: 0.01, max: 0.99, noNaN: true }), (c, t) => {
        const [a, b] = splitCubic(c, t);
        const { left, right } = theirs(c).split(t);
        [a.p0, a.p1, a.p2, a.p3].forEach((p, i) => expect(distance(p, left.points[i] as Point)).toBeLessThan(1e-7));
        [b.p0, b.p1, b.p2, b.p3].forEach((p, i) => expect(distance(p, right.points[i] as Point)).toBeLessThan(1e-7));
      }),
    );
  });

  it("is as long as a fine polygon through it, within 1e-6", () => {
    fc.assert(
      fc.property(cubic, (c) => {
        // An outside length: Richardson's step on chords of 2000 and 4000 parts, good to about 1e-9 on smooth cubics.
        const chords = (n: number): number => {
          let sum = 0;
          for (let i = 1; i <= n; i++) sum += distance(cubicAt(c, (i - 1) / n), cubicAt(c, i / n));
          return sum;
        };
        const coarse = chords(1000);
        const fine = chords(2000);
        const sharp = fine + (fine - coarse) / 3;
        expect(Math.abs(cubicLength(c) - sharp)).toBeLessThan(2e-6 * sharp + 1e-9);
      }),
      { numRuns: 60 },
    );
  });

  it("loses no crossing with a line", () => {
    fc.assert(
      fc.property(cubic, place, place, (c, a, b) => {
        fc.pre(distance(a, b) > 1);
        const side = (p: Point): number => Math.sign((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x));
        let changes = 0;
        for (let i = 1; i <= 400; i++) if (side(cubicAt(c, (i - 1) / 400)) * side(cubicAt(c, i / 400)) < 0) changes++;
        const crossings = intersectCubicLine(c, { a, b });
        expect(crossings.length).toBeGreaterThanOrEqual(changes);
        for (const p of crossings)
          expect(Math.abs(((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) / distance(a, b))).toBeLessThan(1e-6);
      }),
    );
  });
});

describe("lengths and places along", () => {
  it("a quarter circle is a quarter of the way round", () => {
    expect(cubicLength(quarter) / 100).toBeCloseTo(Math.PI / 2, 3);
    expect(pathLength({ segments: [quarter, quarter] })).toBeCloseTo(2 * cubicLength(quarter), 9);
  });

  it("a straight stretch is its chord", () => {
    expect(cubicLength(straightCubic({ x: 0, y: 0 }, { x: 3, y: 4 }))).toBe(5);
    expect(
      pathLength(
        polyline([
          { x: 0, y: 0 },
          { x: 3, y: 4 },
          { x: 3, y: 10 },
        ]),
      ),
    ).toBe(11);
  });

  it("a curve folded back on itself and one of no length have lengths", () => {
    const cusp: Cubic = { p0: { x: 0, y: 0 }, p1: { x: 100, y: 0 }, p2: { x: -100, y: 0 }, p3: { x: 0, y: 0 }, straight: false };
    expect(cubicLength(cusp)).toBeGreaterThan(50);
    const nowhere: Cubic = { p0: { x: 5, y: 5 }, p1: { x: 5, y: 5 }, p2: { x: 5, y: 5 }, p3: { x: 5, y: 5 }, straight: false };
    expect(cubicLength(nowhere)).toBe(0);
    expect(cubicHeading(nowhere, 0.5)).toEqual({ x: 1, y: 0 });
  });

  it("the parameter at a length gives that length", () => {
    fc.assert(
      fc.property(cubic, fc.double({ min: 0.02, max: 0.98, noNaN: true }), (c, share) => {
        const total = cubicLength(c);
        fc.pre(total > 1);
        const t = cubicParameterAt(c, total * share);
        expect(cubicLength(splitCubic(c, t)[0])).toBeCloseTo(total * share, 4);
      }),
      { numRuns: 60 },
    );
    expect(cubicParameterAt(quarter, -1)).toBe(0);
    expect(cubicParameterAt(quarter, 1e9)).toBe(1);
    expect(cubicParameterAt(straightCubic({ x: 0, y: 0 }, { x: 10, y: 0 }), 2.5)).toBe(0.25);
  });

  it("a split path is as long as the whole, and travels the other way alike", () => {
    fc.assert(
      fc.property(fc.array(cubic, { minLength: 1, maxLength: 3 }), fc.double({ min: -0.2, max: 1.2, noNaN: true }), (segments, share) => {
        const path = { segments };
        const total = pathLength(path);
        const [a, b] = splitPath(path, total * share);
        expect(pathLength(a) + pathLength(b)).toBeCloseTo(total, 4);
        expect(pathLength(reversePath(path))).toBeCloseTo(total, 6);
      }),
      { numRuns: 40 },
    );
  });

  it("goes straight on past both ends", () => {
    const path = polyline([
      { x: 0, y: 0 },
      { x: 10, y: 0 },
    ]);
    expect(pointAtLength(path, 15).at).toEqual({ x: 15, y: 0 });
    expect(pointAtLength(path, -5).at).toEqual({ x: -5, y: 0 });
    expect(pointAtLength(path, 4).at.x).toBeCloseTo(4, 9);
    expect(startOf(path)).toEqual({ x: 0, y: 0 });
    expect(endOf(joinPaths([path, mapPath(path, (p) => shift(p, 10, 5))]))).toEqual({ x: 20, y: 5 });
  });

  it("corner points stay within the tolerance of the curve", () => {
    fc.assert(
      fc.property(cubic, (c) => {
        const corners = flatten({ segments: [c] }, 0.5);
        const off = (p: Point): number =>
          Math.min(
            ...corners.slice(1).map((b, i) => {
              const a = corners[i] as Point;
              const l2 = (b.x - a.x) ** 2 + (b.y - a.y) ** 2;
              const t = l2 === 0 ? 0 : Math.max(0, Math.min(1, ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / l2));
              return distance(p, lerp(a, b, t));
            }),
          );
        for (let t = 0; t <= 1; t += 0.05) expect(off(cubicAt(c, t))).toBeLessThan(0.75);
      }),
      { numRuns: 40 },
    );
  });
});

describe("areas", () => {
  it("by hand: a square, a triangle, a half disc", () => {
    const square = [
      { x: 0, y: 0 },
      { x: 10, y: 0 },
      { x: 10, y: 10 },
      { x: 0, y: 10 },
    ];
    expect(signedPolygonArea(square)).toBe(100);
    expect(signedPolygonArea([...square].reverse())).toBe(-100);
    expect(signedPathArea(polyline([...square, square[0] as Point]))).toBeCloseTo(100, 9);
    const pie = joinPaths([polyline([{ x: 0, y: 0 }, quarter.p0]), { segments: [quarter] }, polyline([quarter.p3, { x: 0, y: 0 }])]);
    expect(signedPathArea(pie) / ((Math.PI * 100 * 100) / 4)).toBeCloseTo(1, 3);
  });

  it("of curves agree with their corner points, and turning keeps them", () => {
    fc.assert(
      fc.property(fc.array(place, { minLength: 3, maxLength: 6 }), fc.double({ min: -3, max: 3, noNaN: true }), (ring, rad) => {
        const path = polyline([...ring, ring[0] as Point]);
        const area = signedPathArea(path);
        expect(area).toBeCloseTo(signedPolygonArea(ring), 3);
        expect(signedPathArea(mapPath(path, (p) => turn(p, { x: 3, y: 4 }, rad)))).toBeCloseTo(area, 2);
      }),
    );
  });
});

describe("lines", () => {
  const level = { a: { x: 0, y: 5 }, b: { x: 10, y: 5 } };
  const plumb = { a: { x: 3, y: 0 }, b: { x: 3, y: 1 } };

  it("cross, even beyond their ends", () => {
    expect(intersectLines(level, plumb)).toEqual({ x: 3, y: 5 });
    expect(intersectLines(level, { a: { x: 50, y: 0 }, b: { x: 50, y: 1 } })).toEqual({ x: 50, y: 5 });
  });

  it("side by side, or without direction, they do not", () => {
    expect(intersectLines(level, { a: { x: 0, y: 6 }, b: { x: 10, y: 6 } })).toBeUndefined();
    expect(intersectLines(level, { a: { x: 0, y: 0 }, b: { x: 0, y: 0 } })).toBeUndefined();
    expect(direction({ a: { x: 1, y: 1 }, b: { x: 1, y: 1 } })).toBeUndefined();
    expect(foot({ x: 1, y: 2 }, { a: { x: 1, y: 1 }, b: { x: 1, y: 1 } })).toBeUndefined();
    expect(mirror({ x: 1, y: 2 }, { a: { x: 1, y: 1 }, b: { x: 1, y: 1 } })).toBeUndefined();
  });

  it("a foot is square to the line, a mirror image as far behind it", () => {
    fc.assert(
      fc.property(place, place, place, (p, a, b) => {
        fc.pre(distance(a, b) > 1);
        const f = foot(p, { a, b }) as Point;
        const m = mirror(p, { a, b }) as Point;
        expect((f.x - p.x) * (b.x - a.x) + (f.y - p.y) * (b.y - a.y)).toBeCloseTo(0, 4);
        expect(distance(p, f)).toBeCloseTo(distance(m, f), 6);
        expect(distance(mirror(m, { a, b }) as Point, p)).toBeLessThan(1e-6);
      }),
    );
  });

  it("a cubic along the line meets it nowhere, one that touches it meets it once", () => {
    expect(intersectCubicLine(straightCubic({ x: 0, y: 5 }, { x: 9, y: 5 }), level)).toEqual([]);
    const touching: Cubic = { p0: { x: 0, y: 0 }, p1: { x: 0, y: 20 / 3 }, p2: { x: 10, y: 20 / 3 }, p3: { x: 10, y: 0 }, straight: false };
    expect(intersectPathLine({ segments: [touching] }, level)).toHaveLength(1);
    expect(intersectPathLine({ segments: [touching] }, { a: { x: 0, y: 6 }, b: { x: 1, y: 6 } })).toHaveLength(0);
    expect(intersectPathLine({ segments: [touching] }, { a: { x: 0, y: 2 }, b: { x: 1, y: 2 } })).toHaveLength(2);
  });

  it("roots of a cubic by hand", () => {
    expect(cubicRoots(1, -1.5, 0.74, -0.12).map((t) => Math.round(t * 1e6) / 1e6)).toEqual([0.4, 0.5, 0.6]);
    expect(cubicRoots(0, 1, -1, 0.25)).toHaveLength(1);
    expect(cubicRoots(0, 0, 2, -1)).toEqual([0.5]);
    expect(cubicRoots(0, 0, 0, 1)).toEqual([]);
    expect(cubicRoots(0, 0, 0, 0)).toEqual([]);
    expect(cubicRoots(0, 1, 0, 1)).toEqual([]);
  });
});

describe("rings", () => {
  const bow = [
    { x: 0, y: 0 },
    { x: 10, y: 10 },
    { x: 10, y: 0 },
    { x: 0, y: 10 },
  ];
  const square = [
    { x: 0, y: 0 },
    { x: 10, y: 0 },
    { x: 10, y: 10 },
    { x: 0, y: 10 },
  ];

  it("a bow tie crosses itself in its middle, a square does not", () => {
    expect(selfIntersection(bow)).toEqual({ x: 5, y: 5 });
    expect(selfIntersection(square)).toBeUndefined();
  });

  it("a star ring of many corners never does", () => {
    const star = Array.from({ length: 400 }, (_, i) => {
      const r = i % 2 === 0 ? 100 : 60;
      return { x: r * Math.cos((i * Math.PI) / 200), y: r * Math.sin((i * Math.PI) / 200) };
    });
    expect(selfIntersection(star)).toBeUndefined();
  });

  it("touching ends do not count as crossing", () => {
    expect(properIntersection({ x: 0, y: 0 }, { x: 5, y: 0 }, { x: 5, y: 0 }, { x: 5, y: 5 })).toBeUndefined();
    expect(properIntersection({ x: 0, y: 0 }, { x: 5, y: 0 }, { x: 0, y: 1 }, { x: 5, y: 1 })).toBeUndefined();
    expect(properIntersection({ x: 0, y: 0 }, { x: 4, y: 4 }, { x: 0, y: 4 }, { x: 4, y: 0 })).toEqual({ x: 2, y: 2 });
  });

  it("knows inside from outside", () => {
    expect(insideRing({ x: 5, y: 5 }, square)).toBe(true);
    expect(insideRing({ x: 15, y: 5 }, square)).toBe(false);
    expect(insideRing({ x: 5, y: -1 }, square)).toBe(false);
  });
});

describe("small things", () => {
  it("points", () => {
    expect(bearing({ x: 0, y: 0 }, { x: 0, y: 5 })).toBeCloseTo(Math.PI / 2, 12);
    expect(samePlace({ x: 1, y: 1 }, { x: 1 + 1e-8, y: 1 })).toBe(true);
    expect(samePlace({ x: Number.NaN, y: 1 }, { x: 1, y: 1 })).toBe(false);
    expect(turn({ x: 1, y: 0 }, { x: 0, y: 0 }, Math.PI / 2).y).toBeCloseTo(1, 12);
    expect(reverseCubic(quarter).p0).toEqual(quarter.p3);
  });

  it("bounds", () => {
    expect(boundsOf([])).toBeUndefined();
    expect(
      boundsOf([
        { x: 3, y: 4 },
        { x: -1, y: 9 },
      ]),
    ).toEqual({ minX: -1, minY: 4, maxX: 3, maxY: 9 });
    expect(growBounds({ minX: 0, minY: 0, maxX: 1, maxY: 1 }, 2)).toEqual({ minX: -2, minY: -2, maxX: 3, maxY: 3 });
  });

  it("SVG data has no exponents and no minus zero", () => {
    expect(mmText(1e-9)).toBe("0");
    expect(mmText(-1e-9)).toBe("0");
    expect(mmText(1234.5)).toBe("1234.5");
    expect(
      svgData(
        polyline([
          { x: 0, y: 0 },
          { x: 1.25, y: 1e-8 },
        ]),
      ),
    ).toBe("M0 0L1.25 0");
    expect(svgData({ segments: [quarter] })).toContain("C100 55.228 55.228 100 0 100");
    expect(svgRing([])).toBe("");
    expect(
      svgRing([
        { x: 0, y: 0 },
        { x: 1, y: 0 },
        { x: 1, y: 1 },
      ]),
    ).toBe("M0 0L1 0L1 1Z");
  });
});
