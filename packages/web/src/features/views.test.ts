import { readFileSync } from "node:fs";
import { loadSystem } from "@lodrin/core";
import { describe, expect, it } from "vitest";
import { changesOf } from "./bodies/changes.js";
import { cardFacts } from "./shelf/card-facts.js";
import { fitsWish, LIBRARY_SCHOOL } from "./shelf/filter-shelf.js";
import { firstWords } from "./shelf/first-words.js";
import { draftName, firstDrawn } from "./shelf/new-draft.js";
import { draftFacts } from "./workroom/draft-facts.js";
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
  const facts = cardFacts({ notation, bases: {} }, [{ written: WRITTEN, unit: "cm" }]);
  const sheet = { title: "Menswear flat shirt block", garment: "shirt", by: "" };
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
  ])("looked through for %o", (part, fits) => expect(fitsWish(sheet, facts, { ...wish, ...part })).toBe(fits));

  it("what is not worked out yet is judged by what is known", () => {
    expect(fitsWish(sheet, undefined, { ...wish, unit: "in" })).toBe(true);
    expect(fitsWish(sheet, undefined, { ...wish, measured: true })).toBe(false);
  });
});

describe("a draft's card", () => {
  const draft = { measurements: WRITTEN, settings: {}, unit: "cm" as const, step: 6 };
  it("tells how far it is and what its checks say", () => {
    const facts = draftFacts(draft, { notation, bases: {} });
    expect(factsText(facts)).toBe("step 7 of 53 · all 33 checks hold");
    expect(factsText({ ...facts, step: 53, misses: 1 })).toBe("all 53 steps · 1 check wants a look");
    expect(facts.picture.strokes.length).toBeGreaterThan(20);
  });

  it("is drawn as it will be while figures are missing, and says how many", () => {
    const facts = draftFacts({ ...draft, measurements: { chest: "104" } }, { notation, bases: {} });
    expect(factsText(facts)).toBe("5 measurements are missing");
    expect(facts.picture.strokes.length).toBeGreaterThan(20);
  });
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
