import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { loadSystem, run, sampleBody } from "@lodrin/core";
import { afterAll, describe, expect, it } from "vitest";
import { drawPieces } from "../drawing/pieces.js";
import { readLibrary } from "../library/index.js";
import { planTiles } from "../tile/plan.js";
import { writeTiledPdf } from "./index.js";

const LIBRARY = readLibrary(fileURLToPath(new URL("../../../../systems/", import.meta.url)));
const folder = mkdtempSync(join(tmpdir(), "lodrin-cover-"));
afterAll(() => rmSync(folder, { recursive: true }));

const drawingOf = (slug: string) => {
  const { plan } = loadSystem(LIBRARY[slug] as string, LIBRARY);
  return { title: plan.system.title, drawing: drawPieces(run(plan, sampleBody(plan))) };
};

/** The words of the first page with the boxes they fill, as poppler finds them, and the page. */
function firstPage(pdf: Buffer): { page: number[]; words: { text: string; box: number[] }[] } {
  const file = join(folder, "c.pdf");
  writeFileSync(file, pdf);
  const html = execFileSync("pdftotext", ["-bbox", "-f", "1", "-l", "1", file, "-"], { encoding: "utf8" });
  const [, width, height] = /<page width="([\d.]+)" height="([\d.]+)"/.exec(html) ?? [];
  const words = [...html.matchAll(/<word xMin="([-\d.]+)" yMin="([-\d.]+)" xMax="([-\d.]+)" yMax="([-\d.]+)">([^<]*)</g)].map((m) => ({
    text: m[5] as string,
    box: m.slice(1, 5).map(Number),
  }));
  return { page: [Number(width), Number(height)], words };
}

/** Less margin than this and a printer cuts letters off, in points. */
const MARGIN_PT = 14;

describe.each(Object.keys(LIBRARY))("the first page of %s", (slug) => {
  it.each(["A4", "Letter"] as const)("on %s holds its whole title", async (paper) => {
    const { title, drawing } = drawingOf(slug);
    const { page, words } = firstPage(await writeTiledPdf(drawing, paper, { title: `${title}, for Barnaby Wick`, lines: [] }));
    expect(words.map((w) => w.text).join(" ")).toContain("Barnaby");
    for (const { text, box } of words) {
      const [left = 0, top = 0, right = 0, foot = 0] = box;
      expect(left, text).toBeGreaterThan(MARGIN_PT);
      expect(top, text).toBeGreaterThan(MARGIN_PT);
      expect(right, text).toBeLessThan((page[0] as number) - MARGIN_PT);
      expect(foot, text).toBeLessThan((page[1] as number) - MARGIN_PT);
    }
  });
});

it("a draft that fits on one sheet turned takes one sheet", () => {
  // The jacket without facings and lining: its five pieces side by side are wider than the sheet, and not as wide as it is long.
  const { plan } = loadSystem(LIBRARY["05-cropped-lapel-jacket"] as string, LIBRARY);
  const drafted = run(plan, sampleBody(plan));
  const drawing = drawPieces({ title: drafted.title, pieces: drafted.pieces.slice(0, 5) });
  expect(planTiles(drawing, "A0").tiles).toHaveLength(1);
});
