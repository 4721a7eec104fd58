import { fileURLToPath } from "node:url";
import { loadSystem, run, sampleBody } from "@lodrin/core";
import DxfParser from "dxf-parser";
import { describe, expect, it } from "vitest";
import { readLibrary } from "../library/index.js";
import { layPieces } from "../drawing/pieces.js";
import { dxfText } from "./entities.js";
import { DXF_LAYER } from "./layers.js";
import { onCuttingLine } from "../drawing/notch-ticks.js";
import { turnsAt } from "./ring-marks.js";
import { blockNames, writeDxf } from "./write.js";

const LIBRARY = readLibrary(fileURLToPath(new URL("../../../../systems/", import.meta.url)));

interface Entity {
  type: string;
  layer: string;
  vertices?: { x: number; y: number }[];
  position?: { x: number; y: number };
  startPoint?: { x: number; y: number };
  shape?: boolean;
  text?: string;
  name?: string;
}

/** Read by a reader from the registry, which knows nothing of ours. */
function read(text: string): { blocks: Record<string, { entities: Entity[] }>; entities: Entity[]; header: Record<string, unknown> } {
  const parsed = new DxfParser().parseSync(text);
  if (!parsed) throw new Error("the reader gave nothing");
  return parsed as unknown as ReturnType<typeof read>;
}

describe.each(Object.entries(LIBRARY))("%s read back by an independent reader", (_, notation) => {
  const { plan } = loadSystem(notation, LIBRARY);
  const drafted = run(plan, sampleBody(plan));
  const dxf = read(writeDxf(drafted));
  const names = blockNames(drafted.pieces);

  it("has every piece as a block with the outline of the run", () => {
    expect(Object.keys(dxf.blocks)).toEqual(names);
    drafted.pieces.forEach((piece, i) => {
      const outline = dxf.blocks[names[i] as string]?.entities.find((e) => e.type === "POLYLINE" && e.layer === DXF_LAYER.boundary);
      expect(outline?.shape).toBe(true);
      expect(outline?.vertices).toHaveLength(piece.cutting.length);
      const off = piece.cutting.map((p, k) =>
        Math.hypot(p.x - (outline?.vertices?.[k]?.x ?? NaN), -p.y - (outline?.vertices?.[k]?.y ?? NaN)),
      );
      expect(Math.max(...off)).toBeLessThan(1e-3);
    });
  });

  it("lays them where the sheet lays them, with their names and how many to cut", () => {
    const inserts = dxf.entities.filter((e) => e.type === "INSERT");
    const laid = layPieces(drafted.pieces);
    expect(inserts.map((e) => e.name)).toEqual(names);
    laid.forEach(({ dx, dy }, i) => {
      expect(inserts[i]?.position?.x).toBeCloseTo(dx, 3);
      expect(inserts[i]?.position?.y).toBeCloseTo(-dy, 3);
    });
    drafted.pieces.forEach((piece, i) => {
      const said = dxf.blocks[names[i] as string]?.entities
        .filter((e) => e.type === "TEXT" && e.layer === DXF_LAYER.text)
        .map((e) => e.text);
      expect(said?.[1]).toBe(`Quantity: ${piece.cut}`);
      expect(said?.[0]).toContain("Piece name: ");
    });
  });

  it("has a point at every corner and on every curve, its notches on the cutting line, and its grain", () => {
    drafted.pieces.forEach((piece, i) => {
      const inside = dxf.blocks[names[i] as string]?.entities ?? [];
      const on = (layer: string): Entity[] => inside.filter((e) => e.layer === layer);
      expect(on(DXF_LAYER.turnPoints).length + on(DXF_LAYER.curvePoints).length).toBe(piece.cutting.length);
      expect(on(DXF_LAYER.turnPoints).length).toBeGreaterThanOrEqual(2);
      expect(on(DXF_LAYER.notches)).toHaveLength(piece.notches.reduce((sum, n) => sum + n.ticks, 0));
      if (piece.grain) expect(on(DXF_LAYER.grain)).toHaveLength(1);
      if (piece.onFold) expect(on(DXF_LAYER.mirror).length).toBeGreaterThan(0);
      expect(on(DXF_LAYER.sew)).toHaveLength(piece.cutting === piece.net ? 0 : 1);
    });
  });
});

it("says that it is drawn in millimetres", () => {
  const { plan } = loadSystem(LIBRARY["08-menswear-flat-shirt-block"] ?? "");
  expect(read(writeDxf(run(plan, sampleBody(plan)))).header).toMatchObject({ $INSUNITS: 4, $MEASUREMENT: 1 });
});

describe("the marks of an outline", () => {
  const square = [
    { x: 0, y: 0 },
    { x: 50, y: 0 },
    { x: 100, y: 0 },
    { x: 100, y: 100 },
    { x: 0, y: 100 },
  ];

  it("turns at its corners and nowhere else", () => {
    expect(turnsAt(square)).toEqual([true, false, true, true, true]);
  });

  it("a notch is carried straight out to the cutting line", () => {
    expect(onCuttingLine({ at: { x: 40, y: 10 }, outward: { x: 0, y: -1 } }, square)).toEqual({ x: 40, y: 0 });
    expect(onCuttingLine({ at: { x: 40, y: 0 }, outward: { x: 0, y: -1 } }, square)).toEqual({ x: 40, y: 0 });
  });

  it("letters beyond ASCII are spelled out", () => {
    expect(dxfText("½ yoke")).toBe("\\U+00BD yoke");
  });
});
