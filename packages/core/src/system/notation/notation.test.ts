import { readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { loadSystem } from "../../plan/load.js";
import { run } from "../../run/run.js";
import { applyEdits } from "../../edit/line-edit.js";
import { rename } from "../../edit/rename.js";
import { FUNCTIONS } from "../../formula/functions.js";
import { VERBS } from "../../verb/index.js";
import type { System } from "../model.js";
import { statementsOf } from "../statements.js";
import { printNotation } from "./print.js";
import { problemText } from "./problem.js";
import { readNotation } from "./read.js";

const shirt = readFileSync(new URL("../../../../../systems/08-menswear-flat-shirt-block.lodrin", import.meta.url), "utf8");

const HEAD = 'system "Try"\n  garment block · unit in · tape 1/8\n\nboard A "Front" · centre fold\n\n';
const problemsOf = (body: string): string[] => loadSystem(HEAD + body).problems.map(problemText);

describe("reading a system", () => {
  const { system, problems } = readNotation(shirt);

  it("reads the flat shirt block without a problem", () => {
    expect(problems).toEqual([]);
    expect(system).toMatchObject({ title: "Menswear flat shirt block", garment: "shirt", unit: "cm", tape: "1mm" });
    expect(statementsOf(system, "point")).toHaveLength(31);
    expect(statementsOf(system, "measure").map((m) => m.key)).toEqual([
      "chest",
      "scye_depth",
      "neck",
      "back_waist",
      "half_back",
      "garment_length",
      "shoulder_length",
    ]);
  });

  it("keeps what an author wrote in each part", () => {
    const step = statementsOf(system, "point").find((p) => p.id === "2");
    expect(step).toMatchObject({ verb: "down", form: 0, args: { distance: "scye_depth + scye_ease", from: "1" } });
    expect(step?.watch?.[0]).toContain("not from the top line");
    const curve = statementsOf(system, "path").find((p) => p.key === "armhole");
    expect(curve).toMatchObject({
      type: "curve",
      through: ["17", "12", "5"],
      leaving: "square to #10-#17",
      passing: [{ at: "12", direction: "along #13-#14" }],
    });
    const choice = statementsOf(system, "choose")[0];
    expect(choice?.options.map((o) => o.name)).toEqual(["top line", "nape"]);
  });
});

describe("points that are called by letters alone", () => {
  const LETTERS = `#A start  "The corner."
#B down 10 from #A
#C out 8 from #A
#D out 2 from #B # A comment
# A line that says nothing
dart waist_dart "Waist dart": at #D, intake 1 to #E, pressed in
curve side: #C > #D, leaving square to #A-#C
#E1 midway #Da to #Db
value far = dist(#A, #E1) + across(#B, #Db)
`.replace("dart", "#E up 4 from #D\ndart");

  it("are read and printed with their #, and what is behind a # and a blank stays a comment", () => {
    expect(problemsOf(LETTERS)).toEqual([]);
    const { system } = readNotation(HEAD + LETTERS);
    expect(statementsOf(system, "point").map(({ id }) => id)).toEqual(["A", "B", "C", "D", "E", "E1"]);
    expect(readNotation(printNotation(system)).system).toEqual(system);
    expect(system.statements.flatMap((s) => s.comments ?? [])).toEqual(["A comment", "A line that says nothing"]);
  });

  it("stand where numbers would put them", () => {
    const numbers = LETTERS.replace(/#([A-E])(?=[ab]?\b)/g, (_, letter: string) => `Q${letter.charCodeAt(0)}`);
    const places = (body: string) => {
      const { plan } = loadSystem(HEAD + body);
      return run(plan, {}).board.points;
    };
    expect(places(LETTERS)).toEqual(places(numbers));
  });

  it("are renamed wherever they stand", () => {
    const loaded = loadSystem(HEAD + LETTERS);
    const after = applyEdits(loaded.read.source, rename(loaded.read, "point", "D", "K"));
    expect(loadSystem(after).problems).toEqual([]);
    expect(after).toContain("#E1 midway #Ka to #Kb");
    expect(after).not.toMatch(/#D/);
  });
});

describe("notation → model → notation → model", () => {
  it("is the identity on the library", () => {
    const first = readNotation(shirt).system;
    const again = readNotation(printNotation(first));
    expect(again.problems).toEqual([]);
    expect(again.system).toEqual(first);
    expect(printNotation(again.system)).toBe(printNotation(first));
  });

  it("keeps comments", () => {
    const text = `# Notes of the house\n${HEAD}# first point\nA0 start  # here it begins\nA1 down 3 from A0\n`;
    const { system } = readNotation(text);
    expect(system.comments).toEqual(["Notes of the house"]);
    expect(statementsOf(system, "point")[0]?.comments).toEqual(["first point", "here it begins"]);
    expect(readNotation(printNotation(system)).system).toEqual(system);
  });

  it("survives JSON", () => {
    const { system } = readNotation(shirt);
    expect(JSON.parse(JSON.stringify(system)) as System).toEqual(system);
  });

  const key = fc.constantFrom("bust", "waist", "neck_width", "ease", "x1");
  const text = fc.stringMatching(/^[A-Za-z0-9 ,.;:'()?!-]{0,30}$/).map((s) => s.trim());
  const figure = fc.constantFrom("3", "1/2", "7 3/8", "2.5", "6mm", "3/4in", "12 1/2");
  const formula = fc.oneof(
    figure,
    key,
    fc.tuple(key, fc.constantFrom("+", "-", "*", "/"), figure).map(([a, op, b]) => `${a} ${op} ${b}`),
  );
  const id = fc.constantFrom("1", "2", "14a", "B3", "F12");
  const maybe = <T>(arb: fc.Arbitrary<T>, name: string): fc.Arbitrary<object> =>
    fc.option(arb, { nil: undefined }).map((v) => (v === undefined ? {} : { [name]: v }));
  const notes = fc
    .tuple(
      maybe(fc.array(text, { minLength: 1, maxLength: 2 }), "why"),
      maybe(fc.array(text, { minLength: 1, maxLength: 2 }), "watch"),
      maybe(fc.constantFrom("bust > 40", "ease = 1/2"), "when"),
    )
    .map((parts) => Object.assign({}, ...parts) as object);
  const said = maybe(text, "text");
  const statement = fc.oneof(
    fc.record({
      is: fc.constant("measure"),
      key,
      kind: fc.constantFrom("girth", "length", "width", "depth", "number"),
      from: figure,
      to: figure,
      how: text,
    }),
    fc
      .tuple(
        fc.record({
          is: fc.constant("set"),
          key,
          kind: fc.constantFrom("length", "number", "angle"),
          default: figure,
          from: figure,
          to: figure,
          decides: text,
        }),
      )
      .map(([s]) => s),
    fc.record({
      is: fc.constant("set"),
      key,
      kind: fc.constant("length"),
      default: fc.constant("auto"),
      words: fc.constant(["auto"]),
      from: figure,
      to: figure,
      decides: text,
    }),
    fc
      .tuple(fc.record({ is: fc.constant("value"), key, kind: fc.constantFrom("length", "number"), formula }), said, notes)
      .map((p) => Object.assign({}, ...p) as object),
    fc.record({ is: fc.constant("board"), key: fc.constantFrom("A", "M"), title: text, centre: fc.constantFrom("fold", "edge") }),
    fc.record({ is: fc.constant("part"), title: text }),
    fc
      .tuple(
        fc.record({
          is: fc.constant("point"),
          id,
          verb: fc.constantFrom("down", "up", "out", "in"),
          form: fc.constant(0),
          args: fc.record({ distance: formula, from: id }),
        }),
        said,
        notes,
      )
      .map((p) => Object.assign({}, ...p) as object),
    fc
      .tuple(
        fc.record({ is: fc.constant("point"), id, verb: fc.constant("midway"), form: fc.constant(0), args: fc.record({ a: id, b: id }) }),
        said,
        notes,
      )
      .map((p) => Object.assign({}, ...p) as object),
    fc
      .tuple(
        fc.record({ is: fc.constant("path"), type: fc.constant("line"), key, through: fc.array(id, { minLength: 2, maxLength: 4 }) }),
        said,
      )
      .map((p) => Object.assign({}, ...p) as object),
    fc
      .tuple(
        fc.record({
          is: fc.constant("path"),
          type: fc.constant("curve"),
          key,
          through: fc.array(id, { minLength: 2, maxLength: 4 }),
          leaving: fc.constantFrom("plumb", "square to #1-#2", "along shoulder", "at 45°"),
        }),
        said,
        notes,
      )
      .map((p) => Object.assign({}, ...p) as object),
    fc.record({ is: fc.constant("check"), title: text, test: fc.constant("between"), got: formula, expected: figure, upper: figure }),
    fc.record({ is: fc.constant("check"), title: text, test: fc.constant("equals"), got: formula, expected: formula, within: figure }),
    fc.record({ is: fc.constant("sew"), first: fc.constant(["Front.side"]), second: fc.constant(["Back.side"]), within: figure }),
    fc.record({ is: fc.constant("caution"), text: text }),
    fc.record({ is: fc.constant("control"), reads: fc.constant("dist(#1, #2)"), text }),
    fc.record({ is: fc.constant("lesson"), text }),
  );

  it("is the identity on any system of these statements", () => {
    fc.assert(
      fc.property(fc.array(statement, { maxLength: 12 }), (statements) => {
        const board = { is: "board", key: "A", title: "Front", centre: "fold" };
        const system = {
          title: "Try",
          garment: "block",
          unit: "in",
          tape: "1/8in",
          statements: [board, ...statements],
        } as unknown as System;
        const read = readNotation(printNotation(system));
        expect(read.problems).toEqual([]);
        expect(read.system).toEqual(system);
      }),
      { numRuns: 300 },
    );
  });
});

describe("what cannot be read is reported at its place, and the rest goes on", () => {
  it.each([
    ["A0 begin", "line 6, column 4: “begin” is not a way of placing a point."],
    ["A0 start\nA1 dwn 3 from A0", "line 7, column 4: “dwn” is not a way of placing a point. Did you mean down?"],
    ["A0 start\nA1 down from A0", "line 7, column 9: “down from A0” is not how down is written. Write it as: A1 down … from A0"],
    ["A0 start\nA1 down bst/4 from A0", "line 7, column 9: Nothing here is called bst."],
    ["A0 start\nA1 down 3 from A9", "line 7, column 16: There is no point #A9."],
    ["A1 down 3 from A0\nA0 start", "line 6, column 16: #A0 stands further below."],
    ["A0 start\nA1 down 3*(2 from A0", "line 7, column 13: A bracket is opened but not closed."],
    ['A0 start "Begin here', "line 6, column"],
    ['meassure bust girth 30..50 "Round."', "Did you mean measure?"],
    [
      'measure bust circumference 30..50 "Round."',
      "line 6, column 14: “circumference” is no kind of measurement. There are: girth, length, width, depth, number.",
    ],
    ["A0 start\nA0 start", "line 7, column 1: #A0 is already there."],
    ["value a = 1\nvalue a = 2", "a is already there"],
    ['choose c "Which?"', "has no options"],
    ["A0 start\n  edge side: A0 > A1", "This line does not belong under a step."],
    ['A0 start\n  becuase "x"', "Indented lines are"],
    ["A0 start\nA1 out 1 from A0\ncurve c: A0 > A1, leaving sideways", "is not a direction"],
    ["A0 start\ncurve c: A0 > A0", "line 7"],
    ['piece P "P" on A · cut 1', "has no outline"],
    ['check "x": 3 = nothing_here', "Nothing here is called nothing_here"],
    ['system "Again"', "A file holds one system"],
    ["wibble", "“wibble” begins no statement."],
  ])("%j", (body, expected) => {
    const problems = problemsOf(body);
    if (body.startsWith("A0 start\ncurve c: A0 > A0")) expect(problems).toEqual([]);
    else expect(problems.join("\n")).toContain(expected);
  });

  it("a missing heading, an empty file, a file of a megabyte, too many statements", () => {
    expect(loadSystem("A0 start").problems.map(problemText).join(" ")).toContain("The first line, which names the system, is missing");
    expect(loadSystem("").problems.map(problemText).join(" ")).toContain("nothing here to read");
    expect(loadSystem("x".repeat(1_000_001)).problems.map(problemText)).toHaveLength(1);
    const many = HEAD + "A0 start\n" + Array.from({ length: 2_100 }, (_, i) => `A${i + 1} down 1 from A${i}`).join("\n");
    expect(loadSystem(many).problems.map(problemText).join(" ")).toContain("may have 2000 statements");
  });

  it("one broken line does not hide the others", () => {
    const { system, problems } = loadSystem(`${HEAD}A0 start\nA1 sideways 3\nA2 down 2 from A0\n`);
    expect(problems).toHaveLength(1);
    expect(statementsOf(system, "point").map((p) => p.id)).toEqual(["A0", "A2"]);
  });

  it("never throws, whatever the text", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 300 }), (source) => void loadSystem(source)),
      { numRuns: 300 },
    );
    fc.assert(
      fc.property(fc.nat({ max: shirt.length - 1 }), fc.string({ maxLength: 4 }), (at, junk) => {
        const broken = shirt.slice(0, at) + junk + shirt.slice(at + junk.length);
        for (const p of loadSystem(broken).problems) expect(p.line).toBeGreaterThan(0);
      }),
      { numRuns: 120 },
    );
  });
});

describe("the page that explains the notation", () => {
  const page = readFileSync(new URL("../../../../../docs/notation/README.md", import.meta.url), "utf8");

  it("holds a whole system that drafts as it stands", () => {
    const example = /```\n(system [^`]*)```/.exec(page)?.[1] ?? "";
    const { plan, problems } = loadSystem(example);
    expect(problems.map(problemText)).toEqual([]);
    const drafted = run(plan, { bust: 36, length: 22 });
    expect(drafted.pieces.map((p) => [p.title, p.gap.mm])).toEqual([["Front", 0]]);
    // Front: (36 + 2)/4 = 9 1/2 in wide and 22 in long.
    expect(drafted.pieces[0]?.area).toBeCloseTo(9.5 * 22 * 25.4 ** 2, 6);
    expect(drafted.checks.map((c) => c.status)).not.toContain("fail");
  });

  it("names every verb and every function", () => {
    for (const word of [...VERBS.keys(), ...FUNCTIONS.keys()]) expect(page, word).toMatch(new RegExp(`\\b${word}\\b`));
  });
});
