import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { applyEdits } from "../edit/line-edit.js";
import { loadSystem, type LoadedSystem } from "../plan/load.js";
import { amountSaid } from "./definitions.js";
import { BED, corpusRows } from "../test/sentences.js";
import { groundOf } from "./ground/ground.js";
import { linesToMend, takeMends } from "./mends.js";
import { quickReading } from "./quick.js";
import { readSentence } from "./read-sentence.js";
import { readText } from "./read-text.js";
import { tokensOf } from "./words/tokens.js";

const ground = groundOf(BED);
const read = (sentence: string): ReturnType<typeof readSentence> => readSentence(sentence, BED, {}, { ground });
/** The statements a sentence is read to, without the sentence that stays with them. */
const rules = (sentence: string): string[] =>
  read(sentence).readings[0]?.puts.flatMap(({ lines }) => lines.map((line) => line.replace(/\s+"[^"]*"$/, ""))) ?? [];

describe("the words of a sentence", () => {
  it.each([
    ['Down 2½" from 6', ["down", "2 1/2", '"', "from", "6"]],
    ["1–13 down = back_length ÷ 3 + 1,5 cm", ["1", "-", "13", "down", "=", "back_length", "/", "3", "+", "1.5", "cm"]],
    ["that's F9, 1, 2 and 3/8", ["that", "is", "F9", ",", "1", ",", "2", "and", "3/8"]],
    ["1 1/4 in. out", ["1 1/4", "in", ".", "out"]],
  ])("%s", (sentence, words) => expect(tokensOf(sentence).map(({ text }) => text)).toEqual(words));

  it("each stands where it was typed", () => {
    const sentence = "Square down from #3, 2 ¾ inches.";
    for (const { from, to, text } of tokensOf(sentence))
      expect(sentence.slice(from, to).toLowerCase().replace("#", "").replace(" ¾", " 3/4")).toBe(text);
  });
});

describe("an amount said in words", () => {
  it.each([
    ["a quarter of the bust plus 1/2 inch", "bust/4 + 1/2"],
    ["a quarter of the bust, minus 1/2 inch", "bust/4 - 1/2"],
    ["three eighths of an inch", "3/8"],
    ["two and a quarter", "2 1/4"],
    ["an inch and a half", "1 1/2"],
    ["four point five centimetres", "4.5cm"],
    ["twice 1–5", "2*dist(#1, #5)"],
    ["the difference between hip and waist, divided by eight", "(hip - waist)/8"],
    ["half the waist plus the ease, the whole divided by two", "(waist/2 + ease)/2"],
    ["10 percent of the back length", "0.1*back_length"],
    ["a quarter of the bust, which is nine, plus one", "bust/4 + 1"],
    ["the length of the back armhole", "len(armhole)"],
    ["a sixth of the head", "¤head/6"],
  ])("%s is %s", (said, formula) => expect(amountSaid(said, ground)).toBe(formula));

  it.each([
    "half the waist plus one inch divided by two",
    "a twelfth of the bust less an eighth",
    "the bust line",
    "the neck depth",
    "a third of an inch less",
    "something nobody measures",
    "",
  ])("“%s” is none, or can be meant in two ways", (said) => expect(amountSaid(said, ground)).toBeUndefined());
});

describe("every word counts", () => {
  it("what is not understood is named where it stands, and nothing is put in", () => {
    const sentence = "Square down from 4 the wibble of the bust.";
    const { status, readings, leftover } = read(sentence);
    expect([status, readings]).toEqual(["refused", []]);
    for (const { text, from, to } of leftover) expect(sentence.slice(from, to)).toBe(text);
    expect(leftover.map(({ text }) => text)).toContain("wibble");
  });

  it.each([
    ["Draw a smooth curve through 5, 77 and 8.", "There is no point 77."],
    ["Square down three inches from 44.", "There is no point 44."],
    ["Go out the elbow length from 7.", "There is no elbow length here. Add it as a measurement first."],
    ["Draw a straight line from 8 to 8.", "One point makes no line."],
    ["Close the neck dart and open it at 6.", "There is no neck dart here."],
  ])("%s %s", (sentence, why) => expect(read(sentence)).toMatchObject({ status: "refused", said: why, readings: [] }));

  it.each([
    ["Mark three inches from 8.", "Which way?"],
    ["Put a dart at 8 pointing to 10.", "How wide is the dart?"],
    ["come in one inch from 6 and call that 5", "There is a point 5 already. Shall it have the next free number?"],
    ["In 5 from 6.", "Is 5 a length, or the point 5?"],
    ["Divide 1 to 5 into equal parts.", "Into how many parts?"],
  ])("%s asks: %s", (sentence, question) => expect(read(sentence)).toMatchObject({ status: "ask", said: question }));

  it("a number with a unit, or behind wide and long, is no point", () => {
    expect(rules("Draw a dart at F4, 1 inch wide and 5 inches long.")).toEqual([
      "F9 up 5 from F4",
      'dart dart "Dart": at F4, intake 1 to F9',
    ]);
    expect(rules("Drop a perpendicular from 6 to the line 1-2.")).toEqual(["#13 square from #6 to #1-#2"]);
  });

  it("the points of a sentence have the names it gives, her words stay to the letter, and an inch stays an inch", () => {
    const [meant] = read('From 4 come down 3/8" and mark 22.').readings;
    expect(meant?.puts.flatMap(({ lines }) => lines)).toEqual(['#22 down 3/8 from #4  "From 4 come down 3/8″ and mark 22."']);
  });

  it("several sentences become several statements; what was taken back is not laid off", () => {
    expect(rules("Square out from 2, 3 inches. Then square down 2 inches.")).toEqual(["#13 out 3 from #2", "#14 down 2 from #13"]);
    expect(rules("go in from 4 one inch, no sorry, one and a half, that's 13")).toEqual(["#13 in 1 1/2 from #4"]);
    // "That is 22" names the point; "which is nine" says what it comes to.
    expect(rules("From 4 come down two and a half, that's 22, then square across to the centre back")[0]).toBe("#22 down 2 1/2 from #4");
    expect(rules("come down four inches from 3, no, five inches, and mark 13")).toEqual(["#13 down 5 from #3"]);
  });

  it("what is said in brackets stands beside the rule", () => {
    expect(read("13. From 1 down 4 in. (from 1, never from 5!)").readings[0]?.puts[0]?.lines.at(-1)).toBe(
      '  watch "From 1, never from 5."',
    );
  });

  it("of each group of words it is told what it was taken for", () => {
    const sentence = "Square down from point 3 three quarters of the back length.";
    const taken = read(sentence).readings[0]?.taken.map(({ from, to, as }) => [sentence.slice(from, to), as]);
    expect(taken).toEqual(expect.arrayContaining([["from point 3", "from #3"]]));
    expect(taken?.some(([, as]) => as === "3*back_length/4")).toBe(true);
  });
});

describe("whatever is said", () => {
  const rows = corpusRows("corpus.tsv");
  const words = rows.flatMap(({ sentence }) => sentence.split(" "));
  const garbled = fc.oneof(
    fc.string(),
    fc.array(fc.constantFrom(...words), { maxLength: 14 }).map((list) => list.join(" ")),
    fc.tuple(fc.constantFrom(...rows), fc.nat({ max: 12 })).map(([{ sentence }, n]) => sentence.split(" ").slice(0, n).join(" ")),
    fc.tuple(fc.constantFrom(...rows), fc.constantFrom(...rows)).map(([a, b]) => `${a.sentence.slice(0, 30)} ${b.sentence.slice(15)}`),
  );

  it("it never throws, and what is put in can be drafted", { timeout: 120_000 }, () => {
    fc.assert(
      fc.property(garbled, (sentence) => {
        const { status, readings } = read(sentence);
        if (status === "read") expect(readings).toHaveLength(1);
        for (const { loaded } of readings) expect(loaded.problems).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  it.each(["constructor", "toString 1 2", "Join __proto__ to hasOwnProperty.", "valueOf: 2", "Square down from prototype, 3."])(
    "“%s” is made of words like any others",
    (sentence) => expect(["refused", "ask"]).toContain(read(sentence).status),
  );

  it("a text without end is no sentence", () => {
    for (const word of ["half ", "(", "a quarter bust plus ", " "]) expect(read(word.repeat(20_000)).status).toBe("refused");
  });
});

describe("the quick line", () => {
  const last = BED.system.statements.length - 1;
  const lines = (typed: string, after = last): readonly string[] | undefined => quickReading(typed, BED, {}, after)?.lines;

  it("takes a line of the notation, a rule without its number, or a sentence; a rule gets its sentence", () => {
    expect(lines("set more = 2 from 1 to 3")).toEqual(["set more = 2 from 1 to 3"]);
    expect(lines("#30 down 2 from #1")).toEqual(['#30 down 2 from #1  "Square down from 1, 2 inches."']);
    expect(lines("down bust/4 from #1", 11)).toEqual(['#13 down bust/4 from #1  "Square down from 1, a quarter of the bust."']);
    expect(lines("Down from 1, a quarter of the bust")).toEqual(['F9 down bust/4 from F1  "Down from 1, a quarter of the bust."']);
    expect(lines("no such thing")).toEqual([]);
    expect(lines("  ")).toBeUndefined();
  });

  it("goes on from the step it stands behind, and puts each statement where its like is", () => {
    const at = BED.system.statements.findIndex((s) => s.is === "point" && s.id === "6");
    const quick = quickReading("It comes down two inches, to taste between 1 and 3.", BED, {}, at);
    const text = applyEdits(BED.read.source, quick?.edits ?? []).split("\n");
    expect(text[text.findIndex((line) => line.startsWith("#6 ")) + 1]).toMatch(/^#13 down to_taste from #6/);
    expect(text[text.findIndex((line) => line.startsWith("set dart_width")) + 1]).toMatch(/^set to_taste = 2 from 1 to 3/);
  });
});

describe("a rule typed where no line is open", () => {
  it("goes to the board its point lies on, not to the last one", () => {
    const put = quickReading("#30 down 2 from #1", BED, {}, BED.system.statements.length - 1)?.edits ?? [];
    const lines = applyEdits(BED.read.source, put).split("\n");
    const last = lines.findIndex((line) => line.startsWith("board F"));
    expect(last).toBeGreaterThan(0);
    expect(lines.findIndex((line) => line.startsWith("#30 "))).toBeLessThan(last);
    // What stands on the last board stays there.
    const there = quickReading("F9 down 2 from F1", BED, {}, BED.system.statements.length - 1)?.edits ?? [];
    expect(
      applyEdits(BED.read.source, there)
        .split("\n")
        .findIndex((line) => line.startsWith("F9 ")),
    ).toBeGreaterThan(last);
  });
});

describe("what was once read as something else", () => {
  it.each([
    // A verb or a linking word was taken for the name of a line.
    ["Swing the back armhole from 1 to the level of 2.", []],
    ["Where the line 1-2 is the back length down.", []],
    ["On the line 3-4, 2 inches below the level of 1.", ["#13 on #3-#4 at 2 down"]],
    ["On the line 5-6, 1 inch out from the upright through 1.", ["#13 on #5-#6 at 1 out"]],
    // The side for who faces the end of the line was taken for a side of the paper.
    ["From 5 square to the line 5-6, 1 inch to the right hand facing 6.", ["#13 off #5-#6 at #5, 1 right"]],
    ["From 6 square to the line 5-6, 1 inch to the right hand facing 5.", ["#13 off #5-#6 at #6, 1 left"]],
    // Beyond the centre is the other half, whichever way is level.
    ["From 2 level in, beyond the centre, by half an inch.", ["#13 in 1/2 from #2"]],
    ["Level from 2 beyond the centre by half an inch.", ["#13 in 1/2 from #2"]],
    ["The same place as 5.", ["#13 trace #5"]],
    // What is gone through lies between, though it is said last.
    ["Shape the armhole from 6 to 8 through 7.", ["curve new_armhole: #6 > #7 > #8, like armhole_back"]],
    // The level of a point was taken for the point, and half an inch for a way in.
    [
      "From 5 square out 2 inches. Square down from 3 to the level of 2 and call it 30.",
      ["#31 out 2 from #5", "#30 down from #3 to line across from #2"],
    ],
    ["1 to 30 is a quarter of the bust plus 1/2 in, square across from 1.", ["#30 out bust/4 + 1/2 from #1"]],
    ["From 5 square to the line 5-6, 1 inch to the right-hand side facing 6.", ["#13 off #5-#6 at #5, 1 right"]],
    // An instruction was taken for a note, and kept without being drawn.
    ["Remember, square down 3 inches from 2.", []],
    // A line of which no end is said, and an arc that meets nothing yet.
    ["Square a guideline across from 8.", ["line guide_8: line across from #8"]],
    ["Square across from 8, a long line, and call it the hip line.", ["line hip_line: line across from #8"]],
    ["Draw a line across from 10 to the side.", ["#13 across from #10 to side"]],
    ["Swing an arc of 8 inches from 3.", ["arc arc: 8 about #3"]],
    [
      "With 3 as centre, swing an arc of 10 inches; where it meets the line from 5 straight down, the lower place, is 30.",
      ["arc arc: 10 about #3", "#30 cross arc with line down from #5, the lower"],
    ],
    ["Swing an arc of 8 inches from 3. Where the arc crosses 1-2 is 30.", []],
    [
      "Cut Back along the neck into Yoke and Lower back, with 1/2 inch allowance on the cut.",
      ["shape split Back along neck into Yoke and Lower_back, allow 1/2"],
    ],
    // Where it starts from was passed over for a number that could be a point.
    ["From 5 go 2 in and then 3 down.", []],
    ["From 1 down 8, 16 and 24 inches mark 13, 14 and 15.", []],
    // A number of the list, or the name behind a colon, was taken for a length.
    ["Step 4: From 4 measure up 3 inches = 13.", ["#13 up 3 from #4"]],
    ["From 7, at right angles to the centre back, go to the centre back: 13.", []],
    ["Going up from 9, measure seven inches and set 13 there.", ["#13 up 7 from #9"]],
    // What is there already is changed at its own line.
    ["Remove the shoulder dart.", []],
    ["Move 5 up by a quarter.", []],
    ["The waist dart is pressed toward the centre.", []],
    // What a line is for is its name.
    ["Draw a curve from 6 to 8 for the underarm.", ["curve underarm: #6 > #8"]],
    // The waist line is a place and no length, "round the curve" is a way and no remark, and "to the side" is as far as the side.
    ["Square up off the waist line at 9.", []],
    ["Go round the curve from 6 towards 8 by two inches.", []],
    [
      "From the nape down the centre back lay off half the back length and square across to the side.",
      ["#13 down back_length/2 from #1", "#14 across from #13 to side"],
    ],
  ])("%s", (sentence, lines) => expect(rules(sentence)).toEqual(lines));

  it("a number at the end of a sentence is the name of its point, on a board whose points have its letter too", () => {
    const board = groundOf(BED, "F");
    const meant = readSentence("Square down from 5 two inches for the tip, 7.", BED, {}, { ground: board }).readings[0]?.puts ?? [];
    expect(meant.flatMap(({ lines }) => lines)).toEqual(['F7 down 2 from F5  "Square down from 5 two inches for the tip, 7."']);
  });
});

describe("a handout from nothing", () => {
  const HANDOUT = [
    "You need: bust, shoulder length",
    "Back",
    "1. Begin at 1 in the top left corner.",
    "2. Square down from 1 sixteen inches and mark 2.",
    "3. Square across from 1 a quarter of the bust plus 1/2 inch; mark 3.",
    "4. From 3 square down to the level of 2 and mark 4.",
    "5. From 1 square out one twelfth of the bust for 5.",
    "6. Frobnicate the flux.",
    "Join 1, 2 and 4.",
    "Caution: mind the blade.",
  ].join("\n");

  it("headings, measurements, lists and cautions find their places; what is not understood holds nothing else up", () => {
    const { sentences, loaded } = readText(HANDOUT, { unit: "in" });
    expect(sentences.filter(({ status }) => status !== "read").map(({ sentence }) => sentence)).toEqual(["6. Frobnicate the flux."]);
    expect(loaded.problems).toEqual([]);
    expect([...loaded.plan.scope.points.keys()]).toEqual(["1", "2", "3", "4", "5"]);
    expect(loaded.system.statements.filter((s) => s.is === "board").map((s) => s.title)).toEqual(["Back"]);
    expect(loaded.system.statements.filter((s) => s.is === "caution")).toHaveLength(1);
  });

  it("notes stand beside the step before them, as it is read line by line and as it is taken in one go", () => {
    const text = [
      "Note: all figures are net.",
      "1. Start at 1.",
      "Tip: leave paper above it.",
      "2. Square down from 1, 3 inches, mark 2.",
      "Watch out: from the nape, not from the neck.",
      "Materials: paper and a long ruler.",
    ].join("\n");
    const from = loadSystem('system "Try"\n  unit in\nboard A "Back"\n');
    const beside = ({ system }: LoadedSystem): unknown =>
      system.statements.flatMap((s): unknown[] => (s.is === "point" ? [[s.id, s.why, s.watch]] : s.is === "lesson" ? [s.text] : []));
    const wanted = expect.arrayContaining([
      ["1", ["Leave paper above it."], undefined],
      ["2", undefined, ["From the nape, not from the neck."]],
      "Note: all figures are net.",
      "Materials: paper and a long ruler.",
    ]) as unknown;
    expect(beside(readText(text, { into: from }).loaded)).toEqual(wanted);
    const pasted = loadSystem(`${from.read.source}${text}\n`);
    const taken = loadSystem(applyEdits(pasted.read.source, takeMends(pasted.read, linesToMend(pasted))));
    expect(taken.problems).toEqual([]);
    expect(beside(taken)).toEqual(wanted);
  });

  it("what is asked for on another board is said to be impossible, with what to do", () => {
    const { status, said } = read("Repeat all this for the front.");
    expect([status, said]).toEqual(["refused", expect.stringContaining("begin a board “front”")]);
  });

  it("a point of the front may have the number of one of the back", () => {
    const back = readText("Back\nStart at 1.\n", { unit: "in" }).loaded;
    const { loaded } = readText("Front\nStart at 1.\nDown from 1, 3 inches, mark 2.\n", { into: loadSystem(back.read.source) });
    expect([...loaded.plan.scope.points.keys()]).toEqual(["1", "F1", "F2"]);
  });
});
