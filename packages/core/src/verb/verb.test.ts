import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import { run } from "../run/run.js";
import { form, matchForm, pointText, printForm } from "./form.js";
import { VERBS } from "./index.js";

/** Drafts a few steps on one board (inches) and gives the last step's outcome and point, in inches. */
function place(steps: string, measurements: Record<string, string> = {}): { x: number; y: number } | string {
  const head =
    'system "Try"\n  garment block · unit in\nmeasure a length 0..99 "a"\n  only for a check\nmeasure b length 0..99 "b"\n  only for a check\nboard A "A"\n';
  const loaded = loadSystem(head + steps);
  if (loaded.problems[0]) return loaded.problems[0].why;
  const drafted = run(loaded.plan, measurements);
  const outcome = drafted.outcomes[drafted.outcomes.length - 1];
  if (outcome?.status !== "drawn") return outcome?.why ?? "";
  const p = drafted.environment.points[loaded.plan.scope.points.size - 1];
  const inches = (mm = 0): number => Math.round((mm / 25.4) * 1e6) / 1e6 + 0;
  return { x: inches(p?.x), y: inches(p?.y) };
}

const SQUARE = "A0 start\nA1 out 4 from A0\nA2 down 3 from A0\nA3 down 3 from A1\n";

describe("every verb", () => {
  it.each([
    ["A9 start", { x: 0, y: 0 }],
    ["A9 start at 2 across -1 down", { x: 2, y: -1 }],
    ["A9 down 1 1/2 from A1", { x: 4, y: 1.5 }],
    ["A9 up 1 from A0", { x: 0, y: -1 }],
    ["A9 out 1/2 from A3", { x: 4.5, y: 3 }],
    ["A9 in 1 from A3", { x: 3, y: 3 }],
    ["A9 down 0 from A1", { x: 4, y: 0 }],
    ["A9 down 1000in from A1", { x: 4, y: 1000 }],
    ["A9 midway A0 to A3", { x: 2, y: 1.5 }],
    ["A9 midway A0 to A0", { x: 0, y: 0 }],
    ["A9 across from A2 to A1-A3", { x: 4, y: 3 }],
    ["A9 across from A2 to the line down from A1", { x: 4, y: 3 }],
    ["A9 down from A1 to A2-A3", { x: 4, y: 3 }],
    ["A9 up from A3 to A0-A1", { x: 4, y: 0 }],
    ["A9 out from A0 to A1-A3", { x: 4, y: 0 }],
    ["A9 in from A1 to A0-A2", { x: 0, y: 0 }],
    ["A9 down from A0 to A1-A2", { x: 0, y: 3 }],
    ["A9 mirror A0 in A1-A3", { x: 8, y: 0 }],
    ["A9 mirror A1 in A1-A3", { x: 4, y: 0 }],
    ["A9 mirror A0 in A1-A2", { x: 2.88, y: 3.84 }],
    ["A9 copy A1 by A0 to A2", { x: 4, y: 3 }],
    ["A9 off A1-A3 at A1, 1/2 in", { x: 3.5, y: 0 }],
    ["A9 off A1-A3 at A3, 1/2 out", { x: 4.5, y: 3 }],
    ["A9 off A0-A1 at A0, 1/2 up", { x: 0, y: -0.5 }],
    ["A9 off A1-A0 at A0, 1/2 down", { x: 0, y: 0.5 }],
    ["A9 swing 5 from A2 to A0-A1, the outer", { x: 4, y: 0 }],
    ["A9 swing 5 from A2 to A0-A1, the inner", { x: -4, y: 0 }],
    // The 3-4-5 triangle A1-A0-A2 gives whole figures for everything slanted.
    ["A9 part 1/4 from A0 to A3", { x: 1, y: 0.75 }],
    ["A9 part 1.5 from A0 to A1", { x: 6, y: 0 }],
    ["A9 toward A2, 2 1/2 from A1", { x: 2, y: 1.5 }],
    ["A9 toward A2, 10 from A1", { x: -4, y: 6 }],
    ["A9 toward A2, -5 from A1", { x: 8, y: -3 }],
    ["A9 on A1-A2 at 1 1/2 down", { x: 2, y: 1.5 }],
    ["A9 on A1-A2 at 2 out", { x: 2, y: 1.5 }],
    ["A9 on A1-A2 at 6 down", { x: -4, y: 6 }],
    ["A9 off A0-A3 at A3, 5 left", { x: 7, y: -1 }],
    ["A9 off A0-A3 at A3, 5 right", { x: 1, y: 7 }],
    ["A9 off A3-A0 at A3, 5 right", { x: 7, y: -1 }],
    ["A9 square from A0 to A1-A2", { x: 1.44, y: 1.92 }],
    ["A9 square from A1 to A0-A1", { x: 4, y: 0 }],
    ["A9 cross A0-A3 with A1-A2", { x: 2, y: 1.5 }],
    ["A9 cross A0-A3 with the line down from A1", { x: 4, y: 3 }],
    ["A9 swing 5 from A1 to A2-A3", { x: 8, y: 3 }],
    ["A9 swing 5 from A1 to A3-A2", { x: 0, y: 3 }],
    ["A9 swing 3 from A1 to A2-A3", { x: 4, y: 3 }],
    ["A9 at 90, 2 from A1", { x: 4, y: 2 }],
    ["A9 at 30, 2 from A0", { x: 1.732051, y: 1 }],
    ["A9 turn A1 about A0 by 90", { x: 0, y: 4 }],
    ["A9 turn A3 about A0 so that A1 falls on A2", { x: -3, y: 4 }],
    ["A9 trace A3", { x: 4, y: 3 }],
    ["A9 move A3 1 out, 1/2 down", { x: 5, y: 3.5 }],
  ])("%s", (step, expected) => {
    expect(place(SQUARE + step)).toEqual(expected);
  });

  it("takes the crossing ahead on a curve, the nearest of several", () => {
    const arch = `${SQUARE}curve arch: A2 > A1, leaving plumb, arriving plumb\n`;
    const met = place(`${arch}A5 start at 1 across 3 down\nA9 up from A5 to arch`);
    expect(met).toMatchObject({ x: 1 });
    expect((met as { y: number }).y).toBeLessThan(3);
  });
});

describe("what a verb cannot do, it says", () => {
  it.each([
    ["A9 across from A0 to A2-A3", "The two lines run side by side and never meet."],
    ["A9 down from A0 to the line down from A1", "The two lines run side by side and never meet."],
    ["A9 mirror A0 in A1-A1", "The fold line has no length."],
    ["A9 across from A0 to A1-A1", "The two lines run side by side and never meet."],
    ["A9 swing 2 from A1 to A2-A3", "The tape does not reach: the length is shorter than the way square to the line."],
    ["A9 toward A1, 2 from A1", "The two points fall on each other, so there is no way from one toward the other."],
    ["A9 square from A0 to A1-A1", "The line has no length, so nothing stands square to it."],
    ["A9 off A1-A1 at A1, 2 left", "The line has no length, so nothing stands square to it."],
    ["A9 on A0-A1 at 2 down", "The two lines run side by side and never meet."],
    ["A9 cross A0-A1 with A2-A3", "The two never cross."],
  ])("%s", (step, why) => {
    expect(place(SQUARE + step)).toBe(why);
  });

  it("a curve that is passed without being touched, and folding on one", () => {
    const arch = `${SQUARE}curve arch: A2 > A1, leaving plumb, arriving plumb\n`;
    expect(place(`${arch}A5 start at 9 across 9 down\nA9 down from A5 to arch`)).toBe("The line passes the curve without touching it.");
    expect(place(`${arch}A9 mirror A0 in arch`)).toBe("Paper cannot be folded on a curve.");
  });

  it("a place along a line or a curve is counted from its first point", () => {
    const line = `${SQUARE}line edge: A0 > A1 > A3\n`;
    expect(place(`${line}A9 along edge from A0, 5 1/2`)).toEqual({ x: 4, y: 1.5 });
    expect(place(`${line}A9 along edge from A3, -3 1/2`)).toEqual({ x: 3.5, y: 0 });
    expect(place(`${line}A9 along edge, 1/2 of the way`)).toEqual({ x: 3.5, y: 0 });
    expect(place(`${line}A9 along edge from A0, 8`)).toEqual({ x: 4, y: 4 });
    expect(place(`${line}A5 along edge from A0, 2\nA9 along edge from A5, back 1`)).toEqual({ x: 1, y: 0 });
  });

  it("from an end of a named line back along it is meant, whichever way is written; beyond goes past it", () => {
    // Four across and three down: seven along the edge from A0 to A3.
    const line = `${SQUARE}line edge: A0 > A1 > A3\n`;
    for (const way of ["3 1/2", "-3 1/2", "back 3 1/2"]) expect(place(`${line}A9 along edge from A3, ${way}`)).toEqual({ x: 3.5, y: 0 });
    for (const way of ["3", "-3", "back 3"]) expect(place(`${line}A9 along edge from A0, ${way}`)).toEqual({ x: 3, y: 0 });
    expect(place(`${line}A9 along edge from A3, beyond 2`)).toEqual({ x: 4, y: 5 });
    expect(place(`${line}A9 along edge from A0, beyond 2`)).toEqual({ x: -2, y: 0 });
    // Two points are a line that may be carried on.
    expect(place(`${SQUARE}A9 along A0-A1 from A1, 2`)).toEqual({ x: 6, y: 0 });
    expect(place(`${SQUARE}A9 along A0-A1 from A1, beyond 2`)).toEqual({ x: 6, y: 0 });
    expect(place(`${SQUARE}A9 along A0-A1 from A0, beyond 2`)).toEqual({ x: -2, y: 0 });
  });

  it("of several crossings takes the first, the one nearest to a point, or the one named by its side", () => {
    const wave = `${SQUARE}A5 start at 2 across 2 down\nA6 start at 4 across -2 down\nA7 start at 6 across 2 down\nline wave: A5 > A6 > A7\n`;
    expect(place(`${wave}A9 cross A0-A1 with wave`)).toEqual({ x: 3, y: 0 });
    expect(place(`${wave}A9 cross A0-A1 with wave, the outer`)).toEqual({ x: 5, y: 0 });
    expect(place(`${wave}A9 cross A0-A1 with wave nearest to A7`)).toEqual({ x: 5, y: 0 });
    expect(place(`${wave}A9 cross A0-A1 with wave nearest to A0`)).toEqual({ x: 3, y: 0 });
    expect(place(`${SQUARE}A9 off A1-A3 at A1, 1/2 up`)).toBe("The line runs that very way, so nothing square to it does.");
  });

  it("a step that leans on one that is left out names the condition", () => {
    expect(place(`${SQUARE}A8 down 1 from A0\n  when a > 5\nA9 down 1 from A8`, { a: "3" })).toBe(
      "It leans on A8, which is left out: only when a > 5.",
    );
    expect(place(`${SQUARE}A9 down a/b from A0`, { a: "3" })).toContain("A length is asked for");
    expect(place(`${SQUARE}A9 down a*(a/(b - b)) from A0`, { a: "3", b: "1" })).toBe("This divides by zero.");
  });
});

describe("forms", () => {
  it("match what they print", () => {
    const f = form("{distance:length} from {from:point}");
    const found = matchForm(f, "bust/4 + 1/2   from  #12");
    expect(found?.["distance"]).toEqual({ text: "bust/4 + 1/2", at: 0, typed: 12 });
    expect(found?.["from"]).toEqual({ text: "12", at: 21, typed: 3 });
    expect(printForm(f, { distance: "bust/4 + 1/2", from: "12" })).toBe("bust/4 + 1/2 from #12");
    expect(matchForm(f, "bust/4")).toBeUndefined();
    expect(pointText("B3")).toBe("B3");
    expect(pointText("14a")).toBe("#14a");
  });

  it("every verb says what it does, and every form has its gaps", () => {
    for (const verb of VERBS.values()) {
      expect(verb.description).toMatch(/\.$/);
      expect(verb.forms.length).toBeGreaterThan(0);
    }
  });
});
