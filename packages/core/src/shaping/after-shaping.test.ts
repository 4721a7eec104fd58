import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import { runWithPlan as run, type RunWithPlan as Run } from "../test/run-with-plan.js";
import type { PieceResult } from "../piece/piece.js";
import { shapePartly } from "../run/shapings.js";

function shaped(text: string): Run {
  const { plan, problems } = loadSystem(`system "Try"\n  unit cm\n${text}`);
  expect(problems).toEqual([]);
  return run(plan, {});
}
const piece = (r: Run, key: string): PieceResult => r.pieces.find((p) => p.key === key) as PieceResult;
const lengths = (p: PieceResult): Record<string, number> =>
  Object.fromEntries(p.edges.map((e) => [e.role, Math.round(e.length * 1e4) / 1e4]));

// A back 30 by 40 cm; its centre is to lose 3 cm above the waist, 20 cm down, hinged at the side.
const BACK = `board B "Back" · centre edge
B0 start
B1 out 30 from B0
B2 down 40 from B0
B3 down 40 from B1
B4 down 20 from B0
B5 down 20 from B1
B6 up 3 from B4
B7 out 10 from B4
B8 up 8 from B7
B9 out 1 from B7
B10 in 1 from B7
B11 down 7 from B7
line slant: B6 > B5
dart waist_dart "Waist dart": legs B10, B9 to B8 and B11, pressed in
piece Back "Back" on B · cut 2 mirrored
  edge top: B0 > B1
  edge side: B1 > B3
  edge hem: B3 > B2
  edge centre: B2 > B0
  grain along B4-B2
`;

describe("a wedge folded away between two points", () => {
  it("turns what lies above by the angle between them, and moves nothing below", () => {
    const r = shaped(`${BACK}shape fold Back from B6 and B4 to B5\n`);
    const back = piece(r, "Back");
    expect(lengths(back)).toMatchObject({ top: 300, side: 400, hem: 300 });
    // By hand: the wedge is a right-angled triangle of 30 by 3 cm; turned, its slant lies on the level line and is longer by the difference.
    const step = Math.hypot(300, 30) - 300;
    expect(back.edges.find((e) => e.role === "centre")?.length).toBeCloseTo(400 - 30 + step, 3);
    expect((r.drafted[0]?.area ?? 0) - back.area).toBeCloseTo((300 * 30) / 2, 3);
    expect(back.net.some((p) => Math.hypot(p.x, p.y - 400) < 1e-9)).toBe(true);
  });

  it("can be watched half done", () => {
    const r = shaped(`${BACK}shape fold Back from B6 and B4 to B5\n`);
    const [half] = shapePartly(r.plan, r.shapings[0] as Run["shapings"][number], r.environment, 0.5);
    expect((r.drafted[0]?.area ?? 0) - (half?.area ?? 0)).toBeCloseTo((300 * 15) / 2, 3);
  });

  it("leaves both its points on the outline, where the edge may be smoothed", () => {
    for (const at of ["B6", "B4"]) {
      const r = shaped(`${BACK}shape fold Back from B6 and B4 to B5\nshape smooth Back at ${at}, 2 before, 2 after\n`);
      expect(
        r.shapings.map(({ outcome }) => outcome.status),
        at,
      ).toEqual(["done", "done"]);
    }
  });

  it("is refused inside a piece, with what to do instead", () => {
    const r = shaped(`${BACK}shape fold Back from B6 and B4 to B7\n`);
    expect(r.shapings[0]?.outcome).toMatchObject({
      status: "failed",
      why: "The wedge ends at B7, inside Back: paper that is folded away there does not lie flat.",
      fix: expect.stringContaining("close it, and open another"),
    });
  });

  it("opens in one edge only", () => {
    const r = shaped(`${BACK}shape fold Back from B6 and B1 to B5\n`);
    expect(r.shapings[0]?.outcome).toMatchObject({ status: "failed", why: "B6 and B1 do not lie on one edge of Back." });
  });
});

describe("drawn after the shaping", () => {
  it("a dart lies where the board has it, though the paper under it was turned", () => {
    const r = shaped(`${BACK}shape fold Back from B6 and B4 to B5\nshape draw waist_dart on Back\n`);
    const [dart] = piece(r, "Back").darts;
    expect(dart).toMatchObject({ key: "waist_dart", label: "Waist dart", pressed: { x: -1, y: 0 }, mouth: undefined });
    expect(dart?.intake).toBeCloseTo(20, 9);
    expect(dart?.fold.map((p) => p.x)).toEqual([100, 100]);
    expect(r.drafted[0]?.darts).toEqual([]);
  });

  it("a line is drawn inside, by its name", () => {
    expect(piece(shaped(`${BACK}shape draw slant on Back\n`), "Back").inside.map((l) => l.label)).toEqual(["slant"]);
  });

  it("what is not on the draft is told", () => {
    const r = shaped(`${BACK.replace("line slant: B6 > B5", "line slant: B6 > B5\n  when 1 > 2")}shape draw slant on Back\n`);
    expect(r.shapings[0]?.outcome).toMatchObject({ status: "failed", why: "slant is not on this draft." });
  });
});

describe("a strip of the front joined to the back", () => {
  // Front and back drawn the same way round, the neck to the left: a strip 3 cm deep moves the shoulder forward.
  const SHOULDERS = `board F "Front" · centre edge
F0 start
F1 out 10 from F0
F2 out 22 from F0
F3 down 30 from F0
F4 down 30 from F2
F5 down 8 from F0
F6 on F5-F1 at 3 down
F7 down 3 from F2
line shoulder: F6 > F7
piece Front "Front" on F · cut 2 mirrored
  edge neck: F5 > F1
  edge old_shoulder: F1 > F2
  edge armhole: F2 > F4
  edge hem: F4 > F3
  edge centre: F3 > F5
piece Back "Back" on F · cut 1 on fold
  edge neck: F0 > F1
  edge old_shoulder: F1 > F2
  edge armhole: F2 > F4
  edge hem: F4 > F3
  edge centre: F3 > F0 · fold
shape split Front along shoulder into Strip and Front
shape join Strip.old_shoulder turned over to Back.old_shoulder into Back
`;

  it("turned over: neck comes to neck and armhole to armhole, and what one loses the other gains", () => {
    const r = shaped(`${SHOULDERS}check "Shoulders agree": len(Front.shoulder) = len(Back.shoulder)\n`);
    const [front, back] = [piece(r, "Front"), piece(r, "Back")];
    expect(r.pieces).toHaveLength(2);
    const whole = r.drafted.reduce((sum, p) => sum + p.area, 0);
    expect(front.area + back.area).toBeCloseTo(whole, 4);
    expect(lengths(back)["armhole"]).toBeCloseTo(300 + 30, 6);
    expect(lengths(back)["centre"]).toBeCloseTo(300, 6);
    expect(back.edges.filter((e) => e.role === "neck")).toHaveLength(1);
    expect(back.gap.mm).toBeLessThan(1e-6);
    expect(r.checks.find((c) => c.name === "Shoulders agree")).toMatchObject({ status: "pass", got: lengths(front)["shoulder"] });
    // The strip lies above the old shoulder, its outer edge level, three centimetres up.
    expect(Math.min(...back.net.map((p) => p.y))).toBeCloseTo(-30, 6);
  });

  it("as it lies, it would bring the armhole to the neck, which is told", () => {
    const r = shaped(SHOULDERS.replace(" turned over", ""));
    const told = "Joined as the pieces lie, the neck of one comes to the armhole of the other: write turned over.";
    expect(r.warnings.map((w) => w.text).join()).toMatch(new RegExp(told.replace(/neck|armhole/g, "(?:neck|armhole)")));
    expect(
      shaped(SHOULDERS)
        .warnings.map((w) => w.text)
        .join(),
    ).not.toContain("turned over");
    expect(lengths(piece(r, "Back"))["armhole"]).not.toBeCloseTo(330, 1);
  });
});
