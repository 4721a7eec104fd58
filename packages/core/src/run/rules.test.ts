import { describe, expect, it } from "vitest";
import type { Given } from "./inputs.js";
import { runToJson } from "../report/json.js";
import { loadSystem } from "../plan/load.js";
import { runWithPlan as run, type RunWithPlan as Run } from "../test/run-with-plan.js";

const HEAD = `system "Try"
  garment block · unit in
measure bust girth 20..60 "Round the bust."
choose turning "Which way the strip is folded."
  wide  "For a thick cloth."
  narrow  "For a thin one."
set extra = 0 or tenth, armhole from 0 to 4  "More behind."
`;

function draft(rest: string, given: Given = { bust: 36 }, chosen = {}): Run {
  const { plan, problems } = loadSystem(HEAD + rest);
  expect(problems).toEqual([]);
  return run(plan, given, chosen);
}

function problemsOf(rest: string): string[] {
  return loadSystem(HEAD + rest).problems.map((p) => p.why);
}

function pointOf(drafted: Run, id: string): { x: number; y: number } | undefined {
  const index = drafted.plan.scope.points.get(id);
  const p = index === undefined ? undefined : drafted.environment.points[index];
  // + 0: nothing is nothing, from either side.
  return p && { x: Math.round((p.x / 25.4) * 1e4) / 1e4 + 0, y: Math.round((p.y / 25.4) * 1e4) / 1e4 + 0 };
}

describe("tables", () => {
  const BOARD = 'board A "A"\nA0 start\n';
  const STEPS = `table deep by bust, steps: under 33 -> 6 1/2 · up to 36 -> 7 · at 38 -> 7 1/4 · above -> 8\n${BOARD}A1 down deep(bust) from A0\n`;

  it.each([
    [32, 6.5],
    [33, 7],
    [36, 7],
    [36.5, 8],
    [38, 7.25],
    [50, 8],
  ])("in steps, a bust of %d gives %d", (bust, y) => {
    expect(pointOf(draft(STEPS, { bust }), "A1")).toEqual({ x: 0, y });
  });

  it("straight between their figures, and level beyond the ends", () => {
    const linear = `table deep by bust, linear: at 32 -> 6 · at 36 -> 7 · at 40 -> 9\n${BOARD}A1 down deep(bust) from A0\n`;
    for (const [bust, y] of [
      [30, 6],
      [34, 6.5],
      [36, 7],
      [39, 8.5],
      [44, 9],
    ] as const)
      expect(pointOf(draft(linear, { bust }), "A1")).toEqual({ x: 0, y });
  });

  it("a figure no row covers stops the step and says so", () => {
    const drafted = draft(`table deep by bust, steps: up to 36 -> 7 · above -> nothing\n${BOARD}A1 down deep(bust) from A0\n`, {
      bust: 40,
    });
    expect(drafted.outcomes.at(-1)).toMatchObject({ why: "The table deep has no row for this figure." });
  });
});

describe("several rules for one point", () => {
  const TWO =
    'board A "A"\nA0 start\nA1 out 2 from A0\n  when turning == wide\nA1 out 1 from A0\n  when turning == narrow\nA2 down 1 from A1\n';

  it("the one whose condition holds places it", () => {
    expect(pointOf(draft(TWO), "A2")).toEqual({ x: 2, y: 1 });
    expect(pointOf(draft(TWO, { bust: 36 }, { turning: "narrow" }), "A2")).toEqual({ x: 1, y: 1 });
  });

  it("without conditions they are refused as a name used twice", () => {
    expect(problemsOf('board A "A"\nA0 start\nA1 out 2 from A0\nA1 out 1 from A0\n').length).toBeGreaterThan(0);
  });

  it("a setting may be a length or one of its words", () => {
    const worded = 'value more = if(extra == tenth, bust/10, if(extra == armhole, 1, extra))\nboard A "A"\nA0 start\nA1 out more from A0\n';
    expect(pointOf(draft(worded), "A1")).toEqual({ x: 0, y: 0 });
    expect(pointOf(draft(worded, { bust: 36 }, { extra: "tenth" }), "A1")).toEqual({ x: 3.6, y: 0 });
    expect(pointOf(draft(worded, { bust: 36 }, { extra: "2 1/2" }), "A1")).toEqual({ x: 2.5, y: 0 });
  });
});

describe("joined lines and lines inside a piece", () => {
  const BOX = `board A "A"
A0 start
A1 out 4 from A0
A2 down 3 from A1
A3 down 3 from A0
curve dip: A2 > A3, leaving level, arriving level
join round: A1 > dip
piece Box "Box" on A · cut 1
  edge top: A0 > A1 · allow 1/2
  edge rest: round > A0 · allow 1/2
  grain along A0-A3
  inside "Fold here": A1 > A3
`;

  it("a join runs along its members in turn", () => {
    const { environment, plan } = draft(BOX);
    const path = environment.paths[plan.scope.paths.get("round") ?? -1];
    expect(path).toBeDefined();
    expect(pointOf(draft(`${BOX}A9 along round from A1, 3\n`), "A9")).toEqual({ x: 4, y: 3 });
    expect(pointOf(draft(`${BOX}A9 along round, 1 of the way\n`), "A9")).toEqual({ x: 0, y: 3 });
  });

  it("the piece carries the line and its name", () => {
    const [box] = draft(BOX).pieces;
    expect(box?.inside.map((i) => i.label)).toEqual(["Fold here"]);
  });
});

describe("measuring the drawing in a formula", () => {
  const BASE = 'board A "A"\nA0 start\nA1 out 4 from A0\nA2 down 3 from A1\n';

  it.each([
    ["dist(#A0, #A2)", 5],
    ["out(#A2)", 4],
    ["depth(#A2)", 3],
    ["out_at(#A0, #A2, 1 1/2)", 2],
    ["depth_at(#A0, #A2, 2)", 1.5],
    ["leg(5, 3)", 4],
    ["tan(angle(#A0, #A2)) * 4in", 3],
    ["sin(asin(0.6)) * 10in", 6],
  ])("%s", (formula, inches) => {
    expect(pointOf(draft(`${BASE}A9 out ${formula} from A0\n`), "A9")?.x).toBeCloseTo(inches, 3);
  });

  it("an angle is given out in degrees", () => {
    const made = draft(`${BASE}value lean angle = angle(#A0, #A2)\nvalue corner angle = atan2(3, 4)\n`);
    const json = runToJson(made.plan, made, "try");
    // The angles of a 3-4-5 triangle: arctan 3/4 (from memory, any table of tangents).
    expect(json.values["lean"]).toBeCloseTo(36.8699, 4);
    expect(json.values["corner"]).toBeCloseTo(36.8699, 4);
  });

  it("a length between two points of a path", () => {
    const path = `${BASE}line edge: A0 > A1 > A2\nA9 out len(edge, #A1, #A2) from A0\n`;
    expect(pointOf(draft(path), "A9")).toEqual({ x: 3, y: 0 });
  });
});

describe("a body without the figures a draft asks for", () => {
  const TABLED = `table deep by bust, steps: up to 36 -> 7 · above -> nothing
board A "A"
A0 start
A1 down deep(bust) from A0
A2 out if(turning == wide, deep(bust), bust/4) from A0
check "Deep enough": deep(bust) >= 3
piece Strip "Strip" on A · cut 1
  edge top: A0 > A2 · allow deep(bust)/4
  edge rest: A2 > A1 > A0
`;

  it("gives a run that says what is missing, and never throws", () => {
    const drafted = draft(TABLED, {});
    expect(drafted.missing).toEqual(["bust"]);
    expect(drafted.checks.filter((c) => c.name === "Deep enough")).toEqual([]);
    expect(drafted.pieces).toEqual([]);
  });

  it("a figure outside the table is told of in the branch that is taken", () => {
    const outcomes = (turning: string) => draft(TABLED, { bust: 40 }, { turning }).outcomes;
    expect(outcomes("wide").at(-1)).toMatchObject({ status: "failed", why: "The table deep has no row for this figure." });
    expect(outcomes("narrow").at(-1)).toEqual({ status: "drawn" });
  });
});
