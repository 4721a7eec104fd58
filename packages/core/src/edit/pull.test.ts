import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import { run } from "../run/run.js";
import type { PointStep } from "../system/model.js";
import { applyEdits } from "./line-edit.js";
import { pulled, pulledAlong } from "./pull.js";
import { replaceStatement } from "./statement.js";

const step = (verb: string, distance: string): PointStep => ({ is: "point", id: "A1", verb, form: 0, args: { distance, from: "A0" } });
const rule = (distance: string, mm: number, unit: "in" | "cm" = "cm"): string | undefined =>
  pulled(step("out", distance), mm, unit, unit === "cm" ? "1mm" : "1/8in").args["distance"];

describe("a point pulled on the paper", () => {
  it.each([
    ["4", 12, "5.2"],
    ["4", -40, "0"],
    ["chest/4 + 2", 5, "chest/4 + 2.5"],
    ["chest/4 - 1", 20, "chest/4 + 1"],
    ["chest/4 + 2", -20, "chest/4"],
    ["chest/4", 10, "chest/4 + 1"],
    ["chest/4", -10, "chest/4 - 1"],
    ["chest/4 + ease", 3, "chest/4 + ease + 0.3"],
    ["max(a, b) + 5mm", 5, "max(a, b) + 1"],
    ["4", 0.3, "4"],
  ])("%s by %s mm is %s", (before, mm, after) => expect(rule(before, mm)).toBe(after));

  it("keeps to eighths where the tape does", () => {
    expect(rule("bust/4 + 1/2", 25.4 / 4, "in")).toBe("bust/4 + 3/4");
    expect(rule("1 1/2", 25.4 * 0.26, "in")).toBe("1 3/4");
    expect(rule("bust/4", -25.4 / 8, "in")).toBe("bust/4 - 1/8");
  });

  it("goes along its rule only, and nowhere where the rule has no length", () => {
    expect(pulledAlong(step("out", "4"), 7, 99)).toBe(7);
    expect(pulledAlong(step("up", "4"), 7, -3)).toBe(3);
    expect(pulledAlong({ ...step("midway", "4"), args: { a: "A0", b: "A1" } }, 7, 3)).toBeUndefined();
  });

  it("lies where it was pulled to, within half the tape's mark and the sixteenth it is written in, whatever the rule", () => {
    const rules = fc.constantFrom(
      "4",
      "chest/4",
      "chest/4 + 2",
      "chest/4 - 1 1/2",
      "max(chest/4, 9) + 3mm",
      "chest/4 + ease",
      "if(ease > 1, 3, 4)",
    );
    fc.assert(
      fc.property(rules, fc.integer({ min: -30, max: 300 }), fc.constantFrom("in" as const, "cm" as const), (distance, mm, unit) => {
        const text = `system "T"\n  unit ${unit}\nmeasure chest girth 10..200\nset ease = 2\nboard A "A"\nA0 start\nA1 out ${distance} from A0\n`;
        const before = loadSystem(text);
        const at = before.system.statements.findIndex((s) => s.is === "point" && s.id === "A1");
        const mark = unit === "cm" ? "1mm" : "1/8in";
        const edits = replaceStatement(before.read, at, pulled(before.system.statements[at] as PointStep, mm, unit, mark));
        const after = loadSystem(applyEdits(text, edits));
        expect(after.problems).toEqual([]);
        const x = (l: typeof before): number => run(l.plan, { chest: 40 }).environment.points[1]?.x ?? NaN;
        expect(Math.abs(x(after) - x(before) - mm)).toBeLessThanOrEqual(unit === "cm" ? 0.51 : 25.4 / 16 + 25.4 / 32);
      }),
      { numRuns: 150 },
    );
  });
});
