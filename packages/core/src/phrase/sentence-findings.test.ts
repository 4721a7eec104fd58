import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import { NOTATIONS } from "../test/shelf.js";
import { sentenceFindings } from "./sentence-findings.js";

const HEAD = `system "A"
  garment block · unit in
measure bust girth 30..50
board B "Back" · centre fold
#1 start
#2 down 10 from #1
#3 out 8 from #1
`;
const said = (line: string) => sentenceFindings(loadSystem(HEAD + line), {}).map(({ says }) => says);

describe("a sentence and its rule", () => {
  it.each([
    [
      '#4 out 1 from #2 "Square out from 2 three quarters of an inch."',
      "#4: the sentence says “out 3/4 from #2”, and the rule is “out 1 from #2”.",
    ],
    ['#4 out 3 from #1 "Out 3 inches from 2."', "#4: the sentence says “out 3 from #2”, and the rule is “out 3 from #1”."],
    ['#4 up 1 from #2 "From 2 come down one inch."', "#4: the sentence says “down 1 from #2”, and the rule is “up 1 from #2”."],
    [
      '#4 out bust/3 from #2 "A quarter of the bust, squared out from 2."',
      "#4: the sentence says “out bust/4 from #2”, and the rule is “out bust/3 from #2”.",
    ],
  ])("%s disagree", (line, finding) => expect(said(line)).toEqual([finding]));

  it.each([
    '#4 out 3/4 from #2 "Square out from 2 three quarters of an inch."',
    '#4 move #1 1 out, 2 down "From 1 go out one inch and down two."',
    '#4 out 1 from #2 "A little way out: side."',
    '#4 out 1 from #2 "Why this is so is a long story."',
    "#4 out 1 from #2",
  ])("%s agree, or the sentence leaves it to the rule", (line) => expect(said(line)).toEqual([]));

  it("a rule edited in the library is found, and nothing else is said of the system", () => {
    const text = NOTATIONS["20-child-bodice-with-grading"] ?? "";
    expect(sentenceFindings(loadSystem(text, NOTATIONS), NOTATIONS)).toEqual([]);
    const edited = text.replace("B4 out shoulder from B3", "B4 out shoulder + 1 from B3");
    expect(edited).not.toBe(text);
    expect(sentenceFindings(loadSystem(edited, NOTATIONS), NOTATIONS).map(({ code }) => code)).toEqual(["says-otherwise"]);
  });
});
