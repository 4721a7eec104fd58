import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import { run } from "../run/run.js";
import { crossesBox } from "../geometry/box.js";
import { amended } from "./assemble.js";
import type { PieceResult } from "./piece.js";
import { grainArrow, titleRoom } from "./room.js";

function piecesOf(lines: string): readonly PieceResult[] {
  const loaded = loadSystem(
    `system "Try"\n  garment block · unit cm\nset allow = 1 from 0 to 5 "Allowance."\nboard A "A"\nA0 start\nA1 out 10 from A0\nA2 down 20 from A0\nA3 down 20 from A1\nA4 midway A1 to A3\ncurve side: A1 > A3, leaving plumb, arriving plumb\n${lines}`,
  );
  expect(loaded.problems).toEqual([]);
  return run(loaded.plan, {}).pieces;
}

const BOX = `piece Box "Box" on A · cut 2 mirrored
  edge top: A0 > A1 · allow allow
  edge side: A1 > A3 · allow 2
  edge hem: A3 > A2 · allow 3 · corner square
  edge centre: A2 > A0 · finished
  grain along A0-A2
  level "Middle": A4-A2
  notch at A4
  double notch at A3
  note "Try it first."
`;

describe("a piece taken off the board", () => {
  const [box] = piecesOf(BOX);

  it("has its edges with lengths, allowances and finish", () => {
    expect(box?.edges.map((e) => [e.name, e.length, e.allowance, e.finish])).toEqual([
      ["Box.top", 100, 10, "seam"],
      ["Box.side", 200, 20, "seam"],
      ["Box.hem", 100, 30, "seam"],
      ["Box.centre", 200, 0, "finished"],
    ]);
    expect(box).toMatchObject({ cut: 2, mirrored: true, onFold: false, area: 20_000, notes: ["Try it first."] });
  });

  it("has notches that point outward, level lines and a grain", () => {
    expect(box?.notches.map(({ id, at, outward, ticks, off }) => ({ id, at, outward, ticks, off }))).toEqual([
      { id: "A4", at: { x: 100, y: 100 }, outward: { x: 1, y: -0 }, ticks: 1, off: 0 },
      { id: "A3", at: { x: 100, y: 200 }, outward: { x: 1, y: -0 }, ticks: 2, off: 0 },
    ]);
    expect(box?.levels).toEqual([{ label: "Middle", a: { x: 100, y: 100 }, b: { x: 0, y: 200 } }]);
    expect(box?.grain).toEqual([
      { x: 0, y: 0 },
      { x: 0, y: 200 },
    ]);
  });

  it("has notches so far along an edge, from where its author begins it, and none past its end", () => {
    const [notched] = piecesOf(`${BOX}  notch on hem at 2 1/2\n  double notch on side at allow + 3\n  notch on top at 11\n`);
    expect(notched?.notches.slice(2).map(({ id, at, ticks }) => [id, Math.round(at.x), Math.round(at.y), ticks])).toEqual([
      ["hem 2 1/2", 75, 200, 1],
      ["side allow + 3", 100, 40, 2],
    ]);
    const text = `system "Try"\n  unit cm\nboard A "A"\nA0 start\nA1 out 4 from A0\nA2 down 4 from A0\npiece Box "Box" on A\n  edge a: A0 > A1 > A2\n  edge b: A2 > A0\n  notch on`;
    expect(loadSystem(`${text} c at 1\n`).problems.map((p) => `${p.why} ${p.fix}`)).toEqual(["This piece has no edge c. It has: a, b."]);
    expect(loadSystem(`${text} a at 1°\n`).problems).toMatchObject([{ line: 10, column: 17 }]);
  });

  it("is the same whichever way round its outline was named", () => {
    const [other] = piecesOf(
      BOX.replace(
        / {2}edge[\s\S]*finished\n/,
        "  edge centre: A0 > A2 · finished\n  edge hem: A2 > A3 · allow 3 · corner square\n  edge side: A3 > A1 · allow 2\n  edge top: A1 > A0 · allow allow\n",
      ),
    );
    expect(other?.area).toBe(20_000);
    expect([...(other?.edges ?? [])].map((e) => e.role).sort()).toEqual([...(box?.edges ?? [])].map((e) => e.role).sort());
    expect(Math.max(...(other?.cutting.map((p) => p.x) ?? []))).toBeCloseTo(120, 9);
  });

  it("turned over, lengths and area stay and the sides change places", () => {
    const [turned] = piecesOf(BOX.replace("mirrored", "mirrored · turned over"));
    expect(turned?.area).toBeCloseTo(20_000, 9);
    expect(turned?.notches[0]?.at.x).toBeCloseTo(0, 9);
    expect(turned?.notches[0]?.outward.x).toBeCloseTo(-1, 9);
  });

  it("runs along drawn curves, either way", () => {
    const [curved] = piecesOf('piece C "C" on A · cut 1\n  edge top: A0 > A1\n  edge side: side\n  edge rest: A3 > A2 > A0\n');
    const [back] = piecesOf('piece C "C" on A · cut 1\n  edge rest: A0 > A2 > A3\n  edge side: side reversed\n  edge top: A1 > A0\n');
    expect(curved?.gap.mm).toBe(0);
    expect(back?.area).toBeCloseTo(curved?.area ?? 0, 6);
    expect(curved?.edges.find((e) => e.role === "rest")?.length).toBe(300);
  });

  it("is left out when a point of it is not there", () => {
    expect(piecesOf(`A5 down 1 from A0\n  when 1 > 2\npiece P "P" on A · cut 1\n  edge a: A0 > A5\n  edge b: A5 > A0\n`)).toEqual([]);
    expect(piecesOf(BOX.replace("  edge top", "  when 1 > 2\n  edge top"))).toEqual([]);
  });
});

describe("room for words and the grain arrow", () => {
  const dart = "A5 start at 5 across 2 down\nA6 start at 5 across 18 down\n";
  const plain = piecesOf(BOX)[0] as PieceResult;
  const darted = piecesOf(`${dart}${BOX}  inside "Dart": A5 > A6\n`)[0] as PieceResult;

  it("the title is near the middle of a piece with nothing in the way", () => {
    const bare = amended(plain, { levels: [] });
    const place = titleRoom(bare, grainArrow(bare))(30, 10);
    expect(place?.x).toBeGreaterThan(40);
    expect(place?.y).toBeCloseTo(100, 0);
  });

  it("it keeps off a dart, a level line and the grain, and stays inside the net line", () => {
    const place = titleRoom(darted, grainArrow(darted))(30, 10) as { x: number; y: number };
    const title = { x: place.x - 15, y: place.y - 5, w: 30, h: 10 };
    const grain = grainArrow(darted) as [{ x: number; y: number }, { x: number; y: number }];
    expect(Math.abs(place.x - 50)).toBeGreaterThanOrEqual(15);
    expect(darted.levels.some((l) => crossesBox(l.a, l.b, title))).toBe(false);
    expect(crossesBox(...grain, title)).toBe(false);
    expect(place.x).toBeGreaterThan(15);
  });

  it("there is none for a title larger than the piece", () => {
    expect(titleRoom(darted, grainArrow(darted))(900, 10)).toBeUndefined();
  });

  it("the grain arrow lies on the piece, along the grain, left of a dart in the middle", () => {
    const [a, b] = grainArrow(darted) as [{ x: number; y: number }, { x: number; y: number }];
    expect(b.x).toBeCloseTo(a.x, 9);
    expect(Math.abs(b.y - a.y)).toBeGreaterThan(40);
    expect(a.x).toBeGreaterThan(0);
    expect(a.x).toBeLessThan(50);
    expect(grainArrow({ ...plain, grain: undefined })).toBeUndefined();
  });
});
