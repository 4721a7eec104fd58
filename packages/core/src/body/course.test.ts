import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import { printNotation } from "../system/notation/print.js";
import { courseOnFigure, LANDMARKS } from "./course.js";
import { FIGURE, GIRTH_LEVELS } from "./figure.js";

const text = (runs: string): string =>
  `system "T"\n  unit cm\nmeasure reach length 40..90 "Over the shoulder."\n  runs ${runs}\nboard A "A"\nA0 start\nA1 out reach from A0\n`;

describe("where the tape of a new measurement runs", () => {
  it.each([
    ["nape to waist_back", { from: "nape", to: "waist_back" }, "back", "From the nape to the waist, back."],
    ["from shoulder_tip to wrist", { from: "shoulder_tip", to: "wrist" }, "front", "From the tip of the shoulder to the wrist."],
    ["round high_hip", { round: "high_hip" }, "front", "Round the high hip, level."],
  ])("runs %s", (runs, course, view, says) => {
    const { system, problems } = loadSystem(text(runs));
    expect(problems).toEqual([]);
    expect(system.statements[0]).toMatchObject({ course });
    expect(courseOnFigure(course)).toMatchObject({ view, says });
    // Printed and read again it is the same.
    expect(loadSystem(printNotation(system)).system.statements[0]).toMatchObject({ course });
  });

  it.each([
    ["nape to elbo", "no place called elbo", "elbow"],
    ["round middle", "no level called middle", "waist"],
    ["nape to nape", "from one place to another", "two different places"],
    ["round toString", "no level called toString", "waist"],
  ])("runs %s is told where it stands", (runs, why, fix) => {
    const [problem] = loadSystem(text(runs)).problems;
    expect(problem).toMatchObject({ line: 4 });
    expect(problem?.why).toContain(why);
    expect(problem?.fix).toContain(fix);
  });

  it("every place and level lies on the figure", () => {
    const inside = (x: number, y: number): boolean => x > 0 && x < FIGURE.width && y > 0 && y < FIGURE.height;
    for (const { x, y } of Object.values(LANDMARKS)) expect(inside(x, y)).toBe(true);
    for (const line of Object.values(GIRTH_LEVELS))
      expect([line.startsWith("M"), inside(100, Number(line.split(/[ Q]/)[1]))]).toEqual([true, true]);
  });
});
