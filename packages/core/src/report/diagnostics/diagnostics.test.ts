import { describe, expect, it } from "vitest";
import { loadSystem } from "../../plan/load.js";
import { run } from "../../run/run.js";
import { sampleBody } from "../../run/sample.js";
import { NOTATIONS } from "../../test/shelf.js";
import { bodiesBetween, breaksAt, rangeRow, type RangeRow, rowFaults, rowLooks } from "../over-sizes/range.js";
import { type Finding, diagnosticsOf } from "./diagnostics.js";

const TEXT = `system "Try"
  unit cm

measure chest girth 70..140  "Round the chest."
measure waist girth 50..130  "Round the waist."
set ease = 2 from 0 to 6
board A "Front"
#0 start
#1 down 40 from #0  "Down from 0."
#2 out chest/4 + ease from #0  "Out from 0."
#3 out chest/4 + ease from #1  "Out from 1."
#4 down 0.02 from #1
#5 midway #1 to #4
line side: #2 > #3
line top: #0 > #2
line foot: #3 > #1
line middle: #1 > #0
piece Front "Front" on A · cut 1 on fold
  edge top: top
  edge side: side · allow 1
  edge foot: foot
  edge centre: middle · fold
  grain along #0-#1
sew Front.top with Front.foot
check "Wide enough": len(top) >= 20
`;
function look(text: string): Finding[] {
  const loaded = loadSystem(text, NOTATIONS);
  return diagnosticsOf(loaded, run(loaded.plan, sampleBody(loaded.plan)), rowsOf(text));
}
function rowsOf(text: string): RangeRow[] {
  const { plan } = loadSystem(text, NOTATIONS);
  const [small, large] = [0.2, 0.8].map((share) => run(plan, sampleBody(plan, share))) as [ReturnType<typeof run>, ReturnType<typeof run>];
  return bodiesBetween(plan, small, large, 5).map((body) => rangeRow(plan, body));
}
const of = (findings: readonly Finding[], code: Finding["code"]): string[] => findings.filter((f) => f.code === code).map((f) => f.says);

describe("a range of bodies", () => {
  it("goes from one body to the other in equal steps", () => {
    const rows = rowsOf(TEXT);
    const lengths = rows.map((r) => r.lengths["Front.top"] ?? NaN);
    // A fifth and four fifths of the way from 70 to 140 cm: 84 and 126, a quarter and 2 cm.
    expect(lengths[0]).toBeCloseTo(210 + 20, 1);
    expect(lengths[4]).toBeCloseTo(315 + 20, 1);
    expect((lengths[2] ?? 0) - (lengths[1] ?? 0)).toBeCloseTo((lengths[4] ?? 0) - (lengths[3] ?? 0), 1);
  });

  it("names the size that breaks, and why", () => {
    const rows = rowsOf(TEXT.replace(">= 20", ">= 27"));
    expect(rows.map(breaksAt)).toEqual([true, true, false, false, false]);
    expect(rowFaults(rows[0] as RangeRow)).toContain("does not hold: Wide enough");
    expect(of(look(TEXT.replace(">= 20", ">= 27")), "breaks")).toEqual(["“Wide enough” does not hold at sizes 1, 2 of the range."]);
  });

  it("tells a check once, whether it misses on the body that is tried, over the range, or on both; a warning counts", () => {
    // The sample body has half of the range: 105 cm of chest, and a width of 28.25 cm.
    const both = TEXT.replace(">= 20", ">= 29");
    expect(of(look(both), "breaks")).toEqual(["“Wide enough” does not hold on this body and at sizes 1, 2, 3 of the range."]);
    const warned = `${both}  look only\n`;
    expect(of(look(warned), "breaks")).toEqual([]);
    expect(of(look(warned), "looks")).toEqual([
      "“Wide enough” asks for a look on this body and at sizes 1, 2, 3 of the range.",
      "“Front: every edge is sewn or finished” asks for a look on this body and at every size of the range.",
    ]);
    expect(rowLooks(rowsOf(warned)[0] as RangeRow)).toContain("Wide enough");
    expect(of(look(warned.replace(">= 29", ">= 200")), "never-holds")).toEqual([
      "“Wide enough” asks for a look on every body of the range.",
    ]);
  });

  it("tells what cannot be drawn at some sizes, with them", () => {
    // A tape of 27 cm from #1 does not reach the side where that is 28.25 cm away and more.
    const text = TEXT.replace("sew ", "#6 swing 27 from #1 to #2-#3, the upper\nsew ");
    expect(of(look(text), "breaks").filter((says) => says.includes("#6"))).toEqual([
      expect.stringMatching(/^At sizes 3, 4, 5 of the range: step #6 is not drawn: The tape does not reach/),
    ]);
  });
});

it("leads to the author's own line where the system builds on another", () => {
  const text = `system "On it"\n  unit cm\nuses base\nboard S "Sleeve"\nS0 start\nS1 down 3 from S0\nS2 swing 1 from S1 to line across from S0, the left\ncheck "Deep": dist(S0, S1) >= 9\n`;
  const loaded = loadSystem(text, { base: TEXT });
  const rows = [rangeRow(loaded.plan, { size: "1", measurements: sampleBody(loaded.plan), unit: "cm" })];
  const lines = diagnosticsOf(loaded, run(loaded.plan, sampleBody(loaded.plan)), rows)
    .filter(({ code }) => code === "breaks")
    .map(({ statement }) => loaded.system.statements[statement ?? -1]);
  expect(lines).toMatchObject([
    { is: "point", id: "S2" },
    { is: "check", title: "Deep" },
  ]);
});

describe("soundness", () => {
  it("tells what nothing uses, what no tape can show, what is sewn to nothing", () => {
    const findings = look(TEXT);
    expect(of(findings, "unused")).toEqual(["waist is used by nothing.", "#5 is used by nothing."]);
    expect(of(findings, "off-tape")).toEqual(["#4 is set off by less than the tape can show."]);
    expect(of(findings, "unchecked-seam")).toEqual(["Front, side is sewn to nothing and checked by nothing."]);
    expect(of(findings, "wrong-number")).toEqual([]);
    expect(of(findings, "no-grain")).toEqual([]);
  });

  it("tells a sentence that names another point than its rule, or one that is not there", () => {
    const wrong = (from: string, to: string): string[] => of(look(TEXT.replace(from, to)), "wrong-number");
    expect(wrong('"Out from 1."', '"Out from 2."')).toEqual(["The sentence speaks of #2, and the rule does not."]);
    expect(wrong('"Out from 1."', '"Out from 1, past #17."')).toEqual(["The sentence speaks of #17, which is not there."]);
    expect(wrong('"Out from 1."', '"Out from 9."')).toEqual(["The sentence speaks of #9, which is not there."]);
  });

  it("tells a piece without grain, a check that holds nowhere, one that cannot miss, and lines that are not read", () => {
    expect(of(look(TEXT.replace("  grain along #0-#1\n", "")), "no-grain")).toEqual(["Front has no grain."]);
    expect(of(look(TEXT.replace(">= 20", ">= 200")), "never-holds")).toEqual(["“Wide enough” holds on no body of the range."]);
    expect(of(look(`${TEXT}check "Long": dist(#0, #1) = 40 within 1mm\n`), "never-fails")).toEqual([
      "“Long” comes to the same on every body of the range.",
    ]);
    expect(of(look(`${TEXT}nothing that is understood\n`), "unread")[0]).toContain("One line needs fixing.");
  });

  it("is quiet over the library: no broken text, no wrong number, every piece with its grain", () => {
    for (const [slug, text] of Object.entries(NOTATIONS)) {
      const findings = look(text);
      for (const code of ["unread", "wrong-number", "no-grain"] as const) expect(of(findings, code), slug).toEqual([]);
      expect(
        of(findings, "never-holds").filter((says) => says.includes("holds on no body")),
        slug,
      ).toEqual([]);
      // Some are left: marks drawn to be looked at, allowances of parts that are faced.
      expect(findings.length, slug).toBeLessThan(16);
    }
  });
});
