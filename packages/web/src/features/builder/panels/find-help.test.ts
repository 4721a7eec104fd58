import { loadSystem, readSentence } from "@lodrin/core";
import { describe, expect, it } from "vitest";
import bed from "../../../../../core/src/phrase/fixtures/sentences/bed.lodrin?raw";
import { findHelp } from "./find-help.js";
import { HELP } from "./help-pages.js";

const BED = loadSystem(bed);

describe("the builder's help", () => {
  it.each([
    ...[
      "seam allowance",
      "gather",
      "parallel",
      "midpoint",
      "compass",
      "divide",
      "hip curve",
      "pivot",
      "cuff",
      "gore",
      "square out",
      "undo",
    ],
    ...[
      "publish",
      "perpendicular",
      "guideline",
      "notch",
      "facing",
      "grain",
      "dart",
      "ease",
      "fold",
      "buttonhole",
      "hem",
      "pleat",
      "mirror",
    ],
  ])("finds the trade's word “%s”", (word) => expect(findHelp(HELP, word).length).toBeGreaterThan(0));

  it("puts what is about the word first, and all of it where nothing is typed", () => {
    expect(findHelp(HELP, "divide")[0]?.title).toBe("Divide");
    expect(findHelp(HELP, "")).toBe(HELP);
    expect(findHelp(HELP, "no such word")).toEqual([]);
  });

  it("every sentence it gives as an example is understood", () => {
    const sections = HELP.filter(({ page }) => page === "trade");
    const sentences = sections
      .filter(({ title }) => title !== "Midpoint")
      .flatMap(({ text }) => [...text.replace(/\s+/g, " ").matchAll(/“([^”]+)”/g)].map(([, sentence = ""]) => sentence));
    expect(sentences.length).toBeGreaterThan(15);
    const asked = sentences.filter((sentence) => {
      const { status, said } = readSentence(sentence, BED);
      // A garment has one back: the trade's words for cutting it up are read, and asked about where it has it already.
      return status === "refused" && !/(?:reach|does not lie|never cross|bends more)/.test(said);
    });
    expect(asked).toEqual([]);
  });
});
