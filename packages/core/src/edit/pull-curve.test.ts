import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { nearestOnPath } from "../geometry/path/nearest-on-path.js";
import { pathLength, pointAtLength } from "../geometry/path/path.js";
import type { Point } from "../geometry/point.js";
import { loadSystem, type LoadedSystem } from "../plan/load.js";
import { run } from "../run/run.js";
import type { PathStep } from "../system/model.js";
import { applyEdits } from "./line-edit.js";
import { pulledCurve } from "./pull-curve.js";
import { replaceStatement } from "./statement.js";

// A quarter of a round from A0 across to A2: its corner is A1, at 200, 0 mm.
const text = (tail: string): string =>
  `system "T"\n  unit cm\nboard A "A"\nA0 start\nA1 out 20 from A0\nA2 down 20 from A1\ncurve c: A0 > A2${tail}\n`;
const curveOf = ({ system }: LoadedSystem): PathStep => {
  const step = system.statements.find((s) => s.is === "path");
  if (step?.is !== "path") throw new Error("no curve");
  return step;
};
const drawn = (l: LoadedSystem): NonNullable<ReturnType<typeof run>["environment"]["paths"][number]> => {
  const path = run(l.plan, {}).environment.paths[l.plan.scope.paths.get("c") ?? -1];
  if (!path) throw new Error("not drawn");
  return path;
};

/** Pulls the curve from a share of its length by so much, and gives the text it becomes. */
function pull(
  tail: string,
  share: number,
  dx: number,
  dy: number,
): { before: LoadedSystem; after: LoadedSystem; step: PathStep; to: Point } {
  const before = loadSystem(text(tail));
  expect(before.problems).toEqual([]);
  const path = drawn(before);
  const { at } = pointAtLength(path, share * pathLength(path));
  const to = { x: at.x + dx, y: at.y + dy };
  const step = pulledCurve(before.plan, run(before.plan, {}).environment, curveOf(before), at, to);
  const index = before.system.statements.indexOf(curveOf(before));
  const after = loadSystem(
    step === curveOf(before) ? before.read.source : applyEdits(before.read.source, replaceStatement(before.read, index, step)),
  );
  return { before, after, step, to };
}
const ROUND = ", leaving level, arriving plumb";

describe("a curve pulled on the paper", () => {
  it("towards its corner is fuller, away from it flatter, and lies nearer to the hand than before", () => {
    for (const [dx, dy, fuller] of [
      [8, -8, true],
      [-12, 12, false],
    ] as const) {
      const { before, after, step, to } = pull(ROUND, 0.5, dx, dy);
      expect(Number(step.fullness) > 1).toBe(fuller);
      expect(nearestOnPath(drawn(after), to).off).toBeLessThan(nearestOnPath(drawn(before), to).off);
    }
  });

  it("comes as near to the hand as its fullness in twentieths can", () => {
    const { after, step, to } = pull(ROUND, 0.5, -9, 9);
    const by = (fullness: number): number => {
      const other = loadSystem(text(`${ROUND}, fullness ${fullness.toFixed(2)}`));
      return nearestOnPath(drawn(other), to).off;
    };
    const here = nearestOnPath(drawn(after), to).off;
    expect(here).toBeLessThanOrEqual(by(Number(step.fullness) + 0.05) + 1e-9);
    expect(here).toBeLessThanOrEqual(by(Number(step.fullness) - 0.05) + 1e-9);
  });

  it("back to what a curve is by itself says nothing of its fullness", () => {
    const plain = drawn(loadSystem(text(ROUND)));
    const full = loadSystem(text(`${ROUND}, fullness 0.7`));
    const from = pointAtLength(drawn(full), 0.5 * pathLength(drawn(full))).at;
    const to = pointAtLength(plain, 0.5 * pathLength(plain)).at;
    expect(pulledCurve(full.plan, run(full.plan, {}).environment, curveOf(full), from, to)).not.toHaveProperty("fullness");
  });

  it("near an end changes its direction there: an angle in fives, or a word", () => {
    const start = pull(ROUND, 0.08, 0, 12).step;
    expect(start.leaving).toMatch(/^at \d+°$/);
    expect(start.arriving).toBe("plumb");
    expect(pull(", leaving at 30°, arriving plumb", 0.1, 4, -14).step.leaving).toBe("level");
    const end = pull(ROUND, 0.93, -14, -3).step;
    expect([end.leaving, end.arriving]).toEqual(["level", expect.stringMatching(/^at \d+°$/)]);
  });

  it("that is as long as it must be keeps its fullness", () => {
    const { before, step } = pull(`${ROUND}, as long as 32`, 0.5, 10, -10);
    expect(step).toBe(curveOf(before));
  });

  it("always makes a line that is understood and drawn", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.integer({ min: -80, max: 80 }),
        fc.integer({ min: -80, max: 80 }),
        (share, dx, dy) => {
          const { after } = pull(ROUND, share, dx, dy);
          expect(after.problems).toEqual([]);
          expect(pathLength(drawn(after))).toBeGreaterThan(100);
        },
      ),
      { numRuns: 60 },
    );
  });
});
