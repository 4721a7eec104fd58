import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { layBoards } from "../report/boards.js";
import { runToJson } from "../report/json.js";
import { problemText } from "../system/notation/problem.js";
import { statementsOf } from "../system/statements.js";
import { readNotation } from "../system/notation/read.js";
import { runWithPlan, type RunWithPlan } from "../test/run-with-plan.js";
import { NOTATIONS, readShelf } from "../test/shelf.js";
import { loadSystem } from "./load.js";

// What is wrong says so, at its place and with what to write; what is plainly meant is taken.
const HEAD = `system "Try"
  garment block · unit in · tape 1/8
measure bust girth 30..56 "Round."
board A "Front" · centre fold
A0 start
A1 out 8 from A0
A2 down 10 from A1
A3 down 10 from A0
`;
const PIECE = `piece Box "Box" on A · cut 1 on fold
  edge top: A0 > A1
  edge side: A1 > A2
  edge hem: A2 > A3
  edge centre: A3 > A0 · fold
`;
const told = (text: string): string => loadSystem(text).problems.map(problemText).join("\n");
const draft = (text: string, body: Record<string, string | number> = { bust: 36 }, settings = {}): RunWithPlan => {
  const { plan, problems } = loadSystem(text);
  expect(problems.map(problemText)).toEqual([]);
  return runWithPlan(plan, body, settings);
};
const at = (r: RunWithPlan, id: string): { x: number; y: number } | undefined => {
  const p = r.environment.points[r.plan.scope.points.get(id) ?? -1];
  return p && { x: Math.round((p.x / 25.4) * 1e6) / 1e6, y: Math.round((p.y / 25.4) * 1e6) / 1e6 };
};

describe("blanks", () => {
  it("two, or a tab, change nothing", () => {
    const r = draft(`${HEAD}A12 start at 3 across 5 down\nA20 down 1  from A12\nA21 down\tbust/4   from\t\tA12\n`);
    expect(at(r, "A20")).toEqual({ x: 3, y: 6 });
    expect(at(r, "A21")).toEqual({ x: 3, y: 14 });
  });

  it("wherever a blank may stand any number may, with tabs among them: every system drafts the same", () => {
    const shelf = readShelf();
    fc.assert(
      fc.property(fc.nat({ max: shelf.length - 1 }), fc.infiniteStream(fc.constantFrom(" ", "  ", "\t", " \t ", "   ")), (k, blanks) => {
        const { source, plan, examples } = shelf[k] as (typeof shelf)[number];
        const spread = source
          .split("\n")
          .map((line) => {
            const lead = /^\s*/.exec(line)?.[0] ?? "";
            const parts = line.slice(lead.length).split(/("[^"]*")/);
            return lead + parts.map((part, i) => (i % 2 === 1 ? part : part.replace(/ +/g, () => blanks.next().value as string))).join("");
          })
          .join("\n");
        const again = loadSystem(spread, NOTATIONS);
        expect(again.problems.map(problemText)).toEqual([]);
        const { measurements, settings } = examples[0];
        expect(runToJson(again.plan, runWithPlan(again.plan, measurements, settings), "x").points).toEqual(
          runToJson(plan, runWithPlan(plan, measurements, settings), "x").points,
        );
      }),
      { numRuns: 30 },
    );
  });
});

describe("decimal commas and brackets", () => {
  it.each([
    ["A9 out 7,5 from A0", { x: 7.5, y: 0 }],
    ["A9 out max(20,5, 3) from A0", { x: 20.5, y: 0 }],
    ["A9 out max(3; 20,5) from A0", { x: 20.5, y: 0 }],
    ["A9 out max(bust,3) from A0", { x: 36, y: 0 }],
    ["A9 out min(1/2, 3) from A0", { x: 0.5, y: 0 }],
    ["A9 toward A1, max(2, 3) from A0", { x: 3, y: 0 }],
    ["A9 at atan2(3, 4), 5 from A0", { x: 4, y: 3 }],
    ["A9 at 0°, 2,5 from A0", { x: 2.5, y: 0 }],
    ["A9 at 0°,A0 from A0", undefined],
  ])("%s", (line, place) => {
    if (place) expect(at(draft(`${HEAD}${line}\n`), "A9")).toEqual(place);
    else expect(told(`${HEAD}${line}\n`)).not.toBe("");
  });

  it("a comma that could be read either way is asked after, never guessed", () => {
    expect(told(`${HEAD}A9 out max(1/2,5) from A0\n`)).toContain("A fraction has no decimals behind it.");
    expect(told(`${HEAD}value a angle = atan2(3,4)\n`)).toContain("A comma between figures is a decimal comma");
  });

  it("stands in ranges, allowances and tables as well", () => {
    const { plan } = draft(
      `${HEAD}set gap = 1,5 from 0,5 to 2,5 "Gap."\ntable t by bust, steps: up to 35,5 -> 1,5 · above -> 2,5\nvalue v = t(bust)\n`,
    );
    expect(plan.settings[0]).toMatchObject({ default: 1.5 * 25.4, from: 0.5 * 25.4, to: 2.5 * 25.4 });
    const r = draft(`${HEAD}${PIECE.replace("A0 > A1", "A0 > A1 · allow 1,5, pointed")}`);
    expect(r.pieces[0]?.edges[0]).toMatchObject({ allowance: 1.5 * 25.4, pointed: true });
  });
});

describe("told at its line", () => {
  it.each<[string, string]>([
    [
      "table t by bust, linear: at 36 -> 2 · at 32 -> 1 · at 40 -> 3",
      "line 9, column 42: The rows are out of order: 32 does not come after 36.",
    ],
    ["table t by bust, linear: under 36 -> 2 · at 40 -> 3", "line 9, column 32: A linear table names the figures it runs between."],
    ["table t by bust, steps: up to 36 -> 2 · up to 32 -> 3 · above -> 4", "line 9, column 47: The rows are out of order"],
    ["table t by bust, steps: up to 36 -> 2", "The table does not say what it gives above 36."],
    ["table t by bast, steps: above -> 2", "line 9, column 12: Nothing here is called bast."],
    [PIECE.replace("A0 > A1", "A0 > A1 · allow -1"), "An allowance cannot be less than nothing."],
    [PIECE.replace("cut 1", "cut 0"), "A piece is cut 1 to 20 times, not 0."],
    [PIECE.replace("on A", "on Q"), "There is no board Q."],
    [PIECE + PIECE, "line 14, column 7: Box is already there. It is first on line 9."],
    ['choose c "Which?"\n  wide = 1\n  wide = 2', "line 11, column 3: The option wide is there twice."],
    [PIECE.replace(" · fold\n", "\n"), "Box is cut on the fold, but none of its edges is the fold."],
    [PIECE.replace(" on fold", ""), "An edge of Box is the fold, but the piece is not cut on it."],
    [`${PIECE}  grain along A0-A3\n  grain along A1-A2`, "This piece has a grain already."],
    ['measure hip girth 50..30 "Round."', "line 9, column 19: The range is upside down: 50 is more than 30."],
    ['set gap = 1 from 3 to 0 "Gap."', "The range is upside down"],
    ['set gap = 5 from 0 to 3 "Gap."', "The default 5 lies outside its range, 0 to 3."],
    ["value a = a + 1", "line 9, column 11: a is made from itself."],
    ["value a = b + 1\nvalue b = a + 1", "line 9, column 11: a is made from b, and b from a. That goes round in a circle"],
    ["value a = b + 1\nvalue b = c + 1\nvalue c = 2*a", "line 9, column 11: a is made from b, and b from a. That goes round in a circle"],
    ["value a = b + 1\nvalue b = 2", "line 9, column 11: b stands further below."],
    ["A9 down 3 from A9", "line 9, column 16: #A9 is measured from itself."],
    ["value Half = bust/2", "line 9, column 7: A name like “Half” is written in small letters: half."],
    ["line Foot: A0 > A1", "line 9, column 6: A name like “Foot” is written in small letters: foot."],
    [PIECE.replace("piece Box", "piece box"), "The name of a piece begins with a capital: Box."],
    ["line foot: A0 > A1\nA9 along Foot from A0, 2", "Names of lines are written in small letters: foot."],
    [
      'set count = 5 from 3 to 9 "How many."\nA9 down dist(A0, A1)/count from A0',
      "If it is a count, write its setting as: set count number = 5.",
    ],
    ["value bust = 3", "line 9, column 7: bust is already there. It is first on line 3."],
    ["A0 out 3 from A1", "line 9, column 1: #A0 is already there. It is first on line 5."],
    ["sew Box.side + Box.hem with Box.side\n" + PIECE, "The piece Box is taken further below"],
    [`${PIECE}sew Box.side + Box.hem with Box.side`, "Box.side would be sewn to itself."],
    [`${PIECE}sew Box.sides with Box.hem`, "line 14, column 9: Box has no edge sides. Did you mean side?"],
  ])("%j", (text, expected) => {
    // A sew that stands above its piece is no mistake: seams are looked at when all pieces are known.
    if (text.startsWith("sew Box.side + Box.hem with Box.side\n")) expect(told(`${HEAD}${text}`)).toContain("would be sewn to itself");
    else expect(told(`${HEAD}${text}\n`)).toContain(expected);
  });

  it("values that each need the next one are told at once, however many there are", () => {
    const chain = Array.from({ length: 1_000 }, (_, i) => `value v_${i} = v_${i + 1} + 1`).join("\n");
    expect(told(`${HEAD}${chain}\nvalue v_1000 = 3\n`)).toContain("v_1 stands further below.");
  });

  it("a piece without area fails its check, and a notch off its outline or past its edge is doubted", () => {
    const flat = draft(`${HEAD}${PIECE.replace("A1 > A2", "A1 > A0").replace("A2 > A3", "A0 > A3")}`);
    expect(flat.checks.find((c) => c.id === "area Box")?.status).toBe("fail");
    const r = draft(
      `${HEAD}A9 start at 4 across 5 down\n${PIECE}  notch at A9\n  notch on side at 11\n  notch on side at 2 from its end\n`,
    );
    expect(r.warnings.map((w) => w.text).join("\n")).toContain("The notch at A9 stands 10.2 cm off the outline.");
    expect(r.warnings.map((w) => w.text).join("\n")).toContain("would stand at 27.9 cm, but that edge is 25.4 cm long");
    expect(r.pieces[0]?.notches.at(-1)?.at).toEqual({ x: 8 * 25.4, y: 8 * 25.4 });
  });

  it("a length below nothing is a doubt of its step; one that goes back along a line on purpose is none", () => {
    const text = `${HEAD}set gap = 1 from -9 to 9 "Gap."\nA9 down gap - 3 from A0\nA10 along A0-A1 from A1, -2\n`;
    const r = draft(text);
    const doubts = r.outcomes.flatMap((o) => (o.status === "drawn" && o.doubt !== undefined ? [o.doubt] : []));
    expect(doubts).toEqual([
      "gap - 3 comes to less than nothing, so down goes the other way. Check the figures, or write the other direction.",
    ]);
    expect(r.warnings).toHaveLength(1);
    expect(draft(text, { bust: 36 }, { gap: 4 }).warnings).toEqual([]);
  });

  it("a measurement that is refused beside its field counts as missing", () => {
    const { plan } = loadSystem(`${HEAD}A9 down bust/4 from A0\n`);
    for (const given of ["-4", "0", -4, "wide"]) {
      const r = runWithPlan(plan, { bust: given });
      expect(r.missing, String(given)).toEqual(["bust"]);
      expect(r.inputs.problems.map((p) => p.key)).toEqual(["bust"]);
      expect(r.outcomes.at(-1)?.status).toBe("failed");
    }
  });

  it("a measurement the system does not know is told, unless it is one of the body's", () => {
    const { plan } = loadSystem(HEAD);
    expect(runWithPlan(plan, { bust: 36, bsut: 3 }).warnings.map((w) => w.text)).toEqual([
      "This system asks for no “bsut”. Did you mean bust?",
    ]);
    expect(runWithPlan(plan, { bust: 36, hip: 40 }).warnings).toEqual([]);
  });

  it("edges that a check or a seam names and the piece has not are told, not passed over", () => {
    const shaped = `${PIECE}shape unfold Box\ncheck "Gone": len(Box.centre) = 10\n`;
    expect(
      draft(`${HEAD}${shaped}`)
        .warnings.map((w) => w.text)
        .join(),
    ).toContain("Box centre is sewn or checked, but Box has no such edge");
  });
});

describe("taken as it is meant", () => {
  it.each<[string, string]>([
    ["A9 down 3 from A0 “Down the fold.”", "Down the fold."],
    ['A9 down 1 1/2" from A0 "Go down 1/2" twice."', "Go down 1/2″ twice."],
    ["A9 down 1 1/2 inches from A0", ""],
    ["A9 down 1' from A0", ""],
    ["A9 down 1 ft from A0", ""],
    ["A9 Down 3 from A0", ""],
    ["A9. down 3 from A0", ""],
    ["A9) down [bust/4] + (1] from A0", ""],
    ["A9 down 3 from A0   # so far", ""],
  ])("%s", (line, text) => {
    const r = draft(`${HEAD}${line}\n`);
    expect(at(r, "A9")?.y).toBeGreaterThan(0);
    if (text !== "") expect(statementsOf(r.plan.system, "point").at(-1)?.text).toBe(text);
  });

  it("feet are twelve inches, marks behind figures inches", () => {
    expect(at(draft(`${HEAD}A9 down 1' from A0\n`), "A9")?.y).toBe(12);
    expect(at(draft(`${HEAD}A9 down 3" from A0\n`), "A9")?.y).toBe(3);
  });

  it("arrows, dashes, commas and full stops for the marks between parts; ranges with a dash; words of the heading", () => {
    const r = draft(`System "Try"
  garment block, unit inches; tape 1/8
Measure bust girth 30–56 "Round."
measure waist girth 20 to 50
board A "Front"; centre fold
A0 start
A1 out 8 from A0
A2 down 10 from A1
A3 down 10 from A0
Line top: A0 -> A1 → A2 - A3
piece Box "Box" on A, cut 1 on the fold
  edge top: A0 -> A1, allow 1/2
  edge side: A1 → A2 . allow 1
  Edge hem: A2 - A3
  edge centre: A3 > A0, fold
`);
    expect(r.plan.system.unit).toBe("in");
    expect(r.plan.measures.map((m) => m.to / 25.4)).toEqual([56, 50]);
    expect(r.pieces[0]?.edges.map((e) => e.allowance)).toEqual([12.7, 25.4, 0, 0]);
  });
});

describe("answered with the line as it should stand", () => {
  it.each<[string, string]>([
    ["A9 midway A1 A2", "Write it as: A9 midway A1 to A2"],
    ["A9 midway A1", "Write it as: A9 midway A1 to …"],
    ['A9 down A0 3 "Down."', 'Write it as: A9 down 3 from A0 "Down."'],
    ["A9 cross A0-A1 A2-A3", "Write it as: A9 cross A0-A1 with A2-A3"],
    ["A9 toward A1 3 A0", "Write it as: A9 toward A1, 3 from A0"],
    ["a9 down 3 from A0", "Write it as: A9 down 3 from A0"],
    ["9. down 3 from A0", "Write it as: #9 down 3 from A0"],
    ["Pt 9 down 3 from A0", "Write it as: #9 down 3 from A0"],
    ["A9 dwn 3 from A0", "Write it as: A9 down 3 from A0"],
    ["A9 down Bust/4 from A0", "Write it as: A9 down bust/4 from A0"],
    ['A9 down 3 from A0 "Down', 'Write it as: A9 down 3 from A0 "Down"'],
    ['mesure hip girth 30..60 "R."', 'Write it as: measure hip girth 30..60 "R."'],
    ['measure hip girht 30..60 "R."', 'Write it as: measure hip girth 30..60 "R."'],
    ["A9 out crv from A0\ncurve crv: A0 > A2", "crv stands further below"],
  ])("%s", (line, expected) => {
    expect(told(`${HEAD}${line}\n`)).toContain(expected);
  });

  it("a table named without its measure, and a line named for its length", () => {
    const tabled = `${HEAD}table deep by bust, steps: above -> 8\nA9 down deep from A0\n`;
    expect(told(tabled)).toContain("deep is a table: it is read with a figure. Write it as: A9 down deep(bust) from A0");
    expect(told(`${HEAD}line edge_line: A0 > A1\nA9 down edge_line/2 from A0\n`)).toContain(
      "Write it as: A9 down len(edge_line)/2 from A0",
    );
  });

  it("a missing heading is told once, and all lines that are wrong at once", () => {
    const text = 'measure bust girth 30..50 "R."\nboard A "A"\nA0 begin\nA1 down 3 from A9\nA2 sideways\n';
    const problems = loadSystem(text).problems;
    expect(problems.map((p) => p.line)).toEqual([1, 3, 4, 5]);
    expect(problems[0]).toMatchObject({ why: "The first line, which names the system, is missing.", instead: 'system "Title"' });
  });

  it("never offers a line that is made of nothing that was typed", () => {
    for (const problem of readNotation(`${HEAD}A9 midway\nA8 swing\n`).problems) expect(problem.instead ?? "").not.toMatch(/#1\b/);
  });
});

describe("boards", () => {
  it("one that stands above is gone on with, under the name it has", () => {
    const r = draft(`${HEAD}board B "Back"\nB0 start\nboard A\nA4 down 2 from A3\n`);
    expect(at(r, "A4")).toEqual({ x: 0, y: 12 });
    expect([...layBoards(r.plan, r).values()].map((b) => b.title)).toEqual(["Front", "Back"]);
  });

  it("two under one letter are told", () => {
    expect(told(`${HEAD}board A "Back"\nA4 down 2 from A3\n`)).toContain("There is a board A already, “Front”.");
  });
});

describe("a figure that stands on a step which is left out", () => {
  const SKIPPED = "A4 down 1 from A3\n  when bust > 50\n";
  const FAR = "dist(#A3, #A4)";
  const TWO = PIECE.replace('Box "Box"', 'Two "Two"');
  const edge = (what: string): string => PIECE.replace("edge top: A0 > A1", `edge top: A0 > A1 · ${what}`);

  it.each([
    ["an allowance", edge(`allow ${FAR}`), "The allowance of top comes to no figure"],
    ["a notch", `${PIECE}  notch on top at ${FAR}\n`, "The notch on top is left out"],
    ["a grain", `${PIECE}  grain along A0-A3 at angle(#A3, #A4)\n`, "The grain cannot be turned"],
    ["a buttonhole", `${PIECE}  buttonhole at A0, length ${FAR} across\n`, "The buttonhole has no length"],
  ])("of %s is told, and the rest is drafted", (_, rest, word) => {
    const r = draft(`${HEAD}${SKIPPED}${rest}`);
    expect(r.pieces).toHaveLength(1);
    expect(r.warnings.map((w) => w.text).join("\n")).toContain(word);
  });

  it.each([
    ["a tolerance", `${PIECE}${TWO}sew Box.top with Two.top within ${FAR}\n`],
    ["an ease", `${PIECE}${TWO}sew Box.top with Two.top, eased ${FAR}\n`],
    ["an opening", `${PIECE}closes "Zip."\n  when ${FAR} > 1\n`],
    ["a cloth", `${PIECE}cloth stretches ${FAR}/1in\n`],
    ["a dart", `A5 down 4 from A1\ndart d "D": at A1, intake 1 to A5, pressed in, legs within ${FAR}\n${PIECE}`],
  ])("of %s leaves its check out, or as it is without it", (_, rest) => {
    const r = draft(`${HEAD}${SKIPPED}${rest}`);
    expect(r.pieces.length).toBeGreaterThan(0);
    expect(r.checks.filter((c) => c.status === "fail")).toEqual([]);
  });
});
