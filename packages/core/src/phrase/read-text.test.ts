import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import { pointOnBoard } from "../report/drawn-steps.js";
import { run } from "../run/run.js";
import { sampleBody } from "../run/sample.js";
import { NOTATIONS } from "../test/shelf.js";
import { BLOCK_HANDOUT } from "./fixtures/block-handout.js";
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
});
