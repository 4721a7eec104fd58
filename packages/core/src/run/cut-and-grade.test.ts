import { describe, expect, it } from "vitest";
import { pathLength, endOf, startOf } from "../geometry/path/path.js";
import { printNotation } from "../system/notation/print.js";
import { readNotation } from "../system/notation/read.js";
import { loadSystem } from "../plan/load.js";
import { runWithPlan as run, type RunWithPlan as Run } from "../test/run-with-plan.js";

const HEAD = `system "Try"
  garment block · unit in
measure bust girth 20..60 "Round the bust."
set steps number = 2 from 0 to 6 "Size steps."
board A "A"
A0 start
A1 out 4 from A0
A2 down 3 from A1
A3 down 3 from A0
line around: A0 > A1 > A2
A4 along around from A0, 2
A5 along around from A0, 5
`;

function draft(rest: string, chosen: Record<string, string> = {}): Run {
  const { plan, problems } = loadSystem(HEAD + rest);
  expect(problems).toEqual([]);
  return run(plan, { bust: 36 }, chosen);
}

const inches = (p: { x: number; y: number } | undefined): [number, number] | undefined =>
  p && [Math.round((p.x / 25.4) * 1e4) / 1e4, Math.round((p.y / 25.4) * 1e4) / 1e4];
const pointOf = (r: Run, id: string): [number, number] | undefined => inches(r.environment.points[r.plan.scope.points.get(id) ?? -1]);
const pathOf = (r: Run, key: string): Run["environment"]["paths"][number] => r.environment.paths[r.plan.scope.paths.get(key) ?? -1];

function outcome(r: Run, key: string): Run["outcomes"][number] | undefined {
  return r.outcomes[r.plan.steps.findIndex((s) => s.source.is === "path" && s.source.key === key)];
}

describe("a part of a drawn line", () => {
  it("is joined in the order its ends are named", () => {
    const drafted = draft("join there: around from A4 to A5\njoin back: around from A5 to A4 > A3\n");
    const there = pathOf(drafted, "there");
    const back = pathOf(drafted, "back");
    expect(there && pathLength(there) / 25.4).toBeCloseTo(3, 6);
    expect(there && [inches(startOf(there)), inches(endOf(there))]).toEqual([
      [2, 0],
      [4, 1],
    ]);
    expect(back && inches(startOf(back))).toEqual([4, 1]);
    expect(back && inches(endOf(back))).toEqual([0, 3]);
  });

  it("is an edge of a piece, which is as long as that part", () => {
    const [piece] = draft(`piece Half "Half" on A · cut 1
  edge top: around from A4 to A5 · allow 1/2
  edge rest: A5 > A3 > A4
`).pieces;
    expect(piece?.edges[0]?.length).toBeCloseTo(3 * 25.4, 4);
    expect(piece?.gap.mm).toBeLessThan(1e-6);
  });

  it("must begin and end on the line", () => {
    const drafted = draft("join off: around from A3 to A5\n");
    expect(outcome(drafted, "off")).toMatchObject({ status: "failed", why: "One of the two points does not lie on around." });
  });
});

describe("a line traced elsewhere", () => {
  it("is moved so far out and so far down", () => {
    const moved = pathOf(draft("trace moved: around moved 0 - 1 out, 2 down\n"), "moved");
    expect(moved && [inches(startOf(moved)), inches(endOf(moved))]).toEqual([
      [-1, 2],
      [3, 5],
    ]);
  });

  it("is turned clockwise about a point", () => {
    const turned = pathOf(draft("trace turned: around turned about A0 by 90°\n"), "turned");
    // A1 lies 4 in straight out; a quarter turn brings it 4 in straight down, and A2 to (−3, 4).
    expect(turned && inches(endOf(turned))).toEqual([-3, 4]);
    expect(turned && pathLength(turned)).toBeCloseTo(7 * 25.4, 6);
  });
});

describe("grading by steps", () => {
  const GRADE = `grade by steps, up to 3 "Every point moves by its fixed amount."
  A1, A2: 1/4 out, 1/8 up
  A3: 1/2 down
`;

  it("lays the shift on each point as many times as asked for", () => {
    const drafted = draft(GRADE);
    expect(pointOf(drafted, "A1g1")).toEqual([4.25, -0.125]);
    expect(pointOf(drafted, "A1g2")).toEqual([4.5, -0.25]);
    expect(pointOf(drafted, "A1g3")).toBeUndefined();
    expect(pointOf(drafted, "A2gn")).toEqual([4.5, 2.75]);
    expect(pointOf(drafted, "A3gn")).toEqual([0, 4]);
  });

  it("with no step the graded point is the point, and more steps than the author allows are not taken", () => {
    expect(pointOf(draft(GRADE, { steps: "0" }), "A1gn")).toEqual([4, 0]);
    expect(pointOf(draft(GRADE, { steps: "6" }), "A1gn")).toEqual([4.75, -0.375]);
  });

  it("stands on the board of the point and under a heading of its own", () => {
    const { plan } = draft(`${GRADE}board B "B"\nB0 start\n`);
    const step = plan.steps.find((s) => s.source.is === "point" && s.source.id === "A1g2");
    expect(step).toMatchObject({ board: "A", heading: "Size step 2" });
    expect(plan.steps.find((s) => s.source.is === "point" && s.source.id === "B0")).toMatchObject({ board: "B" });
  });

  it("a shift that cannot be read is one problem of the grading, with its figure named", () => {
    const { problems } = loadSystem(`${HEAD}grade by steps, up to 1\n  A1: 1/4 * bust * bust out\n`);
    expect(problems.length).toBeGreaterThan(0);
    expect(problems[0]?.why).toMatch(/length/);
  });
});

describe("an edge that comes to a point at the fold", () => {
  const piece = (pointed: string): string => `A6 down 5 from A0
piece Vee "Vee" on A · cut 1 on fold
  edge neck: A3 > A1${pointed}
  edge side: A1 > A2
  edge hem: A2 > A6 · allow 1
  edge centre: A6 > A3 · fold
`;
  const square = (r: Run): string[] => r.checks.filter((c) => /neck square at the fold/.test(c.name)).map((c) => c.status);

  it("is looked at, unless its author means it", () => {
    expect(square(draft(piece("")))).toEqual(["warn"]);
    expect(square(draft(piece(" · pointed")))).toEqual([]);
  });
});

describe("the notation of all these", () => {
  it("reads and prints as the same system", () => {
    const text = `${HEAD}join part_of: around from A4 to A5
trace moved: around moved bust/4 out, 2 down dashed "Moved."
trace turned: around turned about A0 by 90° - 10° "Turned."
grade by steps, up to 6 "Graded."
  A1, A2: 1/4 out, 1/8 up
  A3: bust/100 down
piece Vee "Vee" on A · cut 1
  when steps >= 1 or bust == 36
  edge neck: around from A5 to A4 · allow 1/2 · pointed
  edge rest: A4 > A3 > A5
`;
    const read = readNotation(text);
    expect(read.problems).toEqual([]);
    expect(readNotation(printNotation(read.system)).system).toEqual(read.system);
    expect(read.system.statements.filter((s) => s.is === "grade")).toHaveLength(1);
  });
});
