import { describe, expect, it } from "vitest";
import { pathLength } from "../geometry/path/path.js";
import { selfIntersection } from "../geometry/ring/ring.js";
import type { PieceEdge, PieceResult } from "../piece/piece.js";
import { loadSystem } from "../plan/load.js";
import { problemText } from "../system/notation/problem.js";
import { runWithPlan, type RunWithPlan } from "../test/run-with-plan.js";

// A front of 20 by 40 cm with a shoulder dart of 2 cm and a waist dart pointed both ways, whose points meet at the bust.
const FRONT = `system "Try"
  unit cm
set intake = 2 from 0 to 4 "The waist dart."
board A "Front" · centre fold
A0 start
A1 out 20 from A0
A2 down 40 from A1
A3 down 40 from A0
S1 out 9 from A0
S2 out 11 from A0
T1 start at 10 across 15 down
T2 start at 10 across 32 down
W1 start at 10 - intake/2 across 24 down
W2 start at 10 + intake/2 across 24 down
H1 down from T2 to line across from A3
dart shoulder_dart "Shoulder dart": legs S1, S2 to T1
dart waist_dart "Waist dart": legs W1, W2 to T1 and T2
line below: T2 > H1
line straight_down: S1 > H1
line middle: T1 > H1
piece Front "Front" on A · cut 1 on fold
  edge shoulder: A0 > shoulder_dart > A1 · allow 1
  edge side: A1 > A2 · allow 1
  edge hem: A2 > A3 · allow 2
  edge centre: A3 > A0 · fold
  grain along A0-A3
  dart waist_dart
`;
const shaped = (rest: string, settings = {}): RunWithPlan => {
  const { plan, problems } = loadSystem(FRONT + rest);
  expect(problems.map(problemText)).toEqual([]);
  return runWithPlan(plan, {}, settings);
};
const failures = (r: RunWithPlan): string[] =>
  r.shapings.flatMap((s) => (s.outcome.status === "failed" ? [`${s.outcome.why} ${s.outcome.fix}`] : []));
const piece = (r: RunWithPlan, key: string): PieceResult => {
  const found = r.pieces.find((p) => p.key === key);
  if (!found) throw new Error(`no ${key}`);
  return found;
};
const edge = (p: PieceResult, role: string): PieceEdge => {
  const found = p.edges.find((e) => e.role === role);
  if (!found) throw new Error(`${p.key} has no ${role}`);
  return found;
};

describe("splitting along darts", () => {
  const SPLIT = "shape split Front along shoulder_dart and waist_dart and below into Centre_front and Side_front, allow 1\n";

  it("each part takes its own leg, and together they are the piece less what the darts take", () => {
    const r = shaped(SPLIT);
    expect(failures(r)).toEqual([]);
    const [centre, side] = [piece(r, "Centre_front"), piece(r, "Side_front")];
    // By hand: 20 by 40 cm, less a triangle of 2 by 15 cm over 2 and a lozenge of 2 by 17 cm over 2.
    expect(centre.area + side.area).toBeCloseTo(200 * 400 - (20 * 150) / 2 - (20 * 170) / 2, 3);
    // The legs: √(1² + 15²), then √(1² + 9²) and √(1² + 8²) along the waist dart, and 8 cm straight down.
    const seam = 10 * (Math.hypot(1, 15) + Math.hypot(1, 9) + Math.hypot(1, 8) + 8);
    expect(edge(centre, "shoulder_dart").length).toBeCloseTo(seam, 6);
    expect(edge(side, "shoulder_dart").length).toBeCloseTo(seam, 6);
    expect(edge(centre, "shoulder").length).toBeCloseTo(90, 6);
    expect(edge(side, "shoulder").length).toBeCloseTo(90, 6);
    expect([centre.darts, side.darts]).toEqual([[], []]);
    expect([centre.onFold, side.onFold]).toEqual([true, false]);
    for (const p of [centre, side]) expect(selfIntersection(p.cutting)).toBeUndefined();
  });

  it("no dart at all is a plain cut: the parts are the whole", () => {
    const r = shaped(SPLIT.replace("waist_dart and below", "middle"), { intake: "0.2" });
    expect(failures(r)).toEqual([]);
    expect(piece(r, "Centre_front").area + piece(r, "Side_front").area).toBeCloseTo(200 * 400 - (20 * 150) / 2, 3);
  });

  it("along a dart that was moved, it is right as well", () => {
    const r = shaped(
      "B1 start at 20 across 20 down\nshape close shoulder_dart in Front about T1, open from B1\nshape split Front along below and waist_dart and shoulder_dart into Upper and Lower\n",
    );
    expect(failures(r)).toEqual([]);
    const [upper, lower] = [piece(r, "Upper"), piece(r, "Lower")];
    expect(upper.darts.length + lower.darts.length).toBe(0);
    expect(upper.area + lower.area).toBeCloseTo(200 * 400 - (20 * 150) / 2 - (20 * 170) / 2, 0);
    expect(edge(upper, "below").length).toBeCloseTo(edge(lower, "below").length, 1);
  });

  it("a line that runs into a dart, or through one, is refused with what to write", () => {
    for (const line of ["straight_down", "middle"]) {
      const r = shaped(`shape split Front along ${line} into Left and Right\n`);
      expect(failures(r)[0]).toMatch(/runs into the dart|does not run from edge to edge/);
      expect(r.pieces.map((p) => p.key)).toEqual(["Front"]);
    }
    expect(failures(shaped("shape split Front along straight_down into Left and Right\n"))[0]).toContain(
      "Cut along the dart itself: split Front along shoulder_dart",
    );
  });

  it("between two points, with an allowance", () => {
    const r = shaped(
      "M1 start at 0 across 12 down\nM2 start at 20 across 12 down\n"
        .concat("shape split Front from M1 to M2 into Yoke and Lower, allow 1\n")
        .replace("12 down\nM2", "10 down\nM2"),
    );
    expect(failures(r)[0]).toContain("runs into the dart");
    const plain = shaped(
      "M1 start at 0 across 36 down\nM2 start at 20 across 36 down\nshape split Front from M1 to M2 into Upper and Lower, allow 1\n",
    );
    expect(failures(plain)).toEqual([]);
    expect(edge(piece(plain, "Lower"), "cut")).toMatchObject({ allowance: 10 });
  });
});

describe("what is shaped is drawn from below", () => {
  it("points, lengths and lines of edges as they are then", () => {
    const r = shaped(`shape extend Front.hem by 5
value longer = len(Front.side) "The side as it is now."
B0 along Front.side, 1/2 of the way
trace copied: Front.hem offset 2 up
C0 along Front.hem, 0 of the way
C1 along Front.hem, 1 of the way
C2 along copied, 1 of the way
C3 along copied, 0 of the way
piece Band "Band" on A
  edge top: Front.hem
  edge left: C1 > C2
  edge bottom: copied reversed
  edge right: C3 > C0
`);
    expect(failures(r)).toEqual([]);
    expect(r.outcomes.filter((o) => o.status === "failed")).toEqual([]);
    const { scope } = r.plan;
    expect(r.environment.slots[scope.names.get("longer")?.slot ?? -1]).toBeCloseTo(450, 6);
    expect(r.environment.points[scope.points.get("B0") ?? -1]).toEqual({ x: 200, y: 225 });
    expect(r.pieces.map((p) => p.key)).toEqual(["Front", "Band"]);
    expect(piece(r, "Band").area).toBeCloseTo(200 * 20, 3);
  });

  it("an edge that a shaping took away is told at the step that draws from it", () => {
    const r = shaped("shape unfold Front\nB0 along Front.centre, 1/2 of the way\n");
    const last = r.outcomes.at(-1);
    expect(last?.status === "failed" && last.why).toContain("Front.centre");
  });
});

describe("pieces from pieces", () => {
  it("a strip keeps its width from the edge, and ends where it meets the neighbours", () => {
    const r = shaped("piece Facing from Front, strip 5 along side\n");
    expect(failures(r)).toEqual([]);
    const facing = piece(r, "Facing");
    expect(facing.area).toBeCloseTo(50 * 400, 3);
    expect(facing.edges.map((e) => e.role).sort()).toEqual(["hem", "inner", "shoulder", "side"]);
    expect(edge(facing, "inner")).toMatchObject({ finish: "finished", allowance: 0 });
    expect(facing.onFold).toBe(false);
  });

  it("round a corner the inner edge turns with it", () => {
    const r = shaped("piece Facing from Front, strip 5 along side and hem\n");
    // By hand: 5 by 40 cm down the side and 5 by 20 along the hem, the corner counted once.
    expect(piece(r, "Facing").area).toBeCloseTo(50 * 400 + 50 * 200 - 50 * 50, 3);
  });

  it("what a strip leaves is the rest of the piece, sewn to the strip where the two were one", () => {
    const r = shaped("piece Facing from Front, strip 5 along side and hem\npiece Lining from Front, less 5 along side and hem\n");
    expect(failures(r)).toEqual([]);
    const [facing, lining] = [piece(r, "Facing"), piece(r, "Lining")];
    expect(facing.area + lining.area).toBeCloseTo(piece(r, "Front").area, 3);
    expect(edge(lining, "inner")).toMatchObject({ finish: "seam", allowance: edge(piece(r, "Front"), "side").allowance });
    expect(pathLength(edge(lining, "inner").path)).toBeCloseTo(pathLength(edge(facing, "inner").path), 6);
    expect(lining.edges.map((e) => e.role)).not.toContain("side");
    expect(lining.onFold).toBe(true);
  });

  it("lines drawn inside are cut off where the part ends", () => {
    const r = shaped('piece Front also: inside "Roll line": A3 > A1\npiece Lining from Front, less 5 along side\n');
    const whole = pathLength(piece(r, "Front").inside[0]?.path ?? { segments: [] });
    const [kept] = piece(r, "Lining").inside;
    expect(kept?.label).toBe("Roll line");
    // The strip is a quarter of the piece wide.
    expect(pathLength(kept?.path ?? { segments: [] }) / whole).toBeCloseTo(0.75, 6);
  });

  it("an edge finished without allowance and given some is there to be sewn", () => {
    const r = shaped("piece Facing from Front, strip 5 along side\n  allow 1 on inner\n");
    expect(edge(piece(r, "Facing"), "inner")).toMatchObject({ finish: "seam", allowance: 10, treatment: "open" });
  });

  it("says what cannot be: edges apart, no room, no such edge", () => {
    expect(failures(shaped("piece Facing from Front, strip 5 along side and centre\n"))[0]).toContain("do not lie beside each other");
    expect(failures(shaped("piece Facing from Front, strip 30 along side and hem\n"))[0]).toMatch(/room for|beside it are long/);
    expect(failures(shaped("piece Facing from Front, strip 5 along neck\n"))[0]).toContain("Front has no edge neck");
  });

  it("a lining is the piece with a pleat and its own allowances; the piece stays as it was", () => {
    const r = shaped('piece Lining from Front · cut 2\n  pleat 2 at centre\n  allow 3 on hem, side\n  note "Of lining."\n');
    const [front, lining] = [piece(r, "Front"), piece(r, "Lining")];
    expect(lining).toMatchObject({ title: "Lining", cut: 2 });
    expect(lining.area - front.area).toBeCloseTo(20 * 400, 3);
    expect([edge(lining, "hem").allowance, edge(front, "hem").allowance]).toEqual([30, 20]);
    expect(lining.notes).toEqual(["Of lining."]);
  });

  it("more is said of a piece, and one is left out", () => {
    const r = shaped("piece Front also: notch on side at 7\nleave out Front when intake > 3\n");
    expect(piece(r, "Front").notches.map((n) => Math.round(n.at.y * 1e6) / 1e6)).toEqual([70]);
    expect(shaped("leave out Front when intake > 3\n", { intake: 4 }).pieces).toEqual([]);
  });
});

describe("smoothing", () => {
  it("a corner of an edge becomes a curve over so much before and after; the rest stays", () => {
    const before = shaped("");
    const r = shaped("shape smooth Front at A1, 3 before, 4 after\n");
    expect(failures(r)).toEqual([]);
    const [shoulder, side] = [edge(piece(r, "Front"), "shoulder"), edge(piece(r, "Front"), "side")];
    expect(pathLength(shoulder.path)).toBeLessThan(pathLength(edge(piece(before, "Front"), "shoulder").path));
    expect(side.places[0]?.x).toBeLessThan(200);
    // Four centimetres from the corner the side runs as it did.
    expect(side.places.some((p) => Math.abs(p.x - 200) < 1e-6 && Math.abs(p.y - 40) < 1e-6)).toBe(true);
    expect(piece(before, "Front").area - piece(r, "Front").area).toBeGreaterThan(50);
  });

  it("refuses more than an edge has, and corners it does not know", () => {
    expect(failures(shaped("shape smooth Front at A1, 3 before, 50 after\n"))[0]).toContain("shorter than what is to be rounded");
    expect(failures(shaped("shape smooth Front at nowhere, 3 before, 3 after\n"))[0]).toContain("no point and no seam called nowhere");
    expect(failures(shaped("shape smooth Front at A0, 3 before, 3 after\n"))[0]).toContain(
      "The fold stays straight".toLowerCase().slice(4),
    );
  });
});

describe("joins of unlike edges", () => {
  it("tell the gap at its widest", () => {
    const r = shaped(`P1 start at 5 across 20 down
curve cut: A3 > P1 > A1
piece Other "Other" on A
  edge round: cut
  edge right: A1 > A2
  edge hem: A2 > A3
shape join Other.round to Front.hem into Whole
`);
    expect(r.warnings.map((w) => w.text).join()).toMatch(/Joined at hem, the two edges lie [\d.]+ cm apart at the widest/);
  });
});

describe("grain, marks and runs of points", () => {
  it("the grain turns clockwise from its line; marks lie on their points", () => {
    const r = shaped(`B1..B4 evenly from A0 to A3
piece Other "Other" on A · cut 1 on fold
  edge top: A0 > A1
  edge side: A1 > A2
  edge hem: A2 > A3
  edge centre: A3 > A0 · fold
  grain along A0-A3 at 45°
  button at B1
  buttonhole at B2..B3, length 2 across
  drill at B4
`);
    const other = piece(r, "Other");
    const [a, b] = other.grain ?? [];
    expect(Math.atan2((b?.y ?? 0) - (a?.y ?? 0), (b?.x ?? 0) - (a?.x ?? 0))).toBeCloseTo((3 * Math.PI) / 4, 9);
    expect(other.marks.map((m) => [m.kind, m.at.y, m.length])).toEqual([
      ["button", 0, undefined],
      ["buttonhole", expect.closeTo(400 / 3, 9), 20],
      ["buttonhole", expect.closeTo(800 / 3, 9), 20],
      ["drill", 400, undefined],
    ]);
  });
});
