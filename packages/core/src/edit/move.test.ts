import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type LoadedSystem, loadSystem } from "../plan/load.js";
import { run } from "../run/run.js";
import { sampleBody } from "../run/sample.js";
import { readNotation } from "../system/notation/read.js";
import { NOTATIONS } from "../test/shelf.js";
import { newProblems } from "./consequences.js";
import { applyEdits, type LineEdit } from "./line-edit.js";
import { renameAll } from "./rename.js";
import { nextPoint, renumber } from "./renumber.js";
import { withDependents, movedWith, dependenciesOf } from "./dependents.js";
import { moveStatements, removeStatements } from "./statement.js";

const TEXT = `system "Try"
  unit in

board A "A"
# the corner
A0 start  "Start."
A1 down 4 from A0  "Down from A0, not from A2."   # said
  why "As A3 stands on #1 too."

A2 out 3 from A1
A3 midway A1 to A2
line side: A1 > A2
A7 out 1 from A0
`;
const edited = (text: string, edits: readonly LineEdit[]): LoadedSystem => loadSystem(applyEdits(text, edits), NOTATIONS);
const places = ({ plan }: LoadedSystem): readonly string[] =>
  run(plan, sampleBody(plan)).environment.points.map((p) => (p ? `${p.x.toFixed(6)} ${p.y.toFixed(6)}` : "-"));

describe("renumbering", () => {
  it("goes in the order of drafting, and follows into sentences", () => {
    const after = applyEdits(TEXT, renumber(loadSystem(TEXT)));
    expect(after).toBe(TEXT.replace("A7 out", "A4 out"));
    const { system } = readNotation(TEXT);
    expect(nextPoint(system.statements)).toBe("A8");
    const swapped = applyEdits(
      TEXT,
      renameAll(
        readNotation(TEXT),
        "point",
        new Map([
          ["A1", "A2"],
          ["A2", "A1"],
        ]),
      ),
    );
    expect(swapped).toContain('A2 down 4 from A0  "Down from A0, not from A1."   # said');
    expect(swapped).toContain("A3 midway A2 to A1");
    expect(edited(swapped, []).problems).toEqual([]);
  });

  it("keeps every run's points where they were, over the whole library", () => {
    for (const [slug, source] of Object.entries(NOTATIONS)) {
      const before = loadSystem(source, NOTATIONS);
      const after = edited(source, renumber(before));
      expect(after.problems, slug).toEqual([]);
      expect(places(after), slug).toEqual(places(before));
    }
  });
});

describe("moving", () => {
  const { read } = loadSystem(TEXT);

  it("takes along what a step stands on towards the top, and what stands on it towards the end", () => {
    expect(movedWith(read, 4, 1)).toEqual([2, 3, 4]);
    expect(movedWith(read, 2, 4)).toEqual([2, 3, 4]);
    expect(movedWith(read, 6, 1)).toEqual([6]);
    expect(dependenciesOf(read, 3)).toEqual([2]);
  });

  it("moves a step with its comments and notes, and nothing else", () => {
    const after = applyEdits(TEXT, moveStatements(read, [6], 1));
    expect(after.split("\n").sort()).toEqual(TEXT.split("\n").sort());
    expect(after).toContain('A0 start  "Start."\nA7 out 1 from A0\nA1 down');
    expect(moveStatements(read, [3], 3)).toEqual([]);
  });

  it("says what it would break", () => {
    const before = loadSystem(TEXT);
    expect(newProblems(before, edited(TEXT, moveStatements(read, [3], 0)))[0]?.why).toContain("A1");
    expect(newProblems(before, edited(TEXT, moveStatements(read, movedWith(read, 3, 1), 1)))).toEqual([]);
    expect(newProblems(before, edited(TEXT, removeStatements(read, [2]))).length).toBeGreaterThan(1);
    expect(newProblems(before, edited(TEXT, removeStatements(read, withDependents(read, 2))))).toEqual([]);
  });

  it("with what must go along breaks nothing and leaves every point where it was", () => {
    const slugs = ["01-fitted-bodice-bust-and-waist-dart", "13-short-set-in-sleeve", "18-block-waist-and-side-dart"];
    const loaded = slugs.map((slug) => loadSystem(NOTATIONS[slug] ?? "", NOTATIONS));
    fc.assert(
      fc.property(fc.nat({ max: slugs.length - 1 }), fc.nat(), fc.nat(), (which, a, b) => {
        const before = loaded[which] as LoadedSystem;
        const { statements } = before.system;
        const steps = statements.flatMap((s, i) => (s.is === "point" || s.is === "value" ? [i] : []));
        const from = steps[a % steps.length] as number;
        const to = steps[b % steps.length] as number;
        // A step stays on its board.
        const between = statements.slice(Math.min(from, to), Math.max(from, to) + 1);
        fc.pre(from !== to && !between.some((s) => s.is === "board"));
        const after = edited(before.read.source, moveStatements(before.read, movedWith(before.read, from, to), to));
        expect(newProblems(before, after)).toEqual([]);
        const [was, is] = [run(before.plan, sampleBody(before.plan)), run(after.plan, sampleBody(after.plan))];
        for (const [id, index] of before.plan.scope.points) {
          const now = is.environment.points[after.plan.scope.points.get(id) ?? -1];
          expect(now?.x, id).toBeCloseTo(was.environment.points[index]?.x ?? NaN, 9);
        }
      }),
      { numRuns: 60 },
    );
  });
});
