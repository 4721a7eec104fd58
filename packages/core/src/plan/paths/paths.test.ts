import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { arcPath, circleThrough } from "../../geometry/curve/arc.js";
import { cubicAt } from "../../geometry/curve/cubic.js";
import { headingAtEnd, headingAtStart, endOf, type Path, pathLength, pointAtLength, startOf } from "../../geometry/path/path.js";
import { distance } from "../../geometry/point.js";
import { printNotation } from "../../system/notation/print.js";
import { readNotation } from "../../system/notation/read.js";
import { CURVE_STYLES } from "../compile/curve-styles.js";
import { loadSystem } from "../load.js";
import { layBoards } from "../../report/boards.js";
import { drawnSteps, pointOnBoard } from "../../report/drawn-steps.js";
import { run } from "../../run/run.js";

const HEAD = `system "Try"
  garment block · unit cm
board A "A"
A0 start
A1 out 10 from A0
A2 down 10 from A0
A3 down 10 from A1
A4 start at 5 across -5 down
line top: A0 > A1
line side: A1 > A3
`;

function drawn(step: string): Path | string {
  const loaded = loadSystem(`${HEAD}${step}\n`);
  if (loaded.problems[0]) return loaded.problems[0].why;
  const r = run(loaded.plan, {});
  const outcome = r.outcomes[r.outcomes.length - 1];
  return outcome?.status === "failed" ? outcome.why : (r.environment.paths[r.environment.paths.length - 1] as Path);
}
const lengthOf = (path: Path | string): number => (typeof path === "string" ? Number.NaN : pathLength(path));

describe("an arc", () => {
  it("about a centre is a quarter of the circle's round (π·r/2)", () => {
    expect(lengthOf(drawn("arc quarter: A1 > A2 about A0"))).toBeCloseTo((Math.PI * 100) / 2, 4);
  });

  it("through three points goes by the middle one, whichever way that is", () => {
    // A4 stands 5 cm above the middle of A0–A1: half a circle of 5 cm.
    expect(lengthOf(drawn("arc half: A0 > A4 > A1"))).toBeCloseTo(Math.PI * 50, 4);
    expect(lengthOf(drawn("arc rest: A0 > A4 > A3"))).toBeGreaterThan(200);
  });

  it("never strays from its circle by more than a ten-thousandth of a millimetre", () => {
    fc.assert(
      fc.property(fc.double({ min: 5, max: 900, noNaN: true }), fc.double({ min: -6.2, max: 6.2, noNaN: true }), (r, rad) => {
        for (const part of arcPath({ x: 0, y: 0 }, { x: r, y: 0 }, rad).segments)
          for (const t of [0.25, 0.5, 0.75]) expect(Math.abs(distance(cubicAt(part, t), { x: 0, y: 0 }) - r)).toBeLessThan(1e-4);
      }),
    );
    expect(circleThrough({ x: 0, y: 0 }, { x: 1, y: 0 }, { x: 2, y: 0 })).toBeUndefined();
  });

  it("says when there is none", () => {
    expect(drawn("A5 midway A0 to A1\narc flat: A0 > A5 > A1")).toBe("The three points lie in a line, and no circle runs through them.");
    expect(drawn("arc crooked: A1 > A4 about A0")).toBe("A1 and A4 are not equally far from A0.");
    expect(drawn("arc short: A0 > A1")).toBe("An arc runs through three points, or between two about a centre.");
  });
});

describe("what only guides", () => {
  /** Where a point comes to lie that is placed by `rule` behind some lines. */
  const placed = (lines: string, rule: string): { x: number; y: number } | undefined => {
    const loaded = loadSystem(`${HEAD}${lines}\nZ1 ${rule}\n`);
    expect(loaded.problems).toEqual([]);
    const { plan } = loaded;
    return pointOnBoard(plan, run(plan, {}), "Z1");
  };

  it("a guideline is met beyond all that is drawn, and stands wherever a line is named", () => {
    // A4 stands at 5 across and 5 above: the level through it crosses the upright through A1 at 10 across, 5 above.
    const at = placed("line high: line across from A4", "cross high with A1-A3");
    expect(at?.x).toBeCloseTo(100, 9);
    expect(at?.y).toBeCloseTo(-50, 9);
    const beside = placed("line beside: parallel to A0-A2, 3 out", "cross beside with side");
    expect(beside).toBeUndefined();
    expect(placed("line low: line across from A2", "down from A1 to low")?.y).toBeCloseTo(100, 9);
  });

  it("an arc swung free is met by a line later: 3, 4, 5", () => {
    // Five from the corner, three down: four across (Pythagoras).
    const at = placed("A5 down 3 from A0\narc swung: 5 about A0", "cross swung with line across from A5, the outer");
    expect(at?.x).toBeCloseTo(40, 4);
    expect(at?.y).toBeCloseTo(30, 4);
    expect(placed("A5 down 3 from A0\narc swung: 5 about A0", "cross swung with line across from A5, the inner")?.x).toBeCloseTo(-40, 4);
  });

  it.each([
    ["upper", 0, -50],
    ["lower", 0, 50],
    ["inner", -50, 0],
    ["outer", 50, 0],
  ] as const)("the %s half of a circle is half its round and has its middle there", (half, x, y) => {
    const path = drawn(`arc swung: 5 about A0, the ${half}`);
    expect(lengthOf(path)).toBeCloseTo(Math.PI * 50, 4);
    if (typeof path === "string") throw new Error(path);
    const { at: middle } = pointAtLength(path, pathLength(path) / 2);
    expect(middle.x).toBeCloseTo(x, 4);
    expect(middle.y).toBeCloseTo(y, 4);
  });

  it("has no length to measure, and needs a radius", () => {
    expect(drawn("line high: line across from A4\nvalue long = len(high)")).toBe("high is a guideline: it has no ends, and so no length.");
    expect(drawn("arc swung: 0 about A0")).toBe("An arc has a radius of more than nothing.");
    expect(lengthOf(drawn("arc swung: 5 about A0"))).toBeCloseTo(2 * Math.PI * 50, 3);
  });

  it("is drawn across its board, and takes no room of its own", () => {
    const { plan } = loadSystem(`${HEAD}line high: line across from A4\nline beside: parallel to A0-A4, 2 left\n`);
    const r = run(plan, {});
    const boxes = layBoards(plan, r);
    expect(boxes.get("A")?.bounds).toEqual({ minX: 0, minY: -50, maxX: 100, maxY: 100 });
    for (const { path, step } of drawnSteps(plan, r))
      if (path && step.source.is === "path" && step.source.open !== undefined)
        for (const end of [startOf(path), endOf(path)]) {
          expect(end.x).toBeGreaterThanOrEqual(-15 - 1e-9);
          expect(end.x).toBeLessThanOrEqual(115 + 1e-9);
          expect(end.y).toBeGreaterThanOrEqual(-65 - 1e-9);
        }
  });

  it("is printed as it is read", () => {
    const text = `${HEAD}line high: line across from A4\nline beside: parallel to A0-A2, 3 out  "Beside."\narc swung: 5 about A0, the lower  "Swung."\narc round: bust/4 about A1 dashed\n`;
    const { system, problems } = readNotation(text);
    expect(problems).toEqual([]);
    expect(readNotation(printNotation(system)).system).toEqual(system);
  });
});

describe("a blend", () => {
  it("rounds the corner and keeps what lies beyond, leaving and arriving along the lines", () => {
    const path = drawn("blend corner: top and side, 3 before, 2 after");
    if (typeof path === "string") throw new Error(path);
    // Seven and eight centimetres stay; the round is longer than its chord (√13) and shorter than the corner (5).
    expect(lengthOf(path)).toBeGreaterThan(150 + 10 * Math.sqrt(13));
    expect(lengthOf(path)).toBeLessThan(200);
    for (let i = 1; i < path.segments.length; i++) {
      const [a, b] = [
        headingAtEnd({ segments: [path.segments[i - 1] as Path["segments"][number]] }),
        headingAtStart({ segments: [path.segments[i] as Path["segments"][number]] }),
      ];
      expect(a.x * b.x + a.y * b.y).toBeCloseTo(1, 9);
    }
  });

  it("with nothing to round is the two lines; more than there is, or no corner, is said", () => {
    expect(lengthOf(drawn("blend corner: top and side, 0 before, 0 after"))).toBeCloseTo(200, 9);
    expect(drawn("blend corner: top and side, 30 before, 2 after")).toBe("The corner is rounded over more than there is of a line.");
    expect(drawn("line low: A2 > A3\nblend corner: top and low, 1 before, 1 after")).toBe("The two lines do not meet in a corner.");
  });
});

describe("curves by kind and fullness", () => {
  it("a kind gives the directions that are not said", () => {
    const neck = drawn("curve neck: A1 > A2, like neck");
    if (typeof neck === "string") throw new Error(neck);
    expect(Math.abs(headingAtStart(neck).y)).toBeCloseTo(1, 9);
    expect(Math.abs(headingAtEnd(neck).x)).toBeCloseTo(1, 9);
    const own = drawn("curve neck: A1 > A2, leaving level, like neck");
    if (typeof own === "string") throw new Error(own);
    expect(Math.abs(headingAtStart(own).x)).toBeCloseTo(1, 9);
    for (const like of Object.keys(CURVE_STYLES)) expect(lengthOf(drawn(`curve c: A1 > A2, like ${like}`)), like).toBeGreaterThan(141);
  });

  it("a fuller curve is longer, a flatter one shorter", () => {
    const by = (f: string): number => lengthOf(drawn(`curve c: A1 > A2, leaving plumb, arriving level, fullness ${f}`));
    expect(by("1.2")).toBeGreaterThan(by("1"));
    expect(by("0.7")).toBeLessThan(by("1"));
    expect(by("1")).toBeCloseTo(lengthOf(drawn("curve c: A1 > A2, leaving plumb, arriving level")), 9);
    expect(drawn("curve c: A1 > A2, leaving plumb, arriving level, fullness 2")).toBe("A curve's fullness lies between 0.1 and 1.33.");
    expect(drawn("curve c: A1 > A2, like sweetheart")).toBe("There is no kind of curve called sweetheart.");
    expect(drawn("curve c: A1 > A2, like constructor")).toBe("There is no kind of curve called constructor.");
  });
});

it("arcs, blends, kinds and fullness read the same after they are printed", () => {
  const text = `${HEAD}arc a: A1 > A2 about A0  "Round it."\narc b: A0 > A4 > A1 dashed\nblend c: top and side, 1/2 before, 2 after\ncurve d: A1 > A2, leaving plumb, like neck, fullness 1.1\n`;
  const first = readNotation(text);
  expect(first.problems).toEqual([]);
  expect(readNotation(printNotation(first.system)).system).toEqual(first.system);
});
