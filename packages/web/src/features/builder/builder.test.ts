import { readFileSync } from "node:fs";
import { Text } from "@codemirror/state";
import { loadSystem, VERBS } from "@lodrin/core";
import { describe, expect, it } from "vitest";
import { completionsAt } from "./text/completions.js";
import { LINE_WORDS } from "./text/line-words.js";
import { newSystem, STARTERS } from "./starters/starters.js";
import { HELP } from "./panels/help-pages.js";
import { diagnosticOf } from "./text/problems.js";

const [FRAME] = STARTERS;
if (!FRAME) throw new Error("no starter");
const NEW_SYSTEM = newSystem(FRAME, { title: "", garment: "block", unit: "cm", tape: "1mm" });

const shirt = readFileSync("systems/08-menswear-flat-shirt-block.lodrin", "utf8");

describe("a new system", () => {
  it("has nothing to mend, and draws", () => {
    const { problems, plan } = loadSystem(NEW_SYSTEM);
    expect(problems).toEqual([]);
    expect(plan.steps.length).toBeGreaterThan(4);
  });
});

it("the help has a section with its drawing for every way of placing a point", () => {
  for (const word of VERBS.keys()) {
    const section = HELP.find((h) => h.page === "verbs" && h.word === word);
    expect(section?.text.length, word).toBeGreaterThan(20);
    expect(section?.drawings.length, word).toBeGreaterThan(0);
  }
});

describe("completion", () => {
  const loaded = loadSystem(shirt);
  const labels = (before: string): string[] => completionsAt(before, loaded).map((c) => c.label);

  it("offers what may stand there", () => {
    expect(labels("  ma")).toEqual(LINE_WORDS);
    expect(labels("#60 do")).toContain("down");
    expect(labels("#60 do")).not.toContain("measure");
    expect(labels("#60 down scye_de")).toEqual(expect.arrayContaining(["scye_depth", "#12", "armhole", "max"]));
  });

  it("knows every word that begins a line of the library", () => {
    const first = shirt.split("\n").flatMap((line) => /^[ ]{0,2}([a-z]+)\s/.exec(line)?.[1] ?? []);
    expect([...new Set(first)].filter((word) => !LINE_WORDS.includes(word) && !/^(shaped|nape|top)$/.test(word))).toEqual([]);
  });
});

describe("a problem in the editor", () => {
  const text = shirt.replace("scye_depth + scye_ease", "scye_dept + scye_ease");
  const [problem] = loadSystem(text).problems;
  if (!problem) throw new Error("no problem");

  it("is marked under its words, and offers the line as it should stand", () => {
    const { from, to, actions, message } = diagnosticOf(problem, Text.of(text.split("\n")));
    expect(text.slice(from, to)).toBe("scye_dept");
    expect(message).toContain("scye_depth");
    expect(actions?.[0]?.name).toContain("scye_depth + scye_ease");
  });

  it("of a text that has grown shorter meanwhile lies within it", () => {
    const { from, to } = diagnosticOf(problem, Text.of(["short"]));
    expect(from).toBeLessThanOrEqual(to);
    expect(to).toBeLessThanOrEqual(5);
  });
});
