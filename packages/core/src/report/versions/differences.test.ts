import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readNotation } from "../../system/notation/read.js";
import { NOTATIONS } from "../../test/shelf.js";
import { differencesOf } from "./differences.js";

const TEXT = `system "Try"
  unit cm

measure chest girth 70..140  "Round the chest."
set ease = 2 from 0 to 6  "What is added."
board A "Front"
#0 start  "Start."
#1 down 40 from #0  "Down from 0."
  watch "Not from the edge."
#2 out chest/4 + ease from #0  "Out from 0."
line side: #1 > #2
check "Wide enough": len(side) >= 20
`;
const says = (before: string, after: string): string[] =>
  differencesOf(readNotation(before).system, readNotation(after).system).map((d) => d.says);

describe("what a later version has otherwise", () => {
  it("is nothing where only comments and blanks changed", () => {
    expect(says(TEXT, `# said\n${TEXT.replace("#1 down 40", "#1   down  40")}`)).toEqual([]);
    for (const text of Object.values(NOTATIONS)) expect(says(text, text)).toEqual([]);
  });

  it.each([
    ["chest/4 + ease from", "chest/4 + 3 from", ["Step 2: #2 out chest/4 + 3 from #0; before: #2 out chest/4 + ease from #0."]],
    ['"Out from 0."', '"Square out from 0."', ["Step 2 says now: “Square out from 0.”"]],
    ["ease = 2", "ease = 3", ["The setting ease: set ease = 3 from 0 to 6; before: set ease = 2 from 0 to 6."]],
    ['  watch "Not from the edge."\n', "", ['Step 1 has no more: watch "Not from the edge.".']],
    ["line side: #1 > #2\n", 'line side: #1 > #2\n#3 down 3 from #2  "Lower."\n', ["Step 3 is new: “Lower.”"]],
    ['check "Wide enough": len(side) >= 20\n', "", ['The check “Wide enough” is gone: check "Wide enough": len(side) >= 20.']],
    ['system "Try"', 'system "Tried"', ["The title is now “Tried”; before: “Try”."]],
  ])("%s → %s", (from, to, wanted) => expect(says(TEXT, TEXT.replace(from, to))).toEqual(wanted));

  it("tells another order once", () => {
    const moved = TEXT.replace('#1 down 40 from #0  "Down from 0."\n  watch "Not from the edge."\n', "").replace(
      "line side",
      '#1 down 40 from #0  "Down from 0."\n  watch "Not from the edge."\nline side',
    );
    expect(says(TEXT, moved)).toEqual(["From step 2 on, lines stand in another order."]);
  });

  it("never throws, and tells a change of any line of the library", () => {
    const lines = (NOTATIONS["13-short-set-in-sleeve"] ?? "").split("\n");
    const source = lines.join("\n");
    fc.assert(
      fc.property(fc.nat({ max: lines.length - 1 }), (at) => {
        const text = [...lines.slice(0, at), ...lines.slice(at + 1)].join("\n");
        const [a, b] = [readNotation(source).system, readNotation(text).system];
        const same = JSON.stringify(a) === JSON.stringify(b);
        expect(differencesOf(a, b).length > 0).toBe(!same);
      }),
      { numRuns: 80 },
    );
  });
});
