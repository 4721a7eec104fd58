import { describe, expect, it } from "vitest";
import { printNotation } from "../system/notation/print.js";
import { readNotation } from "../system/notation/read.js";
import { loadSystem } from "../plan/load.js";
import { runWithPlan as run, type RunWithPlan as Run } from "../test/run-with-plan.js";

const HEAD = `system "Try"
  garment block · unit cm
set intake_set = 2 from 0 to 5 "What it takes in."
board A "A" · centre fold
A0 start
A1 out 20 from A0
A2 down 30 from A0
A3 down 30 from A1
A4 out 10 from A2
A5 up 12 from A4
A6 up 4 from A5
level waist "Waist line": A2 > A3
`;
const PIECE = `piece Box "Box" on A · cut 1 on fold
  edge top: A0 > A1
  edge side: A1 > A3 · allow 1
  edge waist: A3 > waist_dart > A2 · allow 1
  edge centre: A2 > A0 · fold
`;

const MADE = `dart waist_dart "Waist dart": at A4, intake intake_set to A5, pressed in, short of A6
value closed = closed_width(waist)
value takes = intake(waist_dart)
`;

const drafted = (text: string, settings = {}): Run => {
  const loaded = loadSystem(text);
  expect(loaded.problems).toEqual([]);
  return run(loaded.plan, {}, settings);
};
const valueOf = (r: Run, key: string): number => r.environment.slots[r.plan.scope.names.get(key)?.slot ?? -1] ?? Number.NaN;
const check = (r: Run, name: string): string | undefined => r.checks.find((c) => c.name === name)?.status;

describe("a dart in a system", () => {
  const made = drafted(HEAD + MADE + PIECE);

  it("lays out equal legs about the middle of its mouth", () => {
    const point = (id: string): { x: number; y: number } | undefined => made.environment.points[made.plan.scope.points.get(id) ?? -1];
    expect(point("A4a")).toEqual({ x: 110, y: 300 });
    expect(point("A4b")).toEqual({ x: 90, y: 300 });
    expect(check(made, "Waist dart: legs equal")).toBe("pass");
  });

  it("tells its intake, and what is left of a level line with it closed", () => {
    expect(valueOf(made, "takes")).toBeCloseTo(20, 9);
    expect(valueOf(made, "closed")).toBeCloseTo(180, 9);
  });

  it("stands in the edge with a shaped mouth, and the edge is measured as it is sewn", () => {
    const [box] = made.pieces;
    const waist = box?.edges.find((e) => e.role === "waist");
    expect(waist?.length).toBeCloseTo(180, 6);
    expect(box?.darts[0]?.mouth?.segments).toHaveLength(2);
    expect(Math.max(...(box?.net ?? []).map((p) => p.y))).toBeGreaterThan(300);
    expect(box?.darts[0]).toMatchObject({ key: "waist_dart", pressed: { x: -1, y: 0 } });
    expect(check(made, "Box: outline does not cross itself")).toBe("pass");
  });

  it("is told when it is too wide, when its legs differ, and when it runs past the bust point", () => {
    const wide = drafted(HEAD + MADE + PIECE, { intake_set: "5" });
    expect(check(wide, "Waist dart: no wider than a third of its length")).toBe("warn");
    expect(check(made, "Waist dart: no wider than a third of its length")).toBe("pass");
    expect(check(made, "Waist dart: stops short of the bust point")).toBe("pass");
    const past = drafted(HEAD.replace("up 4 from A5", "down 1 from A5") + MADE + PIECE);
    expect(check(past, "Waist dart: stops short of the bust point")).toBe("fail");
    const crooked = `A7 out 2 from A4\ndart waist_dart "Waist dart": legs A4, A7 to A5`;
    expect(check(drafted(`${HEAD}${crooked}\n`), "Waist dart: legs equal")).toBe("pass");
    expect(check(drafted(`${HEAD}A7 out 6 from A4\ndart waist_dart "Waist dart": legs A4, A7 to A5\n`), "Waist dart: legs equal")).toBe(
      "fail",
    );
    expect(check(drafted(`${HEAD}A7 out 6 from A4\ndart waist_dart "Waist dart": legs A4, A7 to A5, legs within 3\n`), "Waist dart: legs equal")).toBe("pass"); // prettier-ignore
  });

  it("lies inside a piece, pointed both ways", () => {
    const inside = `A7 up 20 from A4\ndart d "Back dart": legs A5, A6 to A4 and A7\npiece Box "Box" on A · cut 1\n  edge top: A0 > A1\n  edge rest: A1 > A3 > A2 > A0\n  dart d\n`;
    const [box] = drafted(HEAD + inside).pieces;
    expect(box?.darts[0]?.legs.segments).toHaveLength(4);
    expect(box?.darts[0]?.mouth).toBeUndefined();
  });

  it("reads the same after it is printed", () => {
    const text = `${HEAD}${MADE}${PIECE}dart other "Other": legs A0, A1 to A2 and A3, pressed up, legs within 1/2  "Rule it."\n`;
    const first = readNotation(text);
    const again = readNotation(printNotation(first.system));
    expect(again.problems).toEqual([]);
    expect(again.system).toEqual(first.system);
  });

  it("says what is wrong with one that is not there, has no length, or lies below", () => {
    const problems = (tail: string): string => loadSystem(HEAD + tail).problems.map((p) => p.why).join(" "); // prettier-ignore
    expect(problems(`${PIECE.replace("waist_dart", "waist_drat")}`)).toContain("waist_drat");
    expect(problems(`piece P "P" on A · cut 1\n  edge a: A0 > A1\n  edge b: A1 > A2 > A0\n  dart none\n`)).toContain(
      "No dart is called none",
    );
    expect(problems(`dart d "D": legs A0, A9 to A5\n`)).toContain("#A9");
    expect(problems(`value v = closed_width(3)\n`)).toContain("closed_width takes one level line");
    const flat = drafted(`${HEAD}dart d "D": legs A4, A5 to A4\n`);
    expect(flat.outcomes[flat.outcomes.length - 1]).toMatchObject({ status: "failed", why: "The dart has no length." });
  });
});
