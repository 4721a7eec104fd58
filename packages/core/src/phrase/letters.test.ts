import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import { pointOnBoard } from "../report/drawn-steps.js";
import { run } from "../run/run.js";
import { readSentence } from "./read-sentence.js";
import { readText } from "./read-text.js";

const HANDOUT = `Bodice by letters

You need: bust, nape to waist, shoulder length.

Back
1. Mark A at the top left corner of the paper.
2. Square down from A the nape to waist. Call this B.
3. A to C is a quarter of the bust plus 1/2 in, square across from A.
4. Square down from C to the level of B and call it D.
5. Join B to D.
6. E is halfway between A and B.
7. Square across from E to line CD for F.
8. From A measure across 3 in and mark G. Raise G by 3/4 in to H.
9. Draw the back neck curve from A to H.
10. HJ = 5 inches, at 20 degrees below the level.
11. Draw a curve from J to F for the armhole.
12. M = midpoint of BD.
13. Draw a waist dart centred on M, 1 inch wide and 5 inches long, pointing up.`;

/** Statements without their sentences. */
const lines = (handout: string): string[] =>
  readText(handout, { unit: "in" }).sentences.flatMap(({ readings, status }) =>
    status === "read" ? (readings[0]?.puts ?? []).flatMap((put) => put.lines.map((line) => line.replace(/\s+"[^"]*"$/, ""))) : ["?"],
  );

const BED = `system "Letters"
  garment block · unit in
measure bust girth 30..52 "Round the fullest part."
board B "Back" · centre fold
#A start "Nape."
#B down 16 from #A "Waist."
#C out bust/4 from #A "Width."
#D down from #C to line across from #B "Side."
#E midway #A to #B
`;

describe("points that are called by letters alone", () => {
  it("a whole handout is read, its list numbers are no points, and its first line is the title", () => {
    expect(lines(HANDOUT)).toEqual([
      "system",
      "measure bust girth 18..67",
      "measure back_waist length 7..22",
      "measure shoulder_length length 2..9",
      `board B "Back" · centre fold`,
      "#A start",
      "#B down back_waist from #A",
      "#C out bust/4 + 1/2 from #A",
      "#D down from #C to line across from #B",
      "line line_b_d: #B > #D",
      "#E midway #A to #B",
      "#F across from #E to #C-#D",
      "#G out 3 from #A",
      "#H up 3/4 from #G",
      "curve back_neck: #A > #H, like back_neck",
      "#J at 20, 5 from #H",
      "curve armhole: #J > #F, like armhole_back",
      "#M midway #B to #D",
      "#N up 5 from #M",
      'dart waist_dart "Waist dart": at #M, intake 1 to #N',
    ]);
  });

  it("its first line is understood where the system has that title already", () => {
    const into = loadSystem('system "Bodice by letters"\n  garment block · unit in\n');
    const [first] = readText(HANDOUT, { into }).sentences;
    expect([first?.status, first?.readings[0]?.puts]).toEqual(["read", []]);
  });

  it("the draft of it stands where its figures say", () => {
    const { loaded } = readText(HANDOUT, { unit: "in" });
    expect(loaded.problems).toEqual([]);
    const { plan } = loaded;
    const drafted = run(plan, { bust: "36", back_waist: "16", shoulder_length: "5" });
    const at = (id: string) => pointOnBoard(plan, drafted, id);
    // 36/4 + 1/2 = 9 1/2 in across, and half of 16 in down.
    expect(at("F")?.x).toBeCloseTo(9.5 * 25.4, 9);
    expect(at("F")?.y).toBeCloseTo(8 * 25.4, 9);
    // The dart stands at half the width: its legs half an inch to each side.
    expect(at("Ma")?.x).toBeDefined();
    expect(Math.abs((at("Ma")?.x ?? 0) - (at("Mb")?.x ?? 0))).toBeCloseTo(25.4, 9);
  });

  it.each([
    ["A third of the way from A to C is K.", "#K part 1/3 from #A to #C"],
    ["I square out from E 2 inches.", "#F out 2 from #E"],
    ['K is 3" above B.', "#K up 3 from #B"],
    ["AK = 2 inches, measured along AB.", "#K along #A-#B from #A, 2"],
    ["From D square down 3 inches.", "#F down 3 from #D"],
    ["A-K is one quarter of A-B.", "#K part 1/4 from #A to #B"],
  ])("%s", (sentence, rule) => {
    const { status, readings } = readSentence(sentence, loadSystem(BED));
    expect(status).toBe("read");
    expect(readings[0]?.puts.flatMap((put) => put.lines.map((line) => line.replace(/\s+"[^"]*"$/, "")))).toEqual([rule]);
  });

  it("a letter that is not placed is the fault that is named", () => {
    expect(readSentence("Square out from Z 2 inches.", loadSystem(BED)).said).toBe("There is no point Z.");
  });
});
