import { endOf, loadSystem, type Point, run, startOf } from "@lodrin/core";
import { describe, expect, it } from "vitest";
import { writeSvg } from "../svg/write.js";
import type { Drawing, Stroke, Words } from "./mark.js";
import { drawPieces } from "./pieces.js";

/** A piece of so many centimetres, allowances of one all round, and what more is said of it. */
function sheetOf(wide: number, deep: number, more: readonly string[]): Drawing {
  const { plan, problems } = loadSystem(`system "Try"
  garment block · unit cm · tape 1mm
board A "Front"
A0 start
A1 out ${wide} from A0
A2 down ${deep} from A1
A3 down ${deep} from A0
piece Box "Long name of a narrow piece" on A · cut 1
  edge top: A0 > A1 · allow 1
  edge side: A1 > A2 · allow 1
  edge hem: A2 > A3 · allow 1
  edge front: A3 > A0 · allow 1
${more.map((line) => `  ${line}\n`).join("")}`);
  expect(problems).toEqual([]);
  return drawPieces(run(plan, {}));
}
const strokes = ({ marks }: Drawing, layer: Stroke["layer"]): Stroke[] =>
  marks.filter((m): m is Stroke => m.kind === "stroke" && m.layer === layer);
const words = ({ marks }: Drawing): Words[] => marks.filter((m): m is Words => m.kind === "words");
const between = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

describe("notches", () => {
  it.each([
    ["notch on side at 5", 1],
    ["double notch on side at 5", 2],
    ["triple notch on side at 5", 3],
  ])("%s: as many ticks, side by side", (line, count) => {
    const feet = strokes(sheetOf(20, 20, [line]), "notches").map((s) => endOf(s.path));
    expect(feet).toHaveLength(count);
    const steps = feet.slice(1).map((p, i) => between(p, feet[i] as Point));
    for (const step of steps) expect(step).toBeCloseTo(3, 6);
  });

  it("run from the cutting line, where they are snipped, to the sewing line", () => {
    const sheet = sheetOf(20, 20, ["double notch on side at 5"]);
    const right = Math.max(...strokes(sheet, "allowance").flatMap((s) => s.path.segments.map((c) => c.p0.x)));
    for (const { path } of strokes(sheet, "notches")) {
      expect(startOf(path).x).toBeCloseTo(right, 6);
      expect(endOf(path).x).toBeCloseTo(right - 10, 6);
    }
  });
});

describe("words on a piece", () => {
  it("the names of the lines inside it", () => {
    const sheet = sheetOf(20, 20, ['inside "Fold here": A0 > A2']);
    expect(words(sheet).map((w) => w.text)).toContain("Fold here");
    expect(writeSvg(sheet)).toContain("Fold here");
  });

  it.each([
    [20, 30],
    [3, 40],
    [40, 3],
    [1.5, 40],
  ])("the title of a piece of %f by %f cm lies within its cutting line", (wide, deep) => {
    const sheet = sheetOf(wide, deep, []);
    const ring = strokes(sheet, "allowance").flatMap((s) => s.path.segments.flatMap((c) => [c.p0, c.p3]));
    const [left, right] = [Math.min(...ring.map((p) => p.x)), Math.max(...ring.map((p) => p.x))];
    const [top, foot] = [Math.min(...ring.map((p) => p.y)), Math.max(...ring.map((p) => p.y))];
    const title = words(sheet).filter((w) => w.anchor === "middle");
    expect(title.length).toBeGreaterThan(0);
    for (const { at, text, size, turn } of title) {
      // Letters of the shipped font are narrower than 0.58 of their height on the average.
      const half = (text.length * size * 0.58) / 2;
      const [dx, dy] = [Math.abs(half * Math.cos(turn)), Math.abs(half * Math.sin(turn))];
      expect(at.x - dx).toBeGreaterThan(left);
      expect(at.x + dx).toBeLessThan(right);
      expect(at.y - dy).toBeGreaterThan(top);
      expect(at.y + dy).toBeLessThan(foot);
    }
  });
});
