import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import { readShelf } from "../test/shelf.js";
import { TRADE_WORDS } from "./words.js";
import { wordsIn } from "./words-in.js";

const wordsOf = (notation: string): string[] => wordsIn(loadSystem(notation).system).map((w) => w.word);

describe("the words of the trade", () => {
  it("are found in sentences, in any of their forms, as whole words", () => {
    const found = wordsOf('system "Cape"\nboard M\nA0 start  "Begin at the nape; the Darts, and all armholes, come later. Squared."\n');
    expect(found).toEqual(["armhole", "dart", "nape"]);
  });

  it("are not found in names and formulas", () => {
    expect(
      wordsOf('system "Cape"\nset dart = 1 from 0 to 2 "How much."\nboard M\nA0 start "Begin."\nA1 down dart from A0 "Down."\n'),
    ).toEqual([]);
  });

  it("stand in the order of the alphabet, each once, each with what it means", () => {
    const names = TRADE_WORDS.map((w) => w.word);
    expect(names).toEqual([...new Set(names)].sort((a, b) => a.localeCompare(b)));
    for (const { means } of TRADE_WORDS) expect(means).toMatch(/^[A-Z].*\.$/);
  });

  it("every word is used by a system of the library, and every system uses some", () => {
    const shelf = readShelf().map(({ slug, system }) => [slug, wordsIn(system).map((w) => w.word)] as const);
    const used = new Set(shelf.flatMap(([, words]) => words));
    expect(TRADE_WORDS.map((w) => w.word).filter((w) => !used.has(w))).toEqual([]);
    for (const [slug, words] of shelf) expect(words.length, slug).toBeGreaterThanOrEqual(5);
  });
});
