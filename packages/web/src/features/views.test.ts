import { readFileSync } from "node:fs";
import { loadSystem } from "@lodrin/core";
import { describe, expect, it } from "vitest";
import { changesOf } from "./bodies/changes.js";
import { coverage } from "./shelf/coverage.js";
import { fitsWish, LIBRARY_SCHOOL } from "./shelf/filter-shelf.js";
import { firstWords } from "./shelf/first-words.js";
import { draftName, firstDrawn } from "../drafting/new-draft.js";
import { factsText } from "./workroom/facts-text.js";

const notation = readFileSync("systems/08-menswear-flat-shirt-block.lodrin", "utf8");
const WRITTEN = { chest: "104", neck: "41", scye_depth: "25", back_waist: "45", half_back: "20,6", garment_length: "77" };

describe("a new draft", () => {
  it.each([
    ["Long jacket with notched lapel, front traced from the back", "Merrin Quaile", "Long jacket, Merrin"],
    ["Menswear flat shirt block", undefined, "Menswear flat shirt block"],
    ["Two-piece sleeve for the long jacket", "  Ansel  ", "Two-piece sleeve, Ansel"],
    ["Short sleeve on the bodice block", "Pim Castellan", "Short sleeve, Pim"],
  ])("of “%s” for %s is called “%s”", (title, person, name) => expect(draftName(title, person)).toBe(name));

  it("begins at the first step that puts something on the paper", () => {
    const { plan } = loadSystem(notation);
    expect(plan.steps[firstDrawn(plan)]?.source).toMatchObject({ is: "point", id: "0" });
    expect(plan.steps.slice(0, firstDrawn(plan)).every((s) => s.source.is === "value")).toBe(true);
  });
});

describe("the first words of a text", () => {
  it.each([
    ["Short.", 20, "Short."],
    ["A first sentence. And a second that is long.", 25, "A first sentence."],
    ["One sentence that goes on, and on, and on", 26, "One sentence that goes on …"],
  ])("%s, %s letters", (text, most, said) => expect(firstWords(text, most)).toBe(said));
});

describe("the shelf", () => {
  const card = { about: "A block.", suits: "", points: 30, unit: "cm" as const, needs: ["chest"] };
  const sheet = { title: "Menswear flat shirt block", garment: "shirt", by: "", card };
  const covers = [coverage(card.needs, { written: WRITTEN, unit: "cm" })];
  const wish = { words: "", garment: "", unit: "", school: "", measured: false } as const;
  it.each([
    [{}, true],
    [{ words: "SHIRT flat" }, true],
    [{ words: "shirt lapel" }, false],
    [{ garment: "jacket" }, false],
    [{ unit: "cm" as const }, true],
    [{ unit: "in" as const }, false],
    [{ measured: true }, true],
    [{ school: LIBRARY_SCHOOL }, true],
    [{ school: "Ottoline Vance" }, false],
  ])("looked through for %o", (part, fits) => expect(fitsWish(sheet, covers, { ...wish, ...part })).toBe(fits));

  it("is measured for only when some set has all it needs", () => {
    const lacking = [coverage(card.needs, { written: {}, unit: "cm" })];
    expect(fitsWish(sheet, lacking, { ...wish, measured: true })).toBe(false);
    expect(fitsWish(sheet, [], { ...wish, measured: true })).toBe(false);
    expect(fitsWish(sheet, [...lacking, ...covers], { ...wish, measured: true })).toBe(true);
  });
});

describe("a draft's card", () => {
  const card = { steps: 53, checks: 33, misses: 0, missing: 0 };
  it.each([
    [6, card, "step 7 of 53 · all 33 checks hold"],
    [53, { ...card, misses: 1 }, "all 53 steps · 1 check wants a look"],
    [0, { ...card, misses: 2 }, "step 1 of 53 · 2 checks want a look"],
    [0, { ...card, missing: 5 }, "5 measurements are missing"],
    [0, { ...card, missing: 1 }, "1 measurement is missing"],
  ])("at step %i with %o", (step, facts, said) => expect(factsText({ step }, facts)).toBe(said));
});

describe("what changed between a person's sets", () => {
  const sets = [
    { takenOn: "2026-10-01", unit: "cm" as const, written: { waist: "72", hip: "98", neck: "36.2", sleeve_length: "60" } },
    {
      takenOn: "2026-06-01",
      unit: "in" as const,
      written: { waist: "27", hip: "38 1/2", neck: "14 1/4", height: "65", sleeve_length: "9" },
    },
  ];
  it("most first, from the first date on, without what is the tape's own play", () => {
    const courses = changesOf(sets, 5);
    expect(courses.map((c) => c.key)).toEqual(["waist"]);
    expect(courses[0]?.days).toEqual(["2026-06-01", "2026-10-01"]);
    expect(courses[0]?.mm[1]).toBeCloseTo(720 - 27 * 25.4, 9);
  });
  it("no more than asked for, and nothing of one set", () => {
    expect(changesOf(sets, 0)).toEqual([]);
    expect(changesOf(sets.slice(0, 1), 5)).toEqual([]);
  });
});
