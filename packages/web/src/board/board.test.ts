import { type Box, crossesBox, grainArrow, loadSystem, type PieceResult, run } from "@lodrin/core";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { besideCourse } from "./beside-course.js";
import { fitTitle, linesAt } from "./fit-title.js";
import { gridOf, ruling } from "./grid.js";
import { placeLabels } from "./labels.js";
import { nearestTo } from "./nearest.js";
import { fitView, toScreen } from "./view.js";

describe("the view", () => {
  const PAD = { left: 40, top: 40, right: 20, bottom: 60 };

  it("fits any drawing into the glass, whole and in proportion", () => {
    fc.assert(
      fc.property(
        fc.double({ min: -500, max: 500, noNaN: true }),
        fc.double({ min: 1, max: 3000, noNaN: true }),
        fc.double({ min: 1, max: 3000, noNaN: true }),
        (at, w, h) => {
          const bounds = { minX: at, minY: -at, maxX: at + w, maxY: -at + h };
          const view = fitView(bounds, 900, 600, PAD);
          const a = toScreen(view, { x: bounds.minX, y: bounds.minY });
          const b = toScreen(view, { x: bounds.maxX, y: bounds.maxY });
          expect(a.x).toBeGreaterThanOrEqual(39.99);
          expect(a.y).toBeGreaterThanOrEqual(39.99);
          expect(b.x).toBeLessThanOrEqual(880.01);
          expect(b.y).toBeLessThanOrEqual(540.01);
          expect((b.x - a.x) / (b.y - a.y)).toBeCloseTo(w / h, 3);
        },
      ),
    );
  });
});

describe("the rules and the grid", () => {
  it("inches are ruled in inches, and eighths when there is room", () => {
    const far = ruling({ k: 1, shift: 0 }, 0, 260, "in");
    expect(far.figures.map((f) => f.text)).toEqual(["0", "1", "2", "3", "4", "5", "6", "7", "8", "9", "10"]);
    const near = ruling({ k: 3, shift: 0 }, 0, 100, "in");
    expect((near.fine[1] ?? 0) - (near.fine[0] ?? 0)).toBeCloseTo((25.4 * 3) / 8, 9);
  });

  it("centimetres thin out with zoom", () => {
    const px = (k: number): number => {
      const { fine } = ruling({ k, shift: 0 }, 0, 2000, "cm");
      return (fine[1] ?? 0) - (fine[0] ?? 0);
    };
    for (const k of [0.05, 0.2, 0.5, 1, 3, 10, 30]) expect(px(k)).toBeGreaterThanOrEqual(7);
  });

  it("moves with the paper", () => {
    const still = ruling({ k: 2, shift: 0 }, 0, 400, "cm");
    const moved = ruling({ k: 2, shift: 13 }, 0, 400, "cm");
    const five = (r: typeof still): number => r.figures.find((f) => f.text === "5")?.at ?? Number.NaN;
    expect(five(moved) - five(still)).toBeCloseTo(13, 9);
  });

  it("covers the whole glass with a bounded number of lines, at every zoom", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 40, noNaN: true }), fc.constantFrom("in" as const, "cm" as const), (k, unit) => {
        const { fine, top, left } = gridOf({ k, x: -200, y: 50 }, 1000, 700, unit);
        expect(fine.split("M").length).toBeLessThan(400);
        expect(top.length).toBeLessThan(120);
        expect(left.length).toBeLessThan(120);
      }),
    );
  });
});

describe("numbers beside their points", () => {
  const overlap = (a: Box, b: Box): boolean => a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;
  const wish = fc.record({ x: fc.integer({ min: 0, max: 600 }), y: fc.integer({ min: 0, max: 500 }) });

  it("never sit on each other, nor on a point, nor on what is taken", () => {
    fc.assert(
      fc.property(fc.array(wish, { maxLength: 40 }), (places) => {
        const taken = [{ x: 100, y: 100, w: 90, h: 16 }];
        const set = placeLabels(
          places.map((at, i) => ({ id: String(i), at, width: 20 })),
          [],
          taken,
        );
        set.forEach((a, i) => {
          for (const b of set.slice(i + 1)) expect(overlap(a, b)).toBe(false);
          expect(overlap(a, taken[0] as Box)).toBe(false);
          for (const p of places) expect(overlap(a, { x: p.x - 3, y: p.y - 3, w: 6, h: 6 })).toBe(false);
        });
      }),
    );
  });

  it("stay off lines where there is room", () => {
    const [label] = placeLabels(
      [{ id: "1", at: { x: 100, y: 100 }, width: 20 }],
      [
        [
          { x: 100, y: 100 },
          { x: 200, y: 20 },
        ],
      ],
    );
    expect(label && crossesBox({ x: 100, y: 100 }, { x: 200, y: 20 }, label)).toBe(false);
  });

  it("the first wish has the first choice; one without room is left out", () => {
    const crowd = Array.from({ length: 30 }, (_, i) => ({ id: String(i), at: { x: 100 + (i % 3), y: 100 }, width: 40 }));
    const set = placeLabels(crowd, []);
    expect(set[0]?.id).toBe("0");
    expect(set.length).toBeLessThan(30);
  });

  it("a line beside a box does not cross it, one through it does", () => {
    const box = { x: 10, y: 10, w: 10, h: 10 };
    expect(crossesBox({ x: 0, y: 15 }, { x: 30, y: 15 }, box)).toBe(true);
    expect(crossesBox({ x: 0, y: 5 }, { x: 30, y: 5 }, box)).toBe(false);
    expect(crossesBox({ x: 0, y: 0 }, { x: 5, y: 5 }, box)).toBe(false);
    expect(crossesBox({ x: 15, y: 12 }, { x: 16, y: 13 }, box)).toBe(true);
  });
});

describe("a piece's name on the glass", () => {
  const { plan } = loadSystem(
    'system "Try"\n  garment block · unit cm\nboard A "A"\nA0 start\nA1 out 8 from A0\nA2 down 30 from A0\nA3 down 30 from A1\npiece Side "Side front" on A · cut 2 mirrored\n  edge top: A0 > A1 · finished\n  edge rest: A1 > A3 > A2 > A0 · finished\n  grain along A0-A2\n',
  );
  const [piece] = run(plan, {}).pieces as [PieceResult];

  it("stands in one line where there is room, then a line a word, then smaller, then along it, then below it", () => {
    expect(fitTitle(piece, grainArrow(piece), 4)).toMatchObject({ lines: ["Side front"], below: ["cut 2, mirrored"], size: 24 });
    expect(fitTitle(piece, grainArrow(piece), 1.6)).toMatchObject({ lines: ["Side", "front"], below: ["cut 2, mirrored"], size: 24 });
    expect(fitTitle(piece, grainArrow(piece), 1.1)).toMatchObject({ lines: ["Side", "front"], below: ["cut 2", "mirrored"] });
    expect(fitTitle(piece, undefined, 0.5)).toMatchObject({ lines: ["Side front"], below: [], size: 15, upward: true });
    const under = fitTitle(piece, grainArrow(piece), 0.1);
    expect(under).toMatchObject({ lines: ["Side", "front"], below: [], size: 15, upward: false });
    expect(under.middle.y).toBeGreaterThan(300 + (2 * 15 * 1.1) / 2 / 0.1);
  });

  it("its lines and those below stand under each other round its middle", () => {
    const { name, small } = linesAt({ lines: ["Side", "front"], below: ["cut 2"], size: 20 }, 100);
    expect(name[1]).toBe((name[0] ?? 0) + 22);
    expect(small[0]).toBeGreaterThan(name[1] ?? 0);
    expect(name[0]).toBeGreaterThan(68);
    expect(small[0]).toBeLessThan(132);
  });
});

describe("a finger on the paper", () => {
  const places = [
    { x: 10, y: 10, id: "1" },
    { x: 22, y: 10, id: "2" },
  ];

  it("means the nearest point within its reach, and none beyond it", () => {
    expect(nearestTo({ x: 14, y: 10 }, places)?.id).toBe("1");
    expect(nearestTo({ x: 18, y: 12 }, places)?.id).toBe("2");
    expect(nearestTo({ x: 60, y: 10 }, places)).toBeUndefined();
    expect(nearestTo({ x: 0, y: 0 }, [])).toBeUndefined();
  });
});

describe("the figure of a dimension", () => {
  const upright = (x: number) => besideCourse({ x, y: 100 }, { x, y: 300 }, "47.9 cm");

  it("stands beside an upright course on its left, and on its right where the rule would cover it", () => {
    expect(upright(300).mid.x).toBeLessThan(300);
    expect(upright(60).mid.x).toBeGreaterThan(60);
    expect(upright(60).mid.y).toBeCloseTo(200, 9);
  });

  it("stands over a level one wherever that lies", () => {
    for (const x of [30, 300]) expect(besideCourse({ x, y: 200 }, { x: x + 90, y: 200 }, "9 cm").mid.y).toBeLessThan(200);
  });
});
