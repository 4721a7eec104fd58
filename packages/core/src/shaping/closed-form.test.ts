import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import type { PieceEdge, PieceResult } from "../piece/piece.js";
import { endOf, pathLength, pointAtLength, startOf } from "../geometry/path/path.js";
import { distance, type Point } from "../geometry/point.js";
import { problemText } from "../system/notation/problem.js";
import { runWithPlan, type RunWithPlan } from "../test/run-with-plan.js";

// Each shaping where plane geometry knows the answer in closed form: rotations by their matrix, wedges by the chord of a circle,
// arcs by their radius. Nothing here is measured with the code that did the shaping but the places it left.

/** A rectangle of 300 by 400 mm cut as a pair, a dart of 40 mm in the middle of its right side, pointing level to (140, 200). */
const RECTANGLE = `system "Try"
  unit cm
board A "A"
A0 start
A1 out 30 from A0
A2 down 40 from A1
A3 down 40 from A0
D1 start at 30 across 18 down
D2 start at 30 across 22 down
T1 start at 14 across 20 down
O1 start at 14 across 0 down
dart side_dart "Side dart": legs D1, D2 to T1
piece Front "Front" on A · cut 2
  edge top: A0 > A1
  edge side: A1 > DART A2
  edge hem: A2 > A3
  edge centre: A3 > A0
  grain along A0-A3
`;
const shaped = (shape: string, text: string): RunWithPlan => {
  const { plan, problems } = loadSystem(`${text}${shape}\n`);
  expect(problems.map(problemText)).toEqual([]);
  const run = runWithPlan(plan, {});
  expect(run.shapings.map((s) => s.outcome.status)).toEqual(["done"]);
  return run;
};
const DARTED = RECTANGLE.replace("DART", "side_dart >");
const PLAIN = RECTANGLE.replace("DART ", "");
const front = ({ pieces }: RunWithPlan): PieceResult => pieces[0] as PieceResult;
const edge = (piece: PieceResult, role: string): PieceEdge => piece.edges.find((e) => e.role === role) as PieceEdge;
const near = (got: Point | undefined, x: number, y: number): void => {
  expect(got?.x).toBeCloseTo(x, 6);
  expect(got?.y).toBeCloseTo(y, 6);
};

describe("closed-form cases", () => {
  it("a dart closed about its point turns what lies between it and the opening by the matrix of its angle", () => {
    const piece = front(shaped("shape close side_dart in Front about T1, open from O1", DARTED));
    // The legs stand 160 mm out and 20 mm up and down: the angle between them is 2 atan(20/160). The larger part, below, stays.
    const angle = 2 * Math.atan(20 / 160);
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    // On the paper y runs down: clockwise is (x, y) to (x c − y s, x s + y c).
    const turned = (x: number, y: number): [number, number] => {
      const [dx, dy] = [x - 140, y - 200];
      return [140 + dx * c - dy * s, 200 + dx * s + dy * c];
    };
    near(startOf(edge(piece, "side").path), ...turned(300, 0));
    // The opening: its legs are both as long as from the point to the edge, 200 mm, and as far apart as a chord of that circle.
    const top = edge(piece, "top").path.segments.map((segment) => segment.p3);
    expect(Math.min(...top.map((p) => distance(p, { x: turned(140, 0)[0], y: turned(140, 0)[1] })))).toBeCloseTo(0, 6);
    expect(distance({ x: 140, y: 0 }, { x: turned(140, 0)[0], y: turned(140, 0)[1] })).toBeCloseTo(400 * Math.sin(angle / 2), 9);
  });

  it("a slash spread from a hinge opens by the angle whose chord, so far from the hinge, is the spread", () => {
    const piece = front(
      shaped("shape spread Front from H1 to O1 by 3", PLAIN.replace("O1 start", "H1 start at 14 across 40 down\nO1 start")),
    );
    // The slash runs 400 mm straight up from (140, 400) to (140, 0), where it hinges.
    const angle = 2 * Math.asin(15 / 400);
    const hem = edge(piece, "hem").path;
    const sides = [edge(piece, "side").path, edge(piece, "centre").path];
    // Of the two sides one stays upright and the other leans by that angle.
    const leaning = sides.map((path) => Math.abs(Math.atan2(endOf(path).x - startOf(path).x, Math.abs(endOf(path).y - startOf(path).y))));
    expect(Math.max(...leaning)).toBeCloseTo(angle, 9);
    expect(Math.min(...leaning)).toBeCloseTo(0, 9);
    expect(pathLength(hem)).toBeCloseTo(300 + 30, 6);
    // Opened, it has gained the triangle of the wedge: 400² sin(angle) / 2.
    expect(piece.area - 300 * 400).toBeCloseTo((400 * 400 * Math.sin(angle)) / 2, 4);
  });

  it("a square corner rounded as much on either side is a quarter of a circle", () => {
    const piece = front(shaped("shape smooth Front at A1, 6 before, 6 after", PLAIN));
    // J. D. Hobby, Smooth, easy to compute interpolating splines (1986): a curve between two directions strays from the circle by under 3 in 10,000.
    const [middle, radius] = [{ x: 240, y: 60 }, 60];
    const [top, side] = [edge(piece, "top").path, edge(piece, "side").path];
    const arc = [
      ...Array.from({ length: 20 }, (_, i) => pointAtLength(top, 240 + i * 2).at),
      ...Array.from({ length: 20 }, (_, i) => pointAtLength(side, i * 2).at),
    ];
    for (const p of arc) expect(Math.abs(distance(p, middle) / radius - 1)).toBeLessThan(3e-4);
    expect(pathLength(top) + pathLength(side)).toBeCloseTo(240 + 340 + (Math.PI / 2) * radius, 1);
    expect((300 * 400 - piece.area) / (radius * radius * (1 - Math.PI / 4))).toBeCloseTo(1, 2);
  });

  it("a piece cut straight across falls into the two rectangles it was", () => {
    const run = shaped(
      "shape split Front from L1 to R1 into Upper and Lower",
      PLAIN.replace("O1 start", "L1 down 15 from A0\nR1 down 15 from A1\nO1 start"),
    );
    const areas = run.pieces.map(({ key, area }) => [key, Math.round(area * 1e6) / 1e6]);
    expect(Object.fromEntries(areas)).toEqual({ Upper: 300 * 150, Lower: 300 * 250 });
  });
});
