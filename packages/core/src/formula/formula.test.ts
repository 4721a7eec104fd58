import fc from "fast-check";
import { evaluate as mathjs } from "mathjs";
import { describe, expect, it } from "vitest";
import type { Kind } from "../quantity/kind.js";
import { compileAs } from "./compile.js";
import { diagnose } from "./diagnose.js";
import { FormulaError } from "./error.js";
import { explain } from "./explain.js";
import { inWords } from "./in-words.js";
import { parseFormula, parseLineRef, parsePointRef } from "./parse.js";
import { sayRule } from "./say.js";
import { type Environment, Scope } from "./scope.js";
import { suggest } from "./suggest.js";

interface Bench {
  readonly scope: Scope;
  readonly environment: Environment;
}

/** A small body: lengths in inches, plain numbers, one choice and one setting that may say auto. */
function bench(lengths: Record<string, number>, numbers: Record<string, number> = {}, unit: "in" | "cm" = "in"): Bench {
  const scope = new Scope(unit);
  const values = [1];
  const add = (key: string, kind: Kind, value: number): void => {
    scope.names.set(key, { kind, slot: scope.newSlot(), what: `The measurement ${key}` });
    values.push(value);
  };
  for (const [key, value] of Object.entries(lengths)) add(key, "length", value * (unit === "in" ? 25.4 : 10));
  for (const [key, value] of Object.entries(numbers)) add(key, "number", value);
  const wordSlot = scope.newSlot();
  values.push(1);
  scope.names.set("where", { kind: "choice", slot: wordSlot, what: "The choice where", words: ["top line", "nape"], wordSlot });
  scope.anywhere.add("later");
  scope.anywhere.add("#99");
  return {
    scope,
    environment: {
      slots: [...values],
      points: [
        { x: 0, y: 0 },
        { x: 30, y: 40 },
      ],
      paths: [],
    },
  };
}

function value(text: string, kind: Kind, given: Bench): number {
  return compileAs(parseFormula(text), given.scope, kind).run(given.environment);
}

function refusal(text: string, kind: Kind, given: Bench): FormulaError {
  try {
    compileAs(parseFormula(text), given.scope, kind);
  } catch (error) {
    if (error instanceof FormulaError) return error;
    throw error;
  }
  throw new Error(`${text} was taken`);
}

const body = bench({ bust: 35.5, waist: 28, hip: 0 }, { share: 0.25, none: 0 });

describe("what a formula means", () => {
  it.each([
    ["bust/6 + 1 1/4", 35.5 / 6 + 1.25],
    ["bust/4 + 1/2", 35.5 / 4 + 0.5],
    ["7 3/8", 7.375],
    ["7⅜", 7.375],
    ["bust - waist", 7.5],
    ["-1/2", -0.5],
    ["2*bust", 71],
    ["bust*share", 8.875],
    ["(bust - waist)/4", 1.875],
    ["bust/4/2", 35.5 / 8],
    ["bust − waist ÷ 2 × 1", 35.5 - 14],
    ["max(bust, waist)/2", 17.75],
    ["min(bust, 30, waist)", 28],
    ["abs(waist - bust)", 7.5],
    ["if(bust > 35, 1, 2)", 1],
    ["if(where == nape, 3, 4)", 3],
    ['if(where == "top line", 3, 4)', 4],
    ["if(where != nape, 3, 4)", 4],
    ["if(bust > 30 and waist < 20 or not (hip > 0), 5, 6)", 5],
    ["round(3.9, 1/2)", 4],
    ["round(bust/10, 1/4)", 3.5],
    ["up(3.1, 1)", 4],
    ["down(3.9, 1)", 3],
    ["leg(5, 4)", 3],
    ["bust*40%", 14.2],
  ])("%s", (text, inches) => {
    expect(value(text, "length", body) / 25.4).toBeCloseTo(inches, 10);
  });

  it("a bare number takes the system's unit, a written unit keeps its own", () => {
    const metric = bench({ chest: 104 }, {}, "cm");
    expect(value("3", "length", metric)).toBe(30);
    expect(value("3in", "length", metric)).toBeCloseTo(76.2, 10);
    expect(value("3 cm", "length", body)).toBe(30);
    expect(value("6mm", "length", body)).toBe(6);
    expect(value("2″", "length", metric)).toBeCloseTo(50.8, 10);
  });

  it("angles are degrees where written, and functions read them", () => {
    expect(value("45°", "angle", body)).toBeCloseTo(Math.PI / 4, 12);
    expect(value("60", "angle", body)).toBeCloseTo(Math.PI / 3, 12);
    expect(value("sin(30°)", "number", body)).toBeCloseTo(0.5, 12);
    expect(value("cos(60)", "number", body)).toBeCloseTo(0.5, 12);
    expect(value("tan(45°)", "number", body)).toBeCloseTo(1, 12);
    expect(value("atan2(1, 1)", "angle", body)).toBeCloseTo(Math.PI / 4, 12);
    expect(value("sqrt(2)", "number", body)).toBeCloseTo(Math.SQRT2, 12);
  });

  it("a length by a length is a plain number", () => {
    expect(value("bust/waist", "number", body)).toBeCloseTo(35.5 / 28, 12);
  });

  it("conditions", () => {
    expect(value("20 < waist <= 28", "boolean", body)).toBe(1);
    expect(value("20 < waist < 28", "boolean", body)).toBe(0);
    expect(value("waist >= 28", "boolean", body)).toBe(1);
    expect(value("not (waist = 28)", "boolean", body)).toBe(0);
  });

  it("points measure the draft", () => {
    body.scope.points.set("1", 0);
    body.scope.points.set("2", 1);
    expect(value("dist(#1, #2)", "length", body)).toBe(50);
    expect(value("across(#1, #2)", "length", body)).toBe(30);
    expect(value("drop(#2, #1)", "length", body)).toBe(-40);
  });
});

describe("what a formula refuses, with its place and its fix", () => {
  it.each<[string, Kind, string, [number, number]]>([
    ["bust*waist", "length", "A length times a length", [0, 10]],
    ["bust + 12°", "length", "A length is asked for here", [7, 10]],
    ["bust/0", "length", "divides by zero", [5, 6]],
    ["bst/4", "length", "Nothing here is called bst", [0, 3]],
    ["later + 1", "length", "stands further below", [0, 5]],
    ["dist(#1, #99)", "length", "#99 stands further below", [9, 12]],
    ["dist(#1, #77)", "length", "no point #77", [9, 12]],
    ["dist(#1, 3)", "length", "A point is asked for", [9, 10]],
    ["len(armhole)", "length", "No line or curve is called armhole", [4, 11]],
    ["minn(1, 2)", "length", "no function minn", [0, 4]],
    ["sqrt(1, 2)", "number", "takes 1 value, here are 2", [0, 10]],
    ["where + 1", "length", "a choice without a figure", [0, 5]],
    ["where == waist", "boolean", "has no option", [9, 14]],
    ['"nape"', "length", "is a word", [0, 6]],
    ["#1", "length", "is a place", [0, 2]],
    ["share", "length", "A length is asked for", [0, 5]],
    ["bust", "boolean", "Yes or no is asked for", [0, 4]],
    ["bust > 3", "length", "A length is asked for here", [0, 8]],
    ["if(bust > 3, 1)", "length", "if takes a condition and two values", [0, 15]],
    ["3/bust", "length", "cannot be divided by", [0, 6]],
    ["12° / 3in", "angle", "cannot be divided by", [0, 9]],
  ])("%s as %s", (text, kind, part, at) => {
    const error = refusal(text, kind, body);
    expect(error.why).toContain(part);
    expect(error.fix.length).toBeGreaterThan(5);
    expect(error.at).toEqual(at);
  });

  it.each([
    ["bust/4 + ", "stops after"],
    ["(bust + 1", "opened but not closed"],
    ["bust)", "closed that was never opened"],
    ["bust ++ 1", "cannot stand here"],
    ["bust 4", "cannot stand here"],
    ["", "missing"],
    ["$", "cannot stand here"],
    ["constructor.constructor(1)", "cannot stand here"],
  ])("unreadable: %s", (text, part) => {
    expect(() => parseFormula(text)).toThrow(part);
  });

  it("long and deep formulas are refused, not run", () => {
    expect(() => parseFormula("1+".repeat(1500) + "1")).toThrow("too long");
    expect(() => parseFormula("(".repeat(200) + "1" + ")".repeat(200))).toThrow("too deep");
  });

  it("names of the host are only unknown names", () => {
    for (const name of ["constructor", "__proto__", "toString", "globalThis", "process", "hasOwnProperty"]) {
      expect(refusal(name, "length", body).why).toContain("Nothing here is called");
    }
  });

  it("never throws anything but FormulaError", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => {
        try {
          compileAs(parseFormula(text), body.scope, "length");
        } catch (error) {
          expect(error).toBeInstanceOf(FormulaError);
        }
      }),
      { numRuns: 500 },
    );
  });
});

describe("points and lines by name", () => {
  it("reads them", () => {
    expect(parsePointRef("#12")).toBe("12");
    expect(parsePointRef(" B3 ")).toBe("B3");
    expect(parseLineRef("#1-#2")).toMatchObject({ type: "through", a: "1", b: "2" });
    expect(parseLineRef("the line down from B7")).toMatchObject({ type: "ray", dir: "down", from: "B7" });
    expect(parseLineRef("shoulder")).toMatchObject({ type: "named", name: "shoulder" });
    expect(() => parseLineRef("12-13")).toThrow(FormulaError);
    expect(() => parsePointRef("12")).toThrow("Write a point");
  });

  it("suggests the nearest known word, or none", () => {
    expect(suggest("shuolder", ["shoulder", "armhole"])).toBe("shoulder");
    expect(suggest("xyz", ["shoulder", "armhole"])).toBeUndefined();
  });
});

describe("worked sums", () => {
  const told = (text: string, given: Bench, unit: "in" | "cm" = "in"): string[] => {
    const e = explain(text, parseFormula(text), "length", given.scope, given.environment, { mark: unit === "in" ? "1/8in" : "1mm" });
    return [e.rule, ...e.sums, e.result, e.reading ?? ""].map((line) => line.replace(/\u00a0/g, " "));
  };

  it("the rule, the numbers put in, the intermediate result, the value and the tape", () => {
    expect(told("bust/6 + 1 1/4", body)).toEqual(["bust/6 + 1 1/4", "35 1/2 ÷ 6 + 1 1/4", "5.917 + 1 1/4", "7.167 in", "7 1/8 in"]);
  });

  it("says what rounding to the tape leaves over", () => {
    const e = explain("bust/6 + 1 1/4", parseFormula("bust/6 + 1 1/4"), "length", body.scope, body.environment, { mark: "1/8in" });
    expect(e.leftMm).toBeCloseTo((35.5 / 6 + 1.25 - 7.125) * 25.4, 9);
  });

  it.each([
    ["(bust - waist)/4", ["(35 1/2 − 28) ÷ 4", "1 7/8 in"]],
    ["bust - (waist - 1)", ["35 1/2 − (28 − 1)", "35 1/2 − 27", "8 1/2 in"]],
    ["bust*share", ["35 1/2 × 0.25", "8 7/8 in"]],
    ["waist", ["28", "28 in"]],
    ["3", ["3", "3 in"]],
    ["-bust", ["−35 1/2", "-35 1/2 in"]],
    ["max(bust, waist) + 1", ["max(35 1/2, 28) + 1", "35 1/2 + 1", "36 1/2 in"]],
    ["if(bust > 30, waist/2, 3)", ["28 ÷ 2", "14 in"]],
    ["dist(#1, #2) + 1cm", ["1.969 + 0.394", "2.362 in"]],
  ])("%s", (text, lines) => {
    expect(told(text, body).slice(1, -1)).toEqual(lines);
  });

  it("in the other unit without touching the rule", () => {
    const metric = bench({ neck: 40 }, { neck_div: 5 }, "cm");
    expect(told("neck/neck_div - 0.6", metric, "cm")).toEqual(["neck/neck_div - 0.6", "40 ÷ 5 − 0.6", "8 − 0.6", "7.4 cm", "7.4 cm"]);
    // The sum stays as its teacher wrote it; only the tape is another one.
    expect(told("neck/neck_div - 0.6", metric, "in").slice(1)).toEqual(["40 ÷ 5 − 0.6", "8 − 0.6", "7.4 cm", "2 7/8 in"]);
  });
});

describe("why there is no figure", () => {
  const reason = (text: string): string => diagnose(parseFormula(text), body.scope, body.environment).why;

  it("names what is missing, divided by, or impossible", () => {
    const lacking = bench({ bust: Number.NaN });
    expect(diagnose(parseFormula("bust/4 + 1"), lacking.scope, lacking.environment).why).toBe("The measurement bust is missing.");
    expect(reason("bust/hip")).toBe("This divides by zero.");
    expect(reason("leg(1, 2) + 3")).toContain("leg has no answer");
  });
});

// An outside reading of the same arithmetic: mathjs, on random formulas of sums, products and brackets.
describe("against mathjs", () => {
  const leaf = fc.oneof(
    fc.integer({ min: 1, max: 60 }).map((n) => ({ text: `${n}`, kind: "number" as const })),
    fc.constantFrom({ text: "share", kind: "number" as const }),
  );
  const tree = fc.letrec<{ node: string }>((tie) => ({
    node: fc.oneof(
      { maxDepth: 5, withCrossShrink: true },
      leaf.map((l) => l.text),
      fc.tuple(tie("node"), fc.constantFrom("+", "-", "*", "/"), tie("node")).map(([a, op, b]) => `(${a} ${op} ${b})`),
      fc.tuple(tie("node"), fc.constantFrom("+", "-"), tie("node")).map(([a, op, b]) => `${a} ${op} ${b}`),
      tie("node").map((a) => `max(${a}, 2)`),
    ),
  })).node;

  it("agrees on every formula that has an answer", () => {
    fc.assert(
      fc.property(tree, (text) => {
        const theirs = mathjs(text, { share: 0.25 }) as number;
        fc.pre(Number.isFinite(theirs) && Math.abs(theirs) < 1e12);
        let ours: number;
        try {
          ours = value(text, "number", body);
        } catch (error) {
          if (!(error instanceof FormulaError)) throw error;
          return; // A constant divided by zero is refused before it runs.
        }
        expect(Math.abs(ours - theirs)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(theirs)));
      }),
      { numRuns: 400 },
    );
  });
});

describe("a rule in words", () => {
  const said = bench({ bust: 35.5, waist: 28, across_shoulder: 15 }, { share: 0.25 });
  it.each([
    ["across_shoulder/2 + 1/4", "across shoulder ÷ 2 + 1/4", []],
    ["(bust - waist)/4", "(bust − waist) ÷ 4", []],
    ["bust - (waist - 1)", "bust − (waist − 1)", []],
    ["max(bust, waist) + 1", "the larger of bust and waist + 1", []],
    ["if(bust > 30, across_shoulder/2, 3)", "across shoulder ÷ 2", ["bust is more than 30"]],
    ["if(bust > 40, 3, waist - 1)*2", "(waist − 1) × 2", ["bust is at most 40"]],
    ["dist(#1, #2) + 1cm", "straight from 1 to 2 + 1cm", []],
  ])("%s", (text, words, because) => {
    expect(sayRule(parseFormula(text), said.scope, said.environment)).toEqual({ said: words, because });
  });

  it("a key becomes words, and nothing else does", () => {
    expect(inWords("paper_margin below the top, 3_4 and “a_b_c”")).toBe("paper margin below the top, 3_4 and “a b c”");
  });
});
