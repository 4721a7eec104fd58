import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { loadSystem, run, sampleBody } from "@lodrin/core";
import PDFDocument from "pdfkit";
import { afterAll, expect, it } from "vitest";
import type { Drawing } from "../drawing/mark.js";
import { drawPieces } from "../drawing/pieces.js";
import { readLibrary } from "../library/index.js";
import type { PaperKey } from "../tile/paper.js";
import { planTiles } from "../tile/plan.js";
import { collect, PT_PER_MM } from "./collect.js";
import { drawCover } from "./cover.js";
import { FONTS } from "./fonts.js";
import { writeTiledPdf } from "./index.js";

const LIBRARY = readLibrary(fileURLToPath(new URL("../../../../systems/", import.meta.url)));
const folder = mkdtempSync(join(tmpdir(), "lodrin-cover-"));
afterAll(() => rmSync(folder, { recursive: true }));

interface Word {
  readonly text: string;
  readonly box: readonly number[];
}

/** The covers of these drawings on one paper, a page each, without the sheets behind them. */
function coversOf(drawings: readonly { title: string; drawing: Drawing }[], paper: PaperKey): Promise<Buffer> {
  const doc = new PDFDocument({ margin: 0, autoFirstPage: false });
  doc.registerFont("text", FONTS.text);
  doc.registerFont("strong", FONTS.strong);
  for (const { title, drawing } of drawings) {
    const plan = planTiles(drawing, paper);
    doc.addPage({ size: [plan.page.width * PT_PER_MM, plan.page.height * PT_PER_MM], margin: 0 });
    drawCover(doc, plan, drawing, { title: `${title}, for Barnaby Wick`, lines: [] });
  }
  return collect(doc);
}

/** The words of each page with the boxes they fill, as poppler finds them. */
function pagesOf(pdf: Buffer): { width: number; height: number; words: Word[] }[] {
  const file = join(folder, "c.pdf");
  writeFileSync(file, pdf);
  const html = execFileSync("pdftotext", ["-bbox", file, "-"], { encoding: "utf8" });
  return html
    .split("<page ")
    .slice(1)
    .map((page) => {
      const [, width, height] = /width="([\d.]+)" height="([\d.]+)"/.exec(page) ?? [];
      const words = [...page.matchAll(/<word xMin="([-\d.]+)" yMin="([-\d.]+)" xMax="([-\d.]+)" yMax="([-\d.]+)">([^<]*)</g)].map((m) => ({
        text: m[5] as string,
        box: m.slice(1, 5).map(Number),
      }));
      return { width: Number(width), height: Number(height), words };
    });
}

/** Less margin than this and a printer cuts letters off, in points. */
const MARGIN_PT = 14;

it.each(["A4", "Letter"] as const)(
  "the first page of every system of the library holds its whole title on %s",
  async (paper) => {
    const drawings = Object.values(LIBRARY).map((text) => {
      const { plan } = loadSystem(text, LIBRARY);
      return { title: plan.system.title, drawing: drawPieces(run(plan, sampleBody(plan))) };
    });
    const pages = pagesOf(await coversOf(drawings, paper));
    expect(pages).toHaveLength(drawings.length);
    for (const { width, height, words } of pages) {
      expect(words.map((w) => w.text).join(" ")).toContain("Barnaby");
      for (const { text, box } of words) {
        const [left = 0, top = 0, right = 0, foot = 0] = box;
        expect(left, text).toBeGreaterThan(MARGIN_PT);
        expect(top, text).toBeGreaterThan(MARGIN_PT);
        expect(right, text).toBeLessThan(width - MARGIN_PT);
        expect(foot, text).toBeLessThan(height - MARGIN_PT);
      }
    }
  },
  60_000,
);

it("the cover is the first page of a print", async () => {
  const { plan } = loadSystem(LIBRARY["13-short-set-in-sleeve"] as string, LIBRARY);
  const drawing = drawPieces(run(plan, sampleBody(plan)));
  const [first] = pagesOf(await writeTiledPdf(drawing, "A4", { title: "A sleeve, for Barnaby Wick", lines: [] }));
  const [cover] = pagesOf(await coversOf([{ title: "A sleeve", drawing }], "A4"));
  expect(first?.words.map((w) => w.text)).toEqual(cover?.words.map((w) => w.text));
});

it("a draft that fits on one sheet turned takes one sheet", () => {
  // The jacket without facings and lining: its five pieces side by side are wider than the sheet, and not as wide as it is long.
  const { plan } = loadSystem(LIBRARY["05-cropped-lapel-jacket"] as string, LIBRARY);
  const drafted = run(plan, sampleBody(plan));
  const drawing = drawPieces({ title: drafted.title, pieces: drafted.pieces.slice(0, 5) });
  expect(planTiles(drawing, "A0").tiles).toHaveLength(1);
});
