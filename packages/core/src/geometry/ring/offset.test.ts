import { EndType, inflatePathsD, JoinType, type PathD } from "clipper2-ts";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { polygonArea } from "./area.js";
import { flatten } from "../path/flatten.js";
import { hobby } from "../curve/hobby.js";
import { nearestOnPath } from "../path/nearest-on-path.js";
import { offsetRing } from "./offset.js";
import { polyline } from "../path/path.js";
import type { Point } from "../point.js";
import { selfIntersection } from "./ring.js";

const ringOf = (edges: Parameters<typeof offsetRing>[0]): Point[] => offsetRing(edges).ring;

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
  return Math.max(...ring.map((p) => nearestOnPath(line, p).off));
}

describe("the cutting line", () => {
  it("round a square: half an inch further out on every side, square corners", () => {
    const square = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 100 },
      { x: 0, y: 100 },
    ];
    const cutting = ringOf(edgesOf(square, 12.7));
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
    const cutting = ringOf(ring.map((a, i) => ({ places: [a, ring[(i + 1) % 4] as Point], outMm: allowances[i] as number })));
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
          const ours = ringOf(edgesOf(ring, mm));
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
    expect(Math.abs(polygonArea(ringOf(edgesOf(notch, 10))) - clipper(notch, 10))).toBeLessThan(0.5);
  });

  it("a long mitre is cut square", () => {
    const spike = [
      { x: 0, y: 0 },
      { x: 200, y: 4 },
      { x: 0, y: 8 },
    ];
    expect(Math.max(...ringOf(edgesOf(spike, 10)).map((p) => p.x))).toBeLessThan(241);
  });

  it("unlike allowances on a smooth edge are stepped, not mitred far along it", () => {
    // The second edge leaves the first at ten degrees: a mitre would cut thirty-odd millimetres off it.
    const turn = (10 * Math.PI) / 180;
    const run = Array.from({ length: 9 }, (_, i): Point => ({ x: 100 + i * 5 * Math.cos(turn), y: i * 5 * Math.sin(turn) }));
    const end = run[run.length - 1] as Point;
    const cutting = ringOf([
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

describe("unlike allowances on a line that runs on", () => {
  // A hem of 20 mm that runs on into a rounded front of 10 mm: the places along both lie on one line.
  const ring = (hem: number, front: number, corner?: "mirrored" | "square"): Point[] =>
    ringOf([
      {
        places: [
          { x: 200, y: 0 },
          { x: 100, y: 0 },
        ].reverse(),
        outMm: hem,
        corner,
      },
      {
        places: [
          { x: 200, y: 0 },
          { x: 400, y: 0 },
        ],
        outMm: front,
      },
      {
        places: [
          { x: 400, y: 0 },
          { x: 400, y: 200 },
          { x: 100, y: 200 },
        ],
        outMm: 0,
      },
      {
        places: [
          { x: 100, y: 200 },
          { x: 100, y: 0 },
        ],
        outMm: 0,
      },
    ]);
  const above = (places: readonly Point[], x: number): number => {
    const i = places.findIndex((p, k) => p.y < 0 && p.x <= x && (places[k + 1]?.x ?? -1) >= x);
    const [a, b] = [places[i] as Point, places[i + 1] as Point];
    return -(a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x));
  };

  it.each(["mitre", "mirrored"] as const)("the wider is kept to its end and runs out on the narrower (%s)", (corner) => {
    for (const [hem, front] of [
      [20, 10],
      [10, 20],
    ] as const) {
      const cutting = ring(hem, front, corner === "mitre" ? undefined : corner);
      for (let x = 105; x < 395; x += 5)
        expect(above(cutting, x), `${hem} ${front} at ${x}`).toBeGreaterThanOrEqual((x <= 200 ? hem : front) - 1e-9);
      // By hand: ten more or less, at one in two, is twenty along.
      const narrow = hem < front ? 200 - 20 : 200 + 20;
      expect(above(cutting, narrow)).toBeCloseTo(10, 6);
      expect(above(cutting, (narrow + 200) / 2)).toBeCloseTo(15, 6);
    }
  });

  it("not where one of them has none, and not where a square end is asked for", () => {
    expect(ring(20, 0).some((p) => Math.abs(p.x - 200) < 1e-9 && Math.abs(p.y + 20) < 1e-9)).toBe(true);
    expect(ring(20, 0).some((p) => Math.abs(p.x - 200) < 1e-9 && Math.abs(p.y) < 1e-9)).toBe(true);
    expect(ring(20, 10, "square").some((p) => Math.abs(p.x - 200) < 1e-9 && Math.abs(p.y + 10) < 1e-9)).toBe(true);
  });
});

/** A star-shaped ring through random radii, drawn as one smooth curve and cut fine: hollows and bulges of every sharpness, clockwise on the paper. */
const wavy = fc.array(fc.double({ min: 40, max: 220, noNaN: true }), { minLength: 5, maxLength: 11 }).map((radii) => {
  const n = radii.length;
  const at = radii.map((r, i) => ({ x: r * Math.cos((2 * Math.PI * i) / n), y: r * Math.sin((2 * Math.PI * i) / n) }));
  return { at, curved: flatten(hobby([...at, at[0] as Point].map((p) => ({ at: p, heading: undefined, tension: 1 }))), 0.05).slice(0, -1) };
});

/** True when no corner is so sharp that its mitre would be cut: how it is cut then is each program's own. */
const bluntest = (ring: readonly Point[]): boolean =>
  ring.every((p, i) => {
    const [a, b] = [ring[(i + ring.length - 1) % ring.length] as Point, ring[(i + 1) % ring.length] as Point];
    const turned = Math.abs(Math.atan2(b.y - p.y, b.x - p.x) - Math.atan2(p.y - a.y, p.x - a.x)) % (2 * Math.PI);
    return Math.min(turned, 2 * Math.PI - turned) < 2.2;
  });

describe("hollow corners and curves", () => {
  it("agrees with Clipper2 on random hollow rings of straight edges, within a thousandth of the area, without a loop", () => {
    fc.assert(
      fc.property(wavy, fc.double({ min: 2, max: 30, noNaN: true }), ({ at }, mm) => {
        fc.pre(bluntest(at));
        const ours = ringOf(edgesOf(at, mm));
        const theirs = clipper(at, mm);
        expect(selfIntersection(ours)).toBeUndefined();
        expect(Math.abs(polygonArea(ours) - theirs) / theirs).toBeLessThan(1e-3);
      }),
      { numRuns: 300 },
    );
  });

  it("and of curves cut fine, as one edge and as several", () => {
    fc.assert(
      fc.property(wavy, fc.double({ min: 2, max: 30, noNaN: true }), fc.integer({ min: 2, max: 5 }), ({ curved }, mm, parts) => {
        fc.pre(selfIntersection(curved) === undefined && bluntest(curved));
        const n = curved.length;
        const cuts = Array.from({ length: parts }, (_, k) => Math.floor((k * n) / parts));
        const edges = cuts.map((from, k) => {
          const to = k + 1 < parts ? (cuts[k + 1] as number) : n;
          return { places: [...curved.slice(from, to), curved[to % n] as Point], outMm: mm };
        });
        const ours = ringOf(edges);
        const theirs = clipper(curved, mm);
        expect(selfIntersection(ours)).toBeUndefined();
        expect(Math.abs(polygonArea(ours) - theirs) / theirs).toBeLessThan(1e-3);
      }),
      { numRuns: 200 },
    );
  });

  it("a keyhole narrower than the allowance is closed over, not drawn as a loop", () => {
    const slit = [
      { x: 0, y: 0 },
      { x: 45, y: 0 },
      { x: 45, y: 60 },
      { x: 55, y: 60 },
      { x: 55, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 100 },
      { x: 0, y: 100 },
    ];
    const cutting = ringOf(edgesOf(slit, 10));
    expect(selfIntersection(cutting)).toBeUndefined();
    expect(polygonArea(cutting)).toBeCloseTo(120 * 120, 3);
  });

  it("a hollow corner between short stretches of one edge is cut where its two sides cross (worked by hand)", () => {
    // A right-angled hollow whose sides are cut into stretches of 2 mm: 15 mm out, the corner lies 15 mm in from both sides.
    const steps = (from: Point, to: Point): Point[] =>
      Array.from({ length: 50 }, (_, i) => ({ x: from.x + ((to.x - from.x) * i) / 50, y: from.y + ((to.y - from.y) * i) / 50 }));
    const places = [...steps({ x: 200, y: 0 }, { x: 100, y: 0 }), ...steps({ x: 100, y: 0 }, { x: 100, y: -100 }), { x: 100, y: -100 }];
    const ring = ringOf([
      {
        places: [
          { x: 0, y: -100 },
          { x: 0, y: 100 },
          { x: 200, y: 100 },
          { x: 200, y: 0 },
        ].reverse(),
        outMm: 0,
      },
      {
        places: [
          { x: 0, y: -100 },
          { x: 100, y: -100 },
        ],
        outMm: 0,
      },
      { places: [...places].reverse(), outMm: 15 },
    ]);
    expect(selfIntersection(ring)).toBeUndefined();
    expect(ring.some((p) => Math.hypot(p.x - 115, p.y + 15) < 1e-3)).toBe(true);
  });
});

describe("corners of the allowance", () => {
  /** A piece that narrows toward its hem, 100 mm deep, the hem its third edge. */
  const tapered = (narrow: number, corner: "mitre" | "square" | "mirrored", side = 10, hem = 30): Point[] => {
    const ring = [
      { x: 0, y: 0 },
      { x: 200, y: 0 },
      { x: 200 - narrow, y: 100 },
      { x: narrow, y: 100 },
    ];
    return ringOf([
      { places: [ring[0] as Point, ring[1] as Point], outMm: side },
      { places: [ring[1] as Point, ring[2] as Point], outMm: side },
      { places: [ring[2] as Point, ring[3] as Point], outMm: hem, corner },
      { places: [ring[3] as Point, ring[0] as Point], outMm: side },
    ]);
  };

  it("mirrored: folded up on the hem, the allowance lies on the piece, edge on edge, at both ends", () => {
    fc.assert(
      fc.property(
        fc.double({ min: -40, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 5, max: 50, noNaN: true }),
        (narrow, side, hem) => {
          const cutting = tapered(narrow, "mirrored", side, hem);
          const border = polyline([...cutting, cutting[0] as Point]);
          const below = cutting.filter((p) => p.y > 100 + 1e-6);
          expect(below).toHaveLength(2);
          for (const p of below) {
            expect(p.y).toBeCloseTo(100 + hem, 6);
            expect(nearestOnPath(border, { x: p.x, y: 200 - p.y }).off).toBeLessThan(1e-6);
          }
          expect(selfIntersection(cutting)).toBeUndefined();
        },
      ),
    );
  });

  it("mirrored over a curved side: every place of the turn-up lies on the side above it", () => {
    const side = flatten(
      hobby(
        [{ at: { x: 200, y: 0 } }, { at: { x: 170, y: 60 } }, { at: { x: 176, y: 120 } }].map((k) => ({
          ...k,
          heading: undefined,
          tension: 1,
        })),
      ),
      0.02,
    );
    const cutting = ringOf([
      {
        places: [
          { x: 0, y: 0 },
          { x: 200, y: 0 },
        ],
        outMm: 0,
      },
      { places: side, outMm: 12 },
      {
        places: [
          { x: 176, y: 120 },
          { x: 0, y: 120 },
        ],
        outMm: 35,
        corner: "mirrored",
      },
      {
        places: [
          { x: 0, y: 120 },
          { x: 0, y: 0 },
        ],
        outMm: 0,
      },
    ]);
    const border = polyline([...cutting, cutting[0] as Point]);
    const below = cutting.filter((p) => p.y > 120.01 && p.x > 100);
    expect(below.length).toBeGreaterThan(3);
    for (const p of below) expect(nearestOnPath(border, { x: p.x, y: 240 - p.y }).off).toBeLessThan(0.02);
  });

  it("square: neither allowance runs past its own edge; mitred: both run on to the corner they share", () => {
    expect(Math.max(...tapered(0, "square").map((p) => Math.hypot(Math.max(0, p.x - 200), Math.max(0, p.y - 100))))).toBeCloseTo(30, 6);
    expect(Math.max(...tapered(0, "mitre").map((p) => Math.hypot(Math.max(0, p.x - 200), Math.max(0, p.y - 100))))).toBeCloseTo(
      Math.hypot(10, 30),
      6,
    );
  });

  it("a corner asked for by either of the two edges is made at both ends of the edge that asks", () => {
    const mitred = tapered(30, "mitre");
    expect(tapered(30, "mirrored")).not.toEqual(mitred);
    const [left, right] = [
      Math.min(...tapered(30, "mirrored").map((p) => (p.y > 101 ? p.x : 999))),
      Math.max(...tapered(30, "mirrored").map((p) => (p.y > 101 ? p.x : -999))),
    ];
    expect(left + right).toBeCloseTo(200, 6);
  });
});
