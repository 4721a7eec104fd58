import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { applyEdits } from "../edit/line-edit.js";
import { loadSystem } from "../plan/load.js";
import { run } from "../run/run.js";
import { sampleBody } from "../run/sample.js";
import { readNotation } from "../system/notation/read.js";
import { NOTATIONS } from "../test/shelf.js";
import { amountOf } from "./amount.js";
import { BLOCK_HANDOUT } from "./fixtures/block-handout.js";
import { SLEEVE_HANDOUT } from "./fixtures/sleeve-handout.js";
import { linesToMend, quickLines, takeProposal } from "./handout.js";
import { knownAt } from "./known.js";
import { numberedLine } from "./numbered.js";
import { propose } from "./propose.js";

const TEXT = `system "Try"
  garment sleeve · unit in

measure bust girth 28..60
measure back_waist length 13..19
set dart = 1 from 0 to 2
value cap = bust/12
board F "Front" · centre fold
F0 start
F1 down 4 from F0
F2 out 3 from F1
F6 out 1 from F2
line shoulder_line: F0 > F2
`;
const { system } = readNotation(TEXT);
const known = knownAt(system);

describe("an amount said in words", () => {
  it.each([
    ["a quarter bust plus 1/2 inch", "bust/4 + 1/2"],
    ["a quarter of the bust and half an inch", "bust/4 + 1/2"],
    ["half the dart", "dart/2"],
    ["1/4 bust less 1 1/2", "bust/4 - 1 1/2"],
    ["the cap height", "cap"],
    ["back waist length", "back_waist"],
    ["two thirds of the cap", "cap*2/3"],
    ["twice the dart", "dart*2"],
    ["bust ÷ 12 + 1/2", "bust/12 + 1/2"],
    ["2 cm", "2cm"],
    ["an inch", "1"],
    ["three quarters of an inch", "3/4"],
    ["1 and 1/2 inches", "1 1/2"],
    ["half of F1–F2", "dist(F1, F2)/2"],
  ])("%s is %s", (said, formula) => expect(amountOf(said, known)?.formula).toBe(formula));

  it("takes a measurement that people know and the system has not yet, and says so", () => {
    expect(amountOf("a sixth of the hip", known)).toEqual({ formula: "hip/6", needs: ["hip"] });
  });

  it.each(["something nobody measures", "", "half", "the distance to the moon", "1/2 of"])("“%s” is none", (said) =>
    expect(amountOf(said, known)).toBeUndefined(),
  );
});

describe("the number of a line", () => {
  it.each([
    ["4. Square out", "4", "Square out"],
    ["A1 Start", "A1", "Start"],
    ["1 Start", "1", "Start"],
    ["Pt 1 Start", "1", "Start"],
    ["Point 12: down", "12", "down"],
    ["(3) down", "3", "down"],
    ["#7 down", "7", "down"],
    ["16. 2 inches down from 4", "16", "2 inches down from 4"],
    ["2 inches down from 4", undefined, "2 inches down from 4"],
    ["1 1/2 down from 4", undefined, "1 1/2 down from 4"],
    ["- 5 Midway", "5", "Midway"],
  ])("%s", (line, number, said) => expect(numberedLine(line)).toEqual({ number, said }));
});

describe("a plain sentence", () => {
  it.each([
    [
      "4. Square out from 2, a quarter bust plus 1/2 inch",
      ['F4 out bust/4 + 1/2 from F2  "Square out from 2, a quarter bust plus 1/2 inch."'],
    ],
    [
      "mark half the dart on both sides of F6",
      [
        'F7 out dart/2 from F6  "Mark half the dart on both sides of F6."',
        'F8 in dart/2 from F6  "Mark half the dart on both sides of F6."',
      ],
    ],
    [
      "9 Mark half the dart to either side of 6",
      [
        'F9 out dart/2 from F6  "Mark half the dart to either side of 6."',
        'F9b in dart/2 from F6  "Mark half the dart to either side of 6."',
      ],
    ],
    ["Halfway between 1 and 2", ['F7 midway F1 to F2  "Halfway between 1 and 2."']],
    ["A third of the way from 1 to 2", ['F7 part 1/3 from F1 to F2  "A third of the way from 1 to 2."']],
    ["From 1 go down the cap height", ['F7 down cap from F1  "From 1 go down the cap height."']],
    ["2 inches up from 1", ['F7 up 2 from F1  "2 inches up from 1."']],
    ["Mirror 2", ['F7 mirror F2 in line down from F0  "Mirror 2."']],
    ["Mirror 2 over F0–F1", ['F7 mirror F2 in F0-F1  "Mirror 2 over F0–F1."']],
    ["Square from 1 to the shoulder line", ['F7 square from F1 to shoulder_line  "Square from 1 to the shoulder line."']],
    ["From 1 towards 2, an inch", ['F7 toward F2, 1 from F1  "From 1 towards 2, an inch."']],
    ["Where 0–2 crosses 1–6", ['F7 cross F0-F2 with F1-F6  "Where 0–2 crosses 1–6."']],
    ["Join 1 and 2: the waist line", ['line waist: F1 > F2  "Join 1 and 2: the waist line."']],
    ["Draw the neck curve from 1 through 2 to 6", ['curve neck: F1 > F2 > F6  "Draw the neck curve from 1 through 2 to 6."']],
    ["Board: back, on the fold", ['board B "Back" · centre fold']],
    ["Hip: 30 to 62, round the fullest part", ['measure hip girth 30..62  "Round the fullest part."']],
    ["Ease: 1/2, from 0 to 2. What a quarter gets", ['set ease = 1/2 from 0 to 2  "What a quarter gets."']],
    ["Slope = bust/20", ['value slope = bust/20  "Slope = bust/20."']],
  ])("%s", (sentence, lines) => {
    expect(propose(sentence, known, "F7")?.lines).toEqual(lines);
    const { problems } = loadSystem(`${TEXT}${lines.join("\n")}\n`);
    expect(problems).toEqual([]);
  });

  it.each(["Press the seam open", "Down from 99, one inch", "Out from 2, the thickness of the cloth", "Bust", ""])(
    "“%s” is left as it is",
    (sentence) => expect(propose(sentence, known, "F7")).toBeUndefined(),
  );

  it("never throws, and what it proposes is always read", () => {
    const words = fc.constantFrom(
      "down",
      "from",
      "1",
      "F2",
      "half",
      "the",
      "bust",
      "midway",
      "and",
      ":",
      "curve",
      "square",
      "to",
      '"',
      "(",
      "mirror",
      "=",
      "1/2",
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(words, { maxLength: 9 }).map((w) => w.join(" ")),
        ),
        (sentence) => {
          const lines = propose(sentence, known, "F7")?.lines ?? [];
          const { system: read } = readNotation(`${TEXT}${lines.join("\n")}\n`);
          expect(read.statements.filter((s) => s.is === "unread")).toEqual([]);
        },
      ),
      { numRuns: 500 },
    );
  });
});

describe("the quick line", () => {
  it("takes a line as it is typed, a rule without its number, or a plain sentence", () => {
    const last = system.statements.length - 1;
    expect(quickLines("F9 down 2 from F1", system, last)).toEqual(["F9 down 2 from F1"]);
    expect(quickLines("down bust/4 from F1", system, last)).toEqual(["F7 down bust/4 from F1"]);
    expect(quickLines("Down from 1, a quarter bust", system, last)).toEqual(['F7 down bust/4 from F1  "Down from 1, a quarter bust."']);
    expect(quickLines("no such thing", system, last)).toEqual(["no such thing"]);
    expect(quickLines("  ", system, last)).toEqual([]);
  });
});

describe("a whole handout in plain sentences", () => {
  it.each([
    ["13-short-set-in-sleeve", SLEEVE_HANDOUT, 15],
    ["18-block-waist-and-side-dart", BLOCK_HANDOUT, 57],
  ])("becomes %s: every point where the library's lies, on three bodies", (slug, handout, points) => {
    let text = handout;
    for (let n = 0; n < 200; n++) {
      const loaded = loadSystem(text);
      const next = linesToMend(loaded).find((line) => line.lines);
      if (!next) break;
      text = applyEdits(text, takeProposal(loaded.read, next));
    }
    const mine = loadSystem(text);
    expect(mine.problems).toEqual([]);
    const theirs = loadSystem(NOTATIONS[slug] ?? "");
    expect(mine.plan.scope.points.size).toBe(points);
    for (const share of [0.3, 0.5, 0.7]) {
      const body = sampleBody(theirs.plan, share);
      const [a, b] = [run(mine.plan, body), run(theirs.plan, body)];
      expect(a.missing).toEqual([]);
      for (const [id, at] of mine.plan.scope.points) {
        const other = b.frame.points[theirs.plan.scope.points.get(id) ?? -1];
        const here = a.frame.points[at];
        expect(Math.hypot((here?.x ?? 0) - (other?.x ?? NaN), (here?.y ?? 0) - (other?.y ?? NaN)), `${id} at ${share}`).toBeLessThan(1e-6);
      }
    }
  });
});
