import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { METAPOST } from "../fixtures/metapost.js";
import { hobby, type Knot } from "./hobby.js";
import { headingAtEnd, headingAtStart, mapPath, pathLength, reversePath } from "../path/path.js";
import type { Point } from "../point.js";

/** METAPOST's y runs up, ours down: places are mirrored and angles turn the other way. */
const toOurs = (k: (typeof METAPOST)[number]["knots"][number]): Knot => ({
  at: { x: k.x, y: -k.y },
  heading: k.dir === undefined ? undefined : (-k.dir * Math.PI) / 180,
  tension: k.tension,
});

describe("Hobby's spline against METAPOST's published rule", () => {
  it.each(METAPOST.map((c) => [c.name, c] as const))("%s: control points", (_, c) => {
    const { segments: parts } = hobby(c.knots.map(toOurs));
    expect(parts).toHaveLength(c.cubics.length);
    const scale = Math.max(...c.cubics.flat().map(Math.abs));
    parts.forEach((part, i) => {
      const got = [part.p0, part.p1, part.p2, part.p3].flatMap((p) => [p.x, -p.y]);
      got.forEach((v, k) => expect(Math.abs(v - (c.cubics[i]?.[k] as number))).toBeLessThan(1e-5 * scale));
    });
  });

  // METAPOST's arclength is itself good to about 1e-4.
  it.each(METAPOST.map((c) => [c.name, c] as const))("%s: length", (_, c) => {
    expect(pathLength(hobby(c.knots.map(toOurs))) / c.length).toBeCloseTo(1, 4);
  });
});

const place = fc.record({ x: fc.double({ min: -300, max: 300, noNaN: true }), y: fc.double({ min: -300, max: 300, noNaN: true }) });
const apart = (list: readonly Point[]): boolean =>
  list.every((p, i) => i === 0 || Math.hypot(p.x - (list[i - 1] as Point).x, p.y - (list[i - 1] as Point).y) > 1);

/** No hairpins: turning right back on itself, a curve may swing out to either side. */
function gentle(list: readonly Point[]): boolean {
  return list.slice(2).every((c, i) => {
    const [a, b] = [list[i] as Point, list[i + 1] as Point];
    const turn = Math.atan2((b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x), (b.x - a.x) * (c.x - b.x) + (b.y - a.y) * (c.y - b.y));
    return Math.abs(turn) < 2.9;
  });
}

describe("Hobby's spline as a curve to draw with", () => {
  it("runs through its points, in order", () => {
    fc.assert(
      fc.property(fc.array(place, { minLength: 2, maxLength: 6 }), (places) => {
        fc.pre(apart(places));
        const { segments: parts } = hobby(places.map((at) => ({ at })));
        expect(parts.map((p) => p.p0)).toEqual(places.slice(0, -1));
        expect(parts[parts.length - 1]?.p3).toEqual(places[places.length - 1]);
      }),
    );
  });

  it("leaves and arrives in the directions given", () => {
    fc.assert(
      fc.property(
        place,
        place,
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (a, b, leave, arrive) => {
          fc.pre(apart([a, b]));
          const path = hobby([
            { at: a, heading: leave },
            { at: b, heading: arrive },
          ]);
          const u = headingAtStart(path);
          const v = headingAtEnd(path);
          expect(u.x * Math.cos(leave) + u.y * Math.sin(leave)).toBeCloseTo(1, 6);
          expect(v.x * Math.cos(arrive) + v.y * Math.sin(arrive)).toBeCloseTo(1, 6);
        },
      ),
    );
  });

  it("is smooth at every knot between", () => {
    fc.assert(
      fc.property(fc.array(place, { minLength: 3, maxLength: 6 }), (places) => {
        fc.pre(apart(places));
        const { segments: parts } = hobby(places.map((at) => ({ at })));
        for (let i = 1; i < parts.length; i++) {
          const before = headingAtEnd({ segments: [parts[i - 1] as (typeof parts)[number]] });
          const after = headingAtStart({ segments: [parts[i] as (typeof parts)[number]] });
          expect(before.x * after.x + before.y * after.y).toBeGreaterThan(1 - 1e-6);
        }
      }),
    );
  });

  it("does not depend on where or how large it is drawn, nor on which end it starts from", () => {
    fc.assert(
      fc.property(fc.array(place, { minLength: 2, maxLength: 5 }), fc.double({ min: 0.1, max: 20, noNaN: true }), (places, scale) => {
        fc.pre(apart(places) && gentle(places));
        const grow = (p: Point): Point => ({ x: p.x * scale + 17, y: p.y * scale - 5 });
        const once = mapPath(hobby(places.map((at) => ({ at }))), grow);
        const other = hobby(places.map((at) => ({ at: grow(at) })));
        const back = reversePath(hobby([...places].reverse().map((at) => ({ at: grow(at) }))));
        once.segments.forEach((c, i) => {
          for (const twin of [other.segments[i], back.segments[i]]) {
            expect(twin?.p1.x).toBeCloseTo(c.p1.x, 5);
            expect(twin?.p2.y).toBeCloseTo(c.p2.y, 5);
          }
        });
      }),
    );
  });

  it("two points without directions are a straight line", () => {
    const path = hobby([{ at: { x: 0, y: 0 } }, { at: { x: 30, y: 40 } }]);
    expect(pathLength(path)).toBeCloseTo(50, 9);
  });
});
