import { readFileSync } from "node:fs";
import { loadSystem, polyline, run } from "@lodrin/core";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { drawBoard } from "./drawing/board.js";
import { type Drawing, type Stroke, strokePlaces } from "./drawing/mark.js";
import { drawPieces, layPieces } from "./drawing/pieces.js";
import { writeSvg } from "./svg/write.js";
import { PAPER_KEYS, PAPERS } from "./tile/paper.js";
import { planTiles } from "./tile/plan.js";

const { plan } = loadSystem(readFileSync(new URL("../../../systems/08-menswear-flat-shirt-block.lodrin", import.meta.url), "utf8"));
const BODY = { chest: 104, neck: 41, scye_depth: 25, back_waist: 45, half_back: 20.6, garment_length: 77, shoulder_length: 16.2 };
const drafted = run(plan, BODY, { seam_allowance: "1" });
const sheet = drawPieces(drafted);

const bare = (places: { x: number; y: number }[], bounds: Drawing["bounds"]): Drawing => ({
  title: "t",
  bounds,
  marks: [{ kind: "stroke", layer: "net", path: polyline(places), closed: false }],
});

describe("the drawing of the pieces", () => {
  it("lays them side by side without touching", () => {
    const laid = layPieces(drafted.pieces);
    const spans = laid.map(
      ({ piece, dx }) => [Math.min(...piece.cutting.map((p) => p.x + dx)), Math.max(...piece.cutting.map((p) => p.x + dx))] as const,
    );
    expect(spans[0]?.[0]).toBeCloseTo(0, 6);
    expect(spans[1]?.[0]).toBeGreaterThan((spans[0]?.[1] ?? 0) + 30);
  });

  it("has a stroke for every edge, the cutting line, the fold, the grain, the notches and the words", () => {
    const layers = new Set(sheet.marks.map((m) => m.layer));
    expect(layers).toEqual(new Set(["levels", "labels", "net", "fold", "allowance", "grain", "notches"]));
    const words = sheet.marks.flatMap((m) => (m.kind === "words" ? [m.text] : []));
    expect(words).toEqual(
      expect.arrayContaining(["Front", "Back", "cut 1 on fold", "fold", "grain", "Chest line", "allowance included, none at hem"]),
    );
    expect(drawPieces(run(plan, BODY)).marks.some((m) => m.kind === "words" && m.text.startsWith("net"))).toBe(true);
  });

  it("can hold one piece alone", () => {
    const words = drawPieces(drafted, ["Back"]).marks.flatMap((m) => (m.kind === "words" ? [m.text] : []));
    expect(words).toContain("Back");
    expect(words).not.toContain("Front");
  });

  it("the board has its points with their numbers, and its curves", () => {
    const board = drawBoard(plan, drafted);
    const words = board.marks.flatMap((m) => (m.kind === "words" ? [m.text] : []));
    expect(words).toEqual(expect.arrayContaining(["0", "17", "B17", "Waist line"]));
    expect(board.marks.filter((m) => m.kind === "stroke" && m.layer === "net")).toHaveLength(5);
    expect(drawBoard(plan, drafted, "Z").marks).toEqual([]);
  });
});

describe("SVG", () => {
  const svg = writeSvg(sheet);

  it("is true to size: as many millimetres as units", () => {
    const [, width, height, box] = /width="([\d.]+)mm" height="([\d.]+)mm" viewBox="([^"]+)"/.exec(svg) ?? [];
    expect(box?.split(" ").slice(2)).toEqual([width, height]);
  });

  it("has one named group a layer, and curves as curves", () => {
    for (const layer of ["net", "allowance", "fold", "grain", "notches", "labels"]) expect(svg).toContain(`<g id="${layer}"`);
    expect(svg).toMatch(/<path d="M[^"]*C[^"]*"/);
    expect(svg.match(/<g /g)?.length).toBe(svg.match(/<\/g>/g)?.length);
  });

  it("carries nobody's markup", () => {
    const spiked: Drawing = {
      ...sheet,
      title: '<script>&"',
      marks: [{ kind: "words", layer: "labels", at: { x: 0, y: 0 }, text: "<b>&", size: 3, anchor: "start", turn: 1 }],
    };
    expect(writeSvg(spiked)).toContain("&lt;b&gt;&amp;");
    expect(writeSvg(spiked)).not.toContain("<script>");
  });
});

describe("sheets of paper", () => {
  it.each(PAPER_KEYS)("%s: every stroke lies on a printed sheet", (key) => {
    const tiles = planTiles(sheet, key);
    const shown = tiles.tiles.filter((t) => !t.blank);
    const strokes = sheet.marks.filter((m): m is Stroke => m.kind === "stroke");
    for (const p of strokes.flatMap((s) => strokePlaces(s))) {
      const on = shown.some(
        ({ window: w }) => p.x >= w.minX - 1e-6 && p.x <= w.maxX + 1e-6 && p.y >= w.minY - 1e-6 && p.y <= w.maxY + 1e-6,
      );
      expect(on, JSON.stringify(p)).toBe(true);
    }
  });

  // Paper sizes: ISO 216 for A4, A3 and A0; ANSI for Letter (8 1/2 by 11 in).
  it("has the published sizes", () => {
    expect([PAPERS.A4.width, PAPERS.A4.height]).toEqual([210, 297]);
    expect([PAPERS.A3.width, PAPERS.A3.height]).toEqual([297, 420]);
    expect([PAPERS.A0.width, PAPERS.A0.height]).toEqual([841, 1189]);
    expect([PAPERS.Letter.width / 25.4, (PAPERS.Letter.height ?? 0) / 25.4]).toEqual([8.5, 11]);
    expect(PAPERS.roll36in.width).toBeCloseTo(36 * 25.4, 9);
  });

  it("neighbours share the overlap, and together they cover the drawing", () => {
    const tiles = planTiles(sheet, "A4");
    const [first, second] = tiles.tiles;
    expect((first?.window.maxX ?? 0) - (second?.window.minX ?? 0)).toBeCloseTo(10, 9);
    expect(tiles.tiles).toHaveLength(tiles.rows * tiles.columns);
    expect(Math.max(...tiles.tiles.map((t) => t.window.maxX))).toBeGreaterThanOrEqual(sheet.bounds.maxX - 1e-6);
  });

  it("sheets on which nothing falls are left out", () => {
    const bounds = { minX: 0, minY: 0, maxX: 550, maxY: 800 };
    const corner = planTiles(
      bare(
        [
          { x: 5, y: 5 },
          { x: 50, y: 5 },
        ],
        bounds,
      ),
      "A4",
    );
    expect(corner.tiles.filter((t) => !t.blank).map((t) => [t.row, t.column])).toEqual([[1, 1]]);
    const diagonal = planTiles(
      bare(
        [
          { x: 0, y: 0 },
          { x: 550, y: 800 },
        ],
        bounds,
      ),
      "A4",
    );
    const printed = diagonal.tiles.filter((t) => !t.blank).length;
    expect(printed).toBeGreaterThan(3);
    expect(printed).toBeLessThan(diagonal.tiles.length);
  });

  it("a line in the overlap is printed once, on the sheet that shows it first", () => {
    const tiles = planTiles(
      bare(
        [
          { x: 185, y: 10 },
          { x: 185, y: 200 },
        ],
        { minX: 0, minY: 0, maxX: 300, maxY: 270 },
      ),
      "A4",
    );
    expect(tiles.tiles.filter((t) => !t.blank).map((t) => t.column)).toEqual([1]);
  });

  it("a roll is cut to the drawing, and has the test squares at its head", () => {
    const tiles = planTiles(sheet, "roll90cm");
    expect(tiles.rows * tiles.columns).toBe(1);
    expect(tiles.head).toBeGreaterThan(60);
    expect(tiles.page.height).toBeCloseTo(sheet.bounds.maxY - sheet.bounds.minY + tiles.head + 20, 6);
    expect(planTiles(sheet, "A4").head).toBe(0);
  });

  it("any drawing is covered by its sheets", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 4000, noNaN: true }),
        fc.double({ min: 1, max: 4000, noNaN: true }),
        fc.constantFrom(...PAPER_KEYS),
        (w, h, key) => {
          const tiles = planTiles(
            bare(
              [
                { x: 0, y: 0 },
                { x: w, y: h },
              ],
              { minX: 0, minY: 0, maxX: w, maxY: h },
            ),
            key,
          );
          expect(Math.max(...tiles.tiles.map((t) => t.window.maxX))).toBeGreaterThanOrEqual(w - 1e-6);
          expect(Math.max(...tiles.tiles.map((t) => t.window.maxY))).toBeGreaterThanOrEqual(h - 1e-6);
        },
      ),
    );
  });
});
