import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import { run } from "../run/run.js";
import { readShelf } from "../test/shelf.js";
import type { CheckResult } from "./result.js";

function checksOf(text: string, measurements: Record<string, string> = {}, settings: Record<string, string> = {}): readonly CheckResult[] {
  const { plan, problems } = loadSystem(`system "Try"\n  garment block · unit cm\n${text}`);
  expect(problems).toEqual([]);
  return run(plan, measurements, settings).checks;
}
const named = (part: string, checks: readonly CheckResult[]): CheckResult | undefined => checks.find((c) => c.name.includes(part));

describe("what is placed on something is on it", () => {
  const SQUARE = `board A "A"
A0 start
A1 out 20 from A0
A2 down 30 from A0
A3 down 30 from A1
line side: A1 > A3
`;
  const piece = (marks: string): string => `${SQUARE}A7 out 10 from A0
A8 out 25 from A0
piece Front "Front" on A · cut 1
  edge top: A0 > A1
  edge side: side
  edge hem: A3 > A2
  edge centre: A2 > A0
  ${marks}
`;

  it("a length past the end of its line is reported, unless that is written", () => {
    // Twenty across and thirty down: fifty long.
    const off = (step: string): unknown =>
      named("is on edge", checksOf(`${SQUARE}line edge: A0 > A1 > A3\nA5 along edge from A0, 30\n${step}`));
    expect(off("A9 along edge from A5, 25")).toMatchObject({ name: "A9 is on edge", status: "warn", got: 50, at: { x: 200, y: 350 } });
    expect(off("A9 along edge from A5, 20")).toBeUndefined();
    expect(off("A9 along edge from A3, 5")).toBeUndefined();
    expect(off("A9 along edge from A3, beyond 5")).toBeUndefined();
    expect(off("A9 along A1-A3 from A5, 25")).toBeUndefined();
  });

  it("a button, a hole or a line beside its piece is reported", () => {
    const marks = (line: string): string | undefined => named("every mark", checksOf(piece(line)))?.status;
    expect(marks("button at A7")).toBeUndefined();
    expect(marks("button at A8")).toBe("fail");
    expect(marks("drill at A8")).toBe("fail");
    expect(marks('inside "Slit": A7 > A2')).toBeUndefined();
    expect(marks('inside "Slit": A7 > A8')).toBe("fail");
  });
});

describe("edges run on over a seam", () => {
  const SEWN = `set fall = 0 from -20 to 20 "How far the lower edge falls at the side."
board A "A" · centre fold
A0 start
A1 out 20 from A0
A2 down 30 from A0
A3 down 30 + fall from A1
piece Front "Front" on A · cut 1 on fold
  edge top: A0 > A1
  edge side: A1 > A3
  edge hem: A3 > A2
  edge centre: A2 > A0 · fold
piece Back "Back" on A · cut 1 on fold
  edge top: A0 > A1
  edge side: A1 > A3
  edge hem: A3 > A2
  edge centre: A2 > A0 · fold
sew Front.side with Back.side
`;

  it("level edges do, on both ends of the seam", () => {
    const found = checksOf(SEWN).filter((c) => c.name.includes("runs on over the side"));
    expect(found.map((c) => [c.name, c.status])).toEqual([
      ["Front and Back: top runs on over the side", "pass"],
      ["Front and Back: hem runs on over the side", "pass"],
    ]);
    expect(found.every((c) => Math.abs(c.got - Math.PI) < 1e-9)).toBe(true);
  });

  it("hems that fall to the side make a corner there, told with its angle and its place", () => {
    // By hand: 2 cm over 20 cm, atan(0.1) on each side, taken from the half turn.
    const off = named("hem runs on", checksOf(SEWN, {}, { fall: "2" }));
    expect(off).toMatchObject({ status: "warn", at: { x: 200, y: 320 }, edges: ["Front.side", "Back.side"] });
    expect(off?.got).toBeCloseTo(Math.PI - 2 * Math.atan(0.1), 9);
    expect(named("hem runs on", checksOf(SEWN, {}, { fall: "1" }))?.status).toBe("pass");
  });

  it("a facing lies on the piece it was made from: nothing runs on over its seam", () => {
    const faced = `${SEWN}piece Facing from Front, strip 4 along top\nsew Front.top with Facing.top\n`;
    expect(checksOf(faced).filter((c) => c.name.includes("over the top"))).toEqual([]);
    expect(named("hem runs on over the side", checksOf(faced))?.status).toBe("pass");
  });

  it("a corner on purpose is not asked about, nor where different edges meet", () => {
    const pointed = SEWN.replace("edge hem: A3 > A2", "edge hem: A3 > A2 · pointed");
    expect(named("hem runs on", checksOf(pointed, {}, { fall: "5" }))).toBeUndefined();
    expect(named("runs on", checksOf(SEWN.replace(/edge (hem|top)/, "edge $1_one")))?.name).toContain("hem");
  });
});

describe("a curve flows", () => {
  const curves = (arriving: string): string => `board A "A" · centre edge
A0 start
A1 out 10 from A0
A2 down 10 from A1
A3 down 20 from A0
curve upper: A0 > A2, leaving level, arriving ${arriving}
curve lower: A2 > A3, leaving plumb, arriving level
piece Bow "Bow" on A · cut 1
  edge curved: upper > lower
  edge back: A3 > A0
`;

  it("where two curves share a direction", () => {
    expect(named("curved flows", checksOf(curves("plumb")))).toMatchObject({ status: "pass", name: "Bow: curved flows without a corner" });
  });

  it("and not where they meet at an angle", () => {
    const off = named("curved flows", checksOf(curves("at 60")));
    expect(off).toMatchObject({ status: "warn", at: { x: 100, y: 100 } });
    expect(off?.got).toBeCloseTo(Math.PI / 6, 6);
  });

  it("corners of straight lines are drawn on purpose", () => {
    expect(named("flows", checksOf(curves("plumb").replace("upper > lower", "A0 > A1 > A2 > A3")))).toBeUndefined();
  });
});

describe("what must go through an opening", () => {
  // Two quarters of a neck, 10 cm each: 40 cm round.
  const neck = (front = "on fold", rest = ""): string => `measure head girth 40..70 "Round the head."
  only for a check
set give number = 0 from 0 to 100 "Per cent."
board A "A" · centre fold
A0 start
A1 out 10 from A0
A2 down 30 from A1
A3 down 30 from A0
piece Front "Front" on A · cut ${front === "on fold" ? 1 : 2} ${front}
  edge neck: A0 > A1
  edge side: A1 > A2
  edge hem: A2 > A3
  edge centre: A3 > A0${front === "on fold" ? " · fold" : ""}
piece Back "Back" on A · cut 1 on fold
  edge neck: A0 > A1
  edge side: A1 > A2
  edge hem: A2 > A3
  edge centre: A3 > A0 · fold
sew Front.side with Back.side
${rest}`;
  const over = (text: string, head = "", give = "0"): CheckResult | undefined =>
    named("Neck of Front, Back passes over the head", checksOf(text, head === "" ? {} : { head }, { give }));

  it("a neck with both centres on the fold must pass over the head, or is looked at", () => {
    expect(over(neck(), "56")).toMatchObject({ status: "warn", got: 400, expected: 560, edges: ["Front.neck", "Back.neck"] });
    expect(over(neck(), "40")?.status).toBe("pass");
    expect(over(neck())?.expected).toBe(570);
  });

  it("not when a piece opens in the centre, or its author says how it closes", () => {
    expect(over(neck("mirrored"), "56")).toBeUndefined();
    expect(over(neck("on fold", 'closes "A slit in front."\n'), "56")).toBeUndefined();
    expect(over(neck("on fold", 'closes "A slit in front."\n  when give > 0\n'), "56")?.status).toBe("warn");
  });

  it("cloth that gives helps, as far as it gives", () => {
    const jersey = neck("on fold", "cloth stretches give/100\n");
    expect(over(jersey, "56", "39")).toMatchObject({ status: "warn", got: 556 });
    expect(over(jersey, "56", "40")?.status).toBe("pass");
  });

  it("an author names others: the hips, the hand, the bust", () => {
    const hips = neck(
      "on fold",
      'passes "Waist over the hips": 4*dist(#A3, #A2) over head\n  at A2\n  cause "Set in a zip."\ncloth stretches give/100\n',
    );
    expect(named("Waist over the hips", checksOf(hips, { head: "44" }))).toMatchObject({
      status: "fail",
      got: 400,
      expected: 440,
      at: { x: 100, y: 300 },
      cause: "Set in a zip.",
    });
    expect(named("Waist over the hips", checksOf(hips, { head: "44" }, { give: "10" }))?.status).toBe("pass");
    expect(
      named("Waist over the hips", checksOf(hips.replace('"Set in a zip."', '"Set in a zip."\n  look only'), { head: "44" }))?.status,
    ).toBe("warn");
    expect(named("Waist over the hips", checksOf(hips))).toBeUndefined();
  });
});

describe("the waist stays on the paper", () => {
  const levels = (waist: number): string => `board A "Front" · centre fold
A0 start
A1 out 24 from A0
A2 down 10 from A0
A3 out ${waist} from A2
A4 down 20 from A0
A5 out 6 from A4
level hip "Hip line" at hip: A0 > A1
level waist_line "Waist line" at waist: A2 > A3
`;

  it.each([
    [23, "pass"],
    [24, "pass"],
    [24.5, "warn"],
  ])("%s cm on paper folded for 24: %s", (waist, status) => {
    expect(named("waist on the paper", checksOf(levels(waist)))).toMatchObject({
      status,
      got: waist * 10,
      expected: 240,
      at: { x: waist * 10, y: 100 },
    });
  });

  it("only a level that begins where the waist does tells how wide the paper is", () => {
    // From the dart out, 10 cm from the centre: no level of the paper.
    const part = levels(20).replace("A0 > A1", "A5 > A1").replace("A5 out 6 from A4", "A5 out 10 from A4");
    expect(named("waist on the paper", checksOf(part))).toBeUndefined();
  });
});

describe("the cutting line goes along every edge", () => {
  // A slit down from the top of a square piece, as wide as it says: allowances of 1 cm on both its sides fill 2 cm.
  const slit = (wide: number): string => `board A "A"
A0 start
A1 out 10 from A0
A2 out ${wide} from A1
A3 out 10 from A2
A4 down 30 from A3
A5 down 30 from A0
B1 down 20 from A1
B2 down 20 from A2
piece Front "Front" on A · cut 1
  edge left: A0 > A1 · allow 1
  edge slit: A1 > B1 > B2 > A2 · allow 1
  edge right: A2 > A3 · allow 1
  edge side: A3 > A4 · allow 1
  edge hem: A4 > A5 · allow 1
  edge other_side: A5 > A0 · allow 1
`;

  it("a slit that its allowances fill is told, with its place", () => {
    const check = named("cutting line goes along", checksOf(slit(1)));
    expect(check).toMatchObject({ status: "warn", id: "cutting-follows Front", board: "A" });
    expect(check?.at?.y).toBeGreaterThan(30);
    expect([100, 110]).toContain(check?.at?.x);
  });

  it("one that is wide enough is cut round", () => {
    expect(named("cutting line goes along", checksOf(slit(5)))?.status).toBe("pass");
  });

  it("on every system of the library it is", () => {
    for (const { plan, examples } of readShelf()) {
      const { checks } = run(plan, examples[0].measurements, examples[0].settings);
      expect(checks.filter((c) => c.id.startsWith("cutting-follows") && c.status !== "pass")).toEqual([]);
    }
  });
});

it("no check of the library fails, and none cries, on the body it was worked out for", () => {
  const never = readShelf().flatMap(({ slug, plan, examples }) =>
    run(plan, examples[0].measurements, examples[0].settings)
      .checks.filter((c) => c.statement !== undefined && c.status !== "pass")
      .map((c) => `${slug}: ${c.name}`),
  );
  // Those two hold a graded pattern against the row of an older child: that steps and rows differ is what they show.
  expect(never).toEqual([
    "20-child-bodice-with-grading: Graded neck against the older child's row",
    "20-child-bodice-with-grading: Graded shoulder against the older child's row",
  ]);
});

it("no step, piece or answer of the library is doubted on the bodies it was worked out for", () => {
  const doubts = readShelf().flatMap(({ slug, plan, examples }) =>
    examples.flatMap(({ measurements, settings }) => run(plan, measurements, settings).warnings.map((w) => `${slug}: ${w.text}`)),
  );
  expect(doubts).toEqual([]);
});
