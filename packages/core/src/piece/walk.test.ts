import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import { run } from "../run/run.js";
import { polygonArea } from "../geometry/ring/area.js";
import { pointAtLength } from "../geometry/path/path.js";
import { distance } from "../geometry/point.js";
import type { PieceResult } from "./piece.js";
import { walkedTo, walkSeam } from "./walk.js";

/** Two rectangles whose sides are sewn: 300 mm with a notch at 100, and 310 mm with one at 104. */
const { plan, problems } = loadSystem(`system "Try"
  garment block · unit in
board A "Left"
A0 start
A1 out 4 from A0
A2 down 300mm from A1
A3 down from A0 to line across from A2
A4 down 100mm from A1
board B "Right"
B0 start
B1 out 4 from B0
B2 down 310mm from B1
B3 down from B0 to line across from B2
B4 down 104mm from B1
piece Left "Left" on A · cut 1
  edge neck: A0 > A1
  edge side: A1 > A2
  edge hem: A2 > A3
  edge centre: A3 > A0
  notch at A4
piece Right "Right" on B · cut 1
  edge neck: B0 > B1
  edge side: B1 > B2
  edge hem: B2 > B3
  edge centre: B3 > B0
  notch at B4
sew Left.side with Right.side within 1/2
`);
const { pieces } = run(plan, {});
const walk = walkSeam(pieces, { first: ["Left.side"], second: ["Right.side"] });

describe("walking a seam", () => {
  it("compares notch by notch, and at the end", () => {
    expect(problems).toEqual([]);
    expect(walk?.marks.map(({ name }) => name)).toEqual(["A4 / B4", "end"]);
    const [notch, end] = walk?.marks ?? [];
    expect(notch?.first).toBeCloseTo(100, 6);
    expect(notch?.second).toBeCloseTo(104, 6);
    expect((end?.second ?? 0) - (end?.first ?? 0)).toBeCloseTo(10, 6);
  });

  it("turns the second piece over when both edges run the same way round their piece", () => {
    const [first, second] = [walk?.first.segments[0], walk?.second.segments[0]];
    expect(first?.reversed).toBe(second?.reversed);
  });

  it("keeps the second piece as it is cut, and lays it edge on edge, whatever the way walked", () => {
    if (!walk) throw new Error("no walk");
    const ring = (pieces[1] as PieceResult).net;
    fc.assert(
      fc.property(fc.double({ min: 0, max: 300, noNaN: true }), (mm) => {
        const { lay, first, second } = walkedTo(walk, mm);
        const laid = ring.map(lay);
        expect(Math.abs(polygonArea(laid))).toBeCloseTo(Math.abs(polygonArea([...ring])), 4);
        expect(distance(lay(pointAtLength(second.path, mm).at), pointAtLength(first.path, mm).at)).toBeLessThan(1e-9);
        // The other piece lies beyond the seam, not on the first piece.
        expect(Math.min(...laid.map((p) => p.x))).toBeGreaterThan(4 * 25.4 - 1e-6);
      }),
    );
  });

  it("is not there when an edge is not on the draft", () => {
    expect(walkSeam(pieces, { first: ["Left.side"], second: ["Sleeve.side"] })).toBeUndefined();
  });
});
