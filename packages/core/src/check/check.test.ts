import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import { run } from "../run/run.js";
import type { CheckResult } from "./result.js";

/** A rectangle 20 by 30 cm, as one piece on the fold and a strip to sew to it; `more` adds or changes lines. */
const RECTANGLE = `system "Try"
  garment block · unit cm
measure girth girth 10..200 "Round."
set wide = 20 from 1 to 90 "Width."
set slant = 0 from -20 to 20 "How far the lower edge falls at the side."
board A "A" · centre fold
A0 start
A1 out wide from A0
A2 down 30 from A0
A3 down 30 + slant from A1
piece Front "Front" on A · cut 1 on fold
  edge shoulder: A0 > A1
  edge side: A1 > A3
  edge hem: A3 > A2
  edge centre: A2 > A0 · fold
piece Back "Back" on A · cut 1 on fold
  edge shoulder: A0 > A1
  edge side: A1 > A3
  edge hem: A3 > A2
  edge centre: A2 > A0 · fold
`;

function checksOf(more: string, settings: Record<string, string> = {}): readonly CheckResult[] {
  const loaded = loadSystem(RECTANGLE + more);
  expect(loaded.problems).toEqual([]);
  return run(loaded.plan, { girth: "80" }, settings).checks;
}
const one = (more: string, settings: Record<string, string> = {}): CheckResult | undefined => checksOf(more, settings)[0];

describe("an author's checks", () => {
  it.each([
    ['check "c": 4*wide = girth', {}, "pass"],
    ['check "c": 4*wide = girth', { wide: "20.01" }, "fail"],
    ['check "c": 4*wide = girth within 2', { wide: "20.4" }, "pass"],
    ['check "c": 4*wide = girth within 2', { wide: "20.6" }, "fail"],
    ['check "c": len(Front.side) = len(Back.side)', {}, "pass"],
    ['check "c": wide between 10 and 20', {}, "pass"],
    ['check "c": wide between 10 and 20', { wide: "20.1" }, "fail"],
    ['check "c": wide between 10 and 20', { wide: "9" }, "fail"],
    ['check "c": 10 <= wide <= 20', { wide: "9" }, "fail"],
    ['check "c": wide < girth', {}, "pass"],
    ['check "c": wide > girth\n  look only', {}, "warn"],
  ])("%s with %j: %s", (text, settings, status) => {
    expect(one(text, settings)?.status).toBe(status);
  });

  it("tells the two figures, the place, the edges and the usual cause", () => {
    expect(one('check "Side": len(Front.side) = 31 within 1/2\n  at A3\n  cause "The hem was cut askew."')).toMatchObject({
      status: "fail",
      kind: "length",
      got: 300,
      expected: 310,
      tolerance: 5,
      at: { x: 200, y: 300 },
      edges: ["Front.side"],
      cause: "The hem was cut askew.",
    });
  });

  it("applies only when its condition holds", () => {
    expect(one('check "c": wide > girth\n  when girth > 90')?.name).not.toBe("c");
  });
});

describe("the checks that are always made", () => {
  const named = (part: string, more = "", settings: Record<string, string> = {}): CheckResult | undefined =>
    checksOf(more, settings).find((c) => c.name.includes(part));

  it("a hem that falls away from the fold is not square there", () => {
    expect(named("hem square at the fold")?.status).toBe("pass");
    const off = named("hem square at the fold", "", { slant: "2" });
    expect(off?.status).toBe("warn");
    // By hand: 2 cm over 20 cm is an angle of atan(0.1), 5.71 degrees.
    expect(Math.abs((off?.got ?? 0) - Math.PI / 2)).toBeCloseTo(Math.atan(0.1), 9);
    expect(named("hem square at the fold", "", { slant: "1" })?.status).toBe("pass");
  });

  it("sewn edges that differ are told with both lengths", () => {
    expect(named("edges agree", "sew Front.side with Back.hem")).toMatchObject({ status: "fail", got: 300, expected: 200 });
    expect(named("edges agree", "sew Front.side with Back.side")?.status).toBe("pass");
    expect(named("edges agree", "sew Front.side with Back.hem within 10")?.status).toBe("pass");
  });

  it("an outline that crosses itself fails and shows where", () => {
    const crossed = named(
      "does not cross itself",
      'piece Bow "Bow" on A · cut 1\n  edge a: A0 > A3\n  edge b: A3 > A1\n  edge c: A1 > A2\n  edge d: A2 > A0\n',
      {},
    );
    expect(crossed?.status).toBe("pass");
    const bow = checksOf('piece Bow "Bow" on A · cut 1\n  edge a: A0 > A3\n  edge b: A3 > A1\n  edge c: A1 > A2\n  edge d: A2 > A0\n').find(
      (c) => c.name.startsWith("Bow: outline does not"),
    );
    expect(bow).toMatchObject({ status: "fail", at: { x: 100, y: 150 } });
  });

  it("an outline that does not close fails and says how wide the gap is", () => {
    const open = checksOf('piece Gap "Gap" on A · cut 1\n  edge a: A0 > A1\n  edge b: A1 > A3\n  edge c: A3 > A2\n').find((c) =>
      c.name.startsWith("Gap: outline closed"),
    );
    expect(open).toMatchObject({ status: "fail", got: 300 });
  });

  it("a shoulder longer than any body's is looked at", () => {
    expect(named("shoulder length within human range")?.status).toBe("pass");
    expect(named("shoulder length within human range", "", { wide: "40" })?.status).toBe("warn");
  });
});
