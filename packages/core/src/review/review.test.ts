import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import { run } from "../run/run.js";
import { readShelf } from "../test/shelf.js";
import { controlsOf, suggestControls } from "./controls.js";
import { asDrawn, review } from "./review.js";
import { tapeSlips } from "./tape-slips.js";

// The short set-in sleeve on plain figures, so that every figure below is worked out by hand: cap 36/12 + 1/2 = 3 1/2;
// slant 7 1/2 + 1/2 + 1/4 = 8 1/4, laid along the cap line; half the hem 13/2 = 6 1/2.
const sleeve = readShelf().find(({ slug }) => slug.startsWith("13"));
if (!sleeve) throw new Error("There is no short sleeve on the shelf.");
const { plan } = sleeve;
const drafted = run(plan, { bust: 36, armhole_depth: 7.5, sleeve_length: 9, sleeve_opening: 13, bicep: 12 });
const inches = (mm: number | undefined): number => Math.round(((mm ?? Number.NaN) / 25.4) * 1000) / 1000;
const judged = (readings: Record<string, string>): ReturnType<typeof review> => review(plan, drafted, readings);

describe("one reading", () => {
  it("that is right is quiet, an eighth off as well", () => {
    const { readings, together } = judged({ S1: "3 1/2", S3: "8 3/8", S12: "6 3/8" });
    expect(readings.map((r) => [r.name, inches(r.expected), r.verdict, r.causes.length])).toEqual([
      ["S1", 3.5, "right", 0],
      ["S3", 8.25, "right", 0],
      ["S12", 6.5, "right", 0],
    ]);
    expect(together).toEqual([]);
  });

  it.each([
    ["S1", "3", "term-left-out", /1\/2 was left out of bust ÷ 12 \+ 1\/2/],
    ["S1", "2 1/2", "sign-turned", /1\/2/],
    ["S1", "4 1/2", "whole-unit-off", /a whole inch too much/],
    ["S3", "7 3/4", "ease-forgotten", /bust ease/],
    ["S3", "3 1/4", "tape-other-side", /centimetre side/],
    ["S12", "13", "division-forgotten", /sleeve opening ÷ 2/],
    ["S12", "3 1/4", "division-doubled", /half the figure/],
    ["S12", "4 1/2", "other-measurement", /sleeve length was taken in place of sleeve opening/],
    ["S1", "3 1/16", "order-of-sums", /bust ÷ 12/],
    ["S2", "12 1/2", "from-other-point", /S1 in place of S0/],
  ])("%s read as %s: %s", (name, figure, code, says) => {
    const [reading] = judged({ [name]: figure }).readings;
    expect(reading?.verdict).toBe("off");
    const found = reading?.causes.find((c) => c.code === code);
    expect(found?.says, JSON.stringify(reading?.causes, undefined, 1)).toMatch(says);
    expect(Math.abs((found?.wouldRead ?? 0) - (reading?.read ?? 0))).toBeLessThan(3.2);
  });

  it("that nothing explains is said to be so, and what to do", () => {
    const [reading] = judged({ S1: "19 5/8" }).readings;
    expect(reading?.causes.map((c) => c.code)).toEqual(["unexplained"]);
    expect(reading?.causes[0]?.says).toContain("Measure S1 once more");
  });

  it("names the later steps that a slip affects", () => {
    const [reading] = judged({ S3: "7 3/4" }).readings;
    expect(reading?.affects).toEqual(expect.arrayContaining(["S4", "S5", "S6", "S7"]));
    expect(reading?.affects).not.toContain("S12");
  });

  it("of no step, of no figure and of no length is refused with a sentence", () => {
    const { readings } = judged({ Z9: "3", S1: "three", S0: "2", "dist(S1)": "4" });
    expect(readings.map((r) => [r.name, r.verdict])).toEqual([
      ["Z9", "unread"],
      ["S1", "unread"],
      ["S0", "unread"],
      ["dist(S1)", "unread"],
    ]);
    for (const { why, fix } of readings) expect(`${why ?? ""}${fix ?? ""}`.length).toBeGreaterThan(20);
  });

  it("is taken in the unit it is written in, and between any two points", () => {
    const { readings } = judged({ S1: "8.9 cm", "dist(S3, S6)": "16 1/2", "dist(S0,S2)": "22.9cm" });
    expect(readings.map((r) => [inches(r.expected), r.verdict])).toEqual([
      [3.5, "right"],
      [16.5, "right"],
      [9, "right"],
    ]);
  });
});

describe("readings together", () => {
  it("an earlier slip carried forward is found where it began, once for all that is off", () => {
    // The ease of the bust forgotten in the slant: both underarms come in by half an inch.
    const { readings, together } = judged({ S1: "3 1/2", S3: "7 3/4", "dist(S3, S6)": "15 1/2", S12: "6 1/2" });
    expect(readings.map((r) => r.verdict)).toEqual(["right", "off", "off", "right"]);
    expect(together.map((c) => c.code)).toEqual(["ease-forgotten"]);
    expect(together[0]?.step).toBe("run");
  });

  it("a reading that only the tape got wrong is told from a wrong line by what lies behind it", () => {
    // Were S3 an inch out, its mirror S6 would be too.
    const { readings } = judged({ S3: "9 1/4", "dist(S3, S6)": "16 1/2", S4: "4 1/2" });
    expect(readings[0]?.causes[0]?.code).toBe("misread");
  });

  it("two slips are two causes", () => {
    const { together } = judged({ S1: "3", S12: "13" });
    expect(together.map((c) => c.code).sort()).toEqual(["division-forgotten", "term-left-out"]);
  });

  it("a tie is told with the reading that decides it", () => {
    // 5 1/2 from S0: an inch less cap with the run from S0, or something else at a step before; the next reading parts them.
    const [reading] = judged({ "dist(S3, S6)": "14 1/2" }).readings;
    const [first, second] = reading?.causes ?? [];
    expect(second && first && first.confidence < 4 * second.confidence).toBe(true);
    expect(first?.decideBy).toMatch(/^(S\d+|run|sleeve_half|cap|\w+)$/);
  });
});

describe("the draft as it likely lies on the paper", () => {
  it("has the slips in it that explain what was read, and is the right one where nothing is off", () => {
    const at = (run: ReturnType<typeof asDrawn>, id: string): number => inches(run.board.points[plan.scope.points.get(id) ?? -1]?.x);
    const wrong = asDrawn(plan, drafted, { S3: "7 3/4", S12: "13" });
    expect([at(wrong, "S3"), at(wrong, "S6"), at(wrong, "S12"), at(wrong, "S13")]).toEqual([7.75, -7.75, 13, -13]);
    expect(asDrawn(plan, drafted, { S3: "8 1/4" }).board).toEqual(drafted.board);
  });
});

describe("the tape", () => {
  it.each([
    [7.375, "eighths-as-tenths", 7.3],
    [12.5, "digits-swapped", 21.5],
    [7.375, "rounded", 7],
    [7.75, "rounded", 8],
    [10, "tape-other-side", 10 / 2.54],
  ])("%s in may be taken as %s", (figure, code, wrong) => {
    const slips = tapeSlips(figure * 25.4, "in").filter((s) => s.code === code);
    expect(slips.some((s) => Math.abs(s.mm / 25.4 - wrong) < 1e-9)).toBe(true);
  });

  it("swaps no two digits that are alike, and no figure with one", () => {
    expect(tapeSlips(11 * 25.4, "in").map((s) => s.code)).not.toContain("digits-swapped");
    expect(tapeSlips(7 * 25.4, "in").map((s) => s.code)).not.toContain("digits-swapped");
  });
});

describe("control measurements", () => {
  it("are those its author named, where there are any, each a length of the draft", () => {
    const named = loadSystem(`${sleeve.source}\ncontrol dist(S3, S12)  "The underarm, before the hem is folded."\ncontrol 2*sleeve_half\n`);
    expect(named.problems).toEqual([]);
    const controls = controlsOf(
      named.plan,
      run(named.plan, { bust: 36, armhole_depth: 7.5, sleeve_length: 9, sleeve_opening: 13, bicep: 12 }),
    );
    // From 8 1/4 out at 3 1/2 down to 6 1/2 out at 9 down.
    expect(controls.slice(-2).map((c) => [c.name, inches(c.expected), c.says])).toEqual([
      ["dist(S3, S12)", Math.round(Math.hypot(1.75, 5.5) * 1000) / 1000, "The underarm, before the hem is folded."],
      ["2*sleeve_half", 16.5, undefined],
    ]);
    expect(loadSystem(`${sleeve.source}\ncontrol dist(S3, S99)\n`).problems[0]?.why).toContain("S99");
  });

  it("are few, and keep watch over most of the steps", () => {
    const controls = suggestControls(plan, drafted);
    expect(controls.length).toBeGreaterThan(1);
    expect(controls.length).toBeLessThanOrEqual(5);
    const placed = plan.steps.filter((s) => s.makes !== "path").length;
    expect(Math.max(...controls.map((c) => c.watches ?? 0))).toBeGreaterThan(placed / 4);
    for (const { name, expected } of controls) expect(judged({ [name]: `${expected} mm` }).readings[0]?.verdict).toBe("right");
  });
});
