import { describe, expect, it } from "vitest";
import { loadSystem } from "../../plan/load.js";
import { run } from "../../run/run.js";

const HEAD = 'system "Try"\nboard M\nA0 start\nA1 down 1 from A0\n';
const many = (n: number, line: (i: number) => string): string => Array.from({ length: n }, (_, i) => line(i)).join("\n");

/** Texts made to keep a reader busy; none is longer than a megabyte. */
const TEXTS: Readonly<Record<string, string>> = {
  "blanks in a step": `${HEAD}A2 down${" ".repeat(10_000)}1 from A0\n`,
  "blanks in a formula": `${HEAD}value x = 1${" ".repeat(100_000)}+ 1\n`,
  "blanks in a thousand sentences": HEAD + `A2 down 1 from A0 "x${" ".repeat(900)}"\n`.repeat(1_000),
  "unknown names": HEAD + many(1_900, (i) => `B${i + 1} down no_such_name_as_this_${i} from A0`),
  "unknown points": HEAD + many(1_900, (i) => `B${i + 1} down 1 from Q${i}`),
  "unknown verbs": HEAD + many(1_900, (i) => `B${i + 1} dwon${i} 1 from A0`),
  "words that begin nothing": HEAD + "zz\n".repeat(300_000),
  "brackets never closed": HEAD + `value x = ${"(".repeat(1_900)}1\n`.repeat(400),
  "brackets in brackets": `${HEAD}value x = ${"(".repeat(1_900)}1${")".repeat(1_900)}\n`,
  "one long sum": `${HEAD}value x = 1${"+1".repeat(200_000)}\n`,
  "sums of two thousand terms": HEAD + `value x = 1${"+1".repeat(1_900)}\n`.repeat(250),
  "quotation marks": `${HEAD}${'"'.repeat(500_000)}\n`,
  "marks of inches": HEAD + `A2 down ${'1" '.repeat(1_200)}from A0\n`.repeat(250),
  "joining words": HEAD + `shape true Front.a to ${"and ".repeat(700)}\n`.repeat(250),
  "rows of a table": HEAD + `table t by b, steps: ${"under 3 -> 4 · ".repeat(200)}\n`.repeat(250),
  "empty lines": `${HEAD}${"\n".repeat(900_000)}`,
  "a grading of ten thousand steps": `set more number = 2 from 0 to 10000 "How many."\n${HEAD}grade by more, up to 10000, and the shifts indented below: A1: 1/8 out\n`,
  "a line of one point": `${HEAD}line l: A0\n`,
};

describe("no text keeps the program busy", () => {
  // What takes longer with the square of a text's length is still at it when the test's time is over.
  it.each(Object.entries(TEXTS))("%s", (_, text) => {
    expect(text.length).toBeLessThanOrEqual(1_000_000);
    const { plan } = loadSystem(text);
    expect(() => run(plan, {}).outcomes).not.toThrow();
  });

  it("what is not read for its length is told at its line, and kept", () => {
    const text = `${HEAD}A2 down${" ".repeat(200)}1 from A0\n`;
    const { problems, read } = loadSystem(text);
    expect(problems).toHaveLength(1);
    expect(problems[0]).toMatchObject({ line: 5, why: "There is a long run of blanks in this line.", fix: "Take the blanks out." });
    expect(read.system.statements.at(-1)).toMatchObject({ is: "unread" });
    expect(loadSystem(`${HEAD}# ${"x".repeat(5_000)}\n`).problems[0]).toMatchObject({
      line: 5,
      why: "This line is longer than 4000 letters.",
    });
  });

  it("a grading too large is refused where its number stands", () => {
    const points = ["A", "B"].map((letter) => many(60, (i) => `${letter}${i + 1} down ${i + 1} from A0`)).join("\n");
    const grading = `grade by more, up to 20\n  ${["A", "B"].flatMap((letter) => Array.from({ length: 60 }, (_, i) => `${letter}${i + 1}`)).join(", ")}: 1/8 out\n`;
    const { problems, plan } = loadSystem(
      `system "Try"\nset more number = 2 from 0 to 20 "How many."\nboard M\nA0 start\n${points}\n${grading}`,
    );
    expect(problems.map((p) => p.why)).toEqual(["So many steps of grading would draw 2520 points; 2000 are the most."]);
    expect(problems[0]?.line).toBe(125);
    expect(plan.steps).toHaveLength(121);
  });
});
