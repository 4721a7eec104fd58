import { boundsOf, loadSystem, type PieceResult, run, sampleBody } from "@lodrin/core";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { layPieces } from "./pieces.js";
import { layInRows } from "./rows.js";

const { plan } = loadSystem(readFileSync("systems/21-long-lapel-jacket.lodrin", "utf8"));
const { pieces } = run(plan, sampleBody(plan));

const boxes = (laid: ReturnType<typeof layInRows>): ReturnType<typeof boundsOf>[] =>
  laid.map(({ piece, dx, dy }) => boundsOf([...piece.cutting, ...piece.net].map((p) => ({ x: p.x + dx, y: p.y + dy }))));
const span = (laid: ReturnType<typeof layInRows>): { wide: number; high: number } => {
  const all = boxes(laid).flatMap((b) => (b ? [b] : []));
  return { wide: Math.max(...all.map((b) => b.maxX)), high: Math.max(...all.map((b) => b.maxY)) };
};

describe("pieces in rows", () => {
  it("keeps every piece in its order, none on another", () => {
    const laid = layInRows(pieces, 1.3);
    expect(laid.length).toBeGreaterThan(5);
    expect(laid.map(({ piece }) => piece.key)).toEqual(pieces.map((p) => p.key));
    const all = boxes(laid);
    all.forEach((a, i) =>
      all.slice(i + 1).forEach((b) => {
        if (a && b) expect(a.maxX < b.minX || b.maxX < a.minX || a.maxY < b.minY || b.maxY < a.minY).toBe(true);
      }),
    );
  });

  it.each([
    [0.8, 1.3],
    [1.3, 1.2],
    [1.6, 1.1],
  ])("on a paper %s times as wide as high they are %s times as large as in one row, or more", (ratio, least) => {
    const scale = ({ wide, high }: { wide: number; high: number }): number => Math.min(ratio / wide, 1 / high);
    const [rows, row] = [scale(span(layInRows(pieces, ratio))), scale(span(layPieces(pieces)))];
    expect(rows / row).toBeGreaterThan(least);
  });

  it("lays one piece, or none, as it is", () => {
    expect(layInRows([], 1)).toEqual([]);
    expect(layInRows(pieces.slice(0, 1), 1)).toEqual(layPieces(pieces.slice(0, 1) as PieceResult[]));
  });
});
