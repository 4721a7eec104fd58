import { Bezier } from "bezier-js";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Cubic, cubicAt } from "../curve/cubic.js";
import { cubicLength } from "../curve/cubic-length.js";
import { nearestOnPath } from "./nearest-on-path.js";
import { polyline } from "./path.js";
import { distance, type Point } from "../point.js";

const place = fc.record({ x: fc.double({ min: -500, max: 500, noNaN: true }), y: fc.double({ min: -500, max: 500, noNaN: true }) });
const curve = fc.tuple(place, place, place, place).map(([p0, p1, p2, p3]): Cubic => ({ p0, p1, p2, p3, straight: false }));

/** A curve without a cusp or a loop, some 300 mm long. */
const handle = fc.record({ x: fc.double({ min: 20, max: 130, noNaN: true }), y: fc.double({ min: -100, max: 100, noNaN: true }) });
const drawn = fc.tuple(handle, handle).map(([a, b]): Cubic => ({
  ...{ p0: { x: 0, y: 0 }, p1: a, p2: { x: 300 - b.x, y: b.y }, p3: { x: 300, y: 0 }, straight: false },
}));

/** The nearest of very many places of a cubic: slow, and knows nothing of slopes. */
function denseSearch(c: Cubic, p: Point, many = 4_000): number {
  let least = Infinity;
  for (let i = 0; i <= many; i++) least = Math.min(least, distance(cubicAt(c, i / many), p));
  return least;
}

describe("the place of a path nearest to a point", () => {
  it("is no further than a dense search finds, on any cubic", () => {
    fc.assert(
      fc.property(curve, place, (c, p) => {
        const { off } = nearestOnPath({ segments: [c] }, p);
        const dense = denseSearch(c, p);
        // Its places lie a millimetre apart at most, so it may miss by half of that.
        expect(off).toBeGreaterThanOrEqual(dense - 0.6);
        // A curve that sets out from a standstill has its samples bunched there: a hundredth of a millimetre.
        expect(off).toBeLessThanOrEqual(dense + 0.01 + 1e-9);
      }),
      { numRuns: 300 },
    );
  });

  it("lies where it says, square to the way of travel or at an end, on curves as patterns have them", () => {
    fc.assert(
      fc.property(drawn, place, (c, p) => {
        const path = { segments: [c] };
        const { along, off } = nearestOnPath(path, p);
        const length = cubicLength(c);
        fc.pre(length > 1);
        const t = parameterAt(c, along);
        const at = cubicAt(c, t);
        expect(Math.abs(distance(at, p) - off)).toBeLessThan(0.02);
        if (along < 1e-6 || along > length - 1e-6) return;
        const step = 1e-5;
        const [a, b] = [cubicAt(c, Math.max(0, t - step)), cubicAt(c, Math.min(1, t + step))];
        const way = distance(a, b);
        fc.pre(way > 1e-4 && off > 1e-3);
        const cosine = ((b.x - a.x) * (p.x - at.x) + (b.y - a.y) * (p.y - at.y)) / (way * off);
        expect(Math.abs(cosine)).toBeLessThan(0.02);
      }),
      { numRuns: 200 },
    );
  });

  // bezier-js 6.1.4 (Pomax): its projection samples a table and refines it.
  it("agrees with an independent library on curves as patterns have them", () => {
    const neck: Cubic = { p0: { x: 0, y: 0 }, p1: { x: 40, y: 0 }, p2: { x: 80, y: 30 }, p3: { x: 80, y: 75 }, straight: false };
    const armhole: Cubic = { p0: { x: 0, y: 0 }, p1: { x: -30, y: 90 }, p2: { x: 10, y: 180 }, p3: { x: 95, y: 200 }, straight: false };
    for (const c of [neck, armhole]) {
      const theirs = new Bezier(c.p0.x, c.p0.y, c.p1.x, c.p1.y, c.p2.x, c.p2.y, c.p3.x, c.p3.y);
      for (let x = -60; x <= 140; x += 20)
        for (let y = -60; y <= 240; y += 30) {
          // Its own figure also looks beyond the ends, where there is no curve: its place is taken.
          const d = distance(theirs.project({ x, y }), { x, y });
          const { off } = nearestOnPath({ segments: [c] }, { x, y });
          expect(off).toBeLessThanOrEqual(d + 1e-9);
          expect(d - off).toBeLessThan(0.05);
        }
    }
  });

  it("of a point on it is exact, and so are its ends and straight stretches", () => {
    const c: Cubic = { p0: { x: 0, y: 0 }, p1: { x: 10, y: 60 }, p2: { x: 70, y: 90 }, p3: { x: 120, y: 20 }, straight: false };
    for (const t of [0, 0.1, 0.37, 0.5, 0.93, 1]) expect(nearestOnPath({ segments: [c] }, cubicAt(c, t)).off).toBeLessThan(1e-9);
    expect(nearestOnPath({ segments: [c] }, c.p3).along).toBe(cubicLength(c));
    const line = polyline([
      { x: 0, y: 0 },
      { x: 30, y: 0 },
      { x: 30, y: 40 },
    ]);
    expect(nearestOnPath(line, { x: 10, y: 5 })).toEqual({ along: 10, off: 5 });
    expect(nearestOnPath(line, { x: 33, y: 44 })).toEqual({ along: 70, off: 5 });
  });
});

/** The parameter at which a cubic has come so far, by halving alone. */
function parameterAt(c: Cubic, mm: number): number {
  let [low, high] = [0, 1];
  for (let i = 0; i < 60; i++) {
    const t = (low + high) / 2;
    let far = 0;
    const many = 400;
    for (let k = 0; k < many; k++) far += distance(cubicAt(c, (t * k) / many), cubicAt(c, (t * (k + 1)) / many));
    if (far < mm) low = t;
    else high = t;
  }
  return (low + high) / 2;
}
