import { describe, expect, it } from "vitest";
import { BED } from "../test/sentences.js";
import { groundOf } from "./ground/ground.js";
import { nearestWays } from "./nearest-ways.js";
import { readSentence } from "./read-sentence.js";

const ground = groundOf(BED);

describe("the nearest ways to say what is not understood", () => {
  it.each([
    ["Kindly proceed 3 inches southward down of 6", "From 6 square down 3 inches."],
    ["Curve it sweetly 5 to 6", "Draw a smooth curve through 5 and 6."],
    ["Fling a perpendicular at the side seam off 10 somehow", "Drop a perpendicular from 10 to the side seam."],
    ["Somehow halfway 5 6", "Midway between 5 and 6."],
  ])("%s", (sentence, way) => {
    expect(readSentence(sentence, BED, {}, { ground }).status).not.toBe("read");
    expect(nearestWays(sentence, ground)).toContain(way);
  });

  it("each of them is read, and there are three at most", () => {
    for (const sentence of [
      "Gently waft 5 towards 6 by 2 inches along the shoulder",
      "Frobnicate 7 and 8, 1 inch wide, 4 inches long",
      "Bless the back",
    ]) {
      const ways = nearestWays(sentence, ground);
      expect(ways.length).toBeLessThanOrEqual(3);
      for (const way of ways) expect(["read", "ask"], way).toContain(readSentence(way, BED, {}, { ground }).status);
    }
  });

  it("nothing is offered where nothing that was said is known", () =>
    expect(nearestWays("Lorem ipsum dolor sit amet", ground)).toEqual([]));
});
