import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import { pointOnBoard } from "../report/drawn-steps.js";
import { run } from "../run/run.js";
import { sampleBody } from "../run/sample.js";
import { NOTATIONS } from "../test/shelf.js";
import { BLOCK_HANDOUT } from "./fixtures/block-handout.js";
import { GARMENT_HANDOUT } from "./fixtures/garment-handout.js";
import { SLEEVE_HANDOUT } from "./fixtures/sleeve-handout.js";
import { readText } from "./read-text.js";

describe("a whole handout in plain sentences", () => {
  it.each([
    ["13-short-set-in-sleeve", SLEEVE_HANDOUT, 15],
    ["18-block-waist-and-side-dart", BLOCK_HANDOUT, 57],
  ])("becomes %s: every point where the library's lies, on three bodies", (slug, handout, points) => {
    const [head = "", facts = "", ...lines] = handout.split("\n");
    const { sentences, loaded: mine } = readText(lines.join("\n"), { into: loadSystem(`${head}\n${facts}\n`) });
    expect(sentences.filter(({ status }) => status !== "read").map(({ sentence, said }) => `${sentence} ${said}`)).toEqual([]);
    expect(mine.problems).toEqual([]);
    const theirs = loadSystem(NOTATIONS[slug] ?? "");
    expect(mine.plan.scope.points.size).toBe(points);
    for (const share of [0.3, 0.5, 0.7]) {
      const body = sampleBody(theirs.plan, share);
      const [a, b] = [run(mine.plan, body), run(theirs.plan, body)];
      expect(a.missing).toEqual([]);
      for (const id of mine.plan.scope.points.keys()) {
        const [here, there] = [pointOnBoard(mine.plan, a, id), pointOnBoard(theirs.plan, b, id)];
        expect(Math.hypot((here?.x ?? 0) - (there?.x ?? NaN), (here?.y ?? 0) - (there?.y ?? NaN)), `${id} at ${share}`).toBeLessThan(1e-6);
      }
    }
  });

  it("becomes a garment of five pieces without a line of notation, drawn on three bodies", () => {
    const { sentences, loaded } = readText(GARMENT_HANDOUT, { unit: "in" });
    expect(sentences.filter(({ status }) => status !== "read").map(({ sentence, said }) => `${sentence} ${said}`)).toEqual([]);
    expect(sentences.length).toBeGreaterThan(60);
    for (const share of [0.25, 0.5, 0.75]) {
      const made = run(loaded.plan, sampleBody(loaded.plan, share));
      expect(made.outcomes.filter(({ status }) => status === "failed")).toEqual([]);
      expect(made.shapings.filter(({ outcome }) => outcome.status === "failed")).toEqual([]);
      expect(made.pieces.map(({ key }) => key)).toEqual(["Back_bodice", "Sleeve", "Front_bodice", "Back_neck_facing", "Front_neck_facing"]);
      // A quarter of the back from the hem's half width and its length, between the least and the most it can be: 1 in is 25.4 mm.
      const back = made.pieces[0];
      expect(back?.onFold).toBe(true);
      expect(back?.edges.find((e) => e.role === "hem")?.allowance).toBeCloseTo(25.4, 6);
      expect(back?.edges.find((e) => e.role === "shoulder")?.allowance).toBeCloseTo(12.7, 6);
    }
    // A word with a number is a point of the board that is drawn: the sleeve's 2 is not the back's.
    expect([...loaded.plan.scope.points.keys()].filter((id) => id.startsWith("S"))).toEqual(["S1", "S2", "S3", "S4", "S5", "S6", "S7"]);
  });
});
