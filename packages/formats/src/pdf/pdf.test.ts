import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { loadSystem, run } from "@lodrin/core";
import { afterAll, describe, expect, it } from "vitest";
import { drawPieces } from "../drawing/pieces.js";
import { PAPERS } from "../tile/paper.js";
import { planTiles } from "../tile/plan.js";
import { setFractions } from "./figures.js";
import { writeBookletPdf, writeHandoutPdf, writeTiledPdf } from "./index.js";

const { plan } = loadSystem(readFileSync(new URL("../../../../systems/08-menswear-flat-shirt-block.lodrin", import.meta.url), "utf8"));
const BODY = { chest: 104, neck: 41, scye_depth: 25, back_waist: 45, half_back: 20.6, garment_length: 77, shoulder_length: 16.2 };
const drafted = run(plan, BODY);
const sheet = drawPieces(drafted);
const facts = { title: "Band shirt, Barnaby", lines: ["Menswear flat shirt block, version 1"] };

const folder = mkdtempSync(join(tmpdir(), "lodrin-pdf-"));
afterAll(() => rmSync(folder, { recursive: true }));

/** Poppler's reading of a page as SVG, and of its text: a reader that is not ours. */
function pageSvg(pdf: Buffer, page: number): string {
  const file = join(folder, "x.pdf");
  writeFileSync(file, pdf);
  execFileSync("pdftocairo", ["-svg", "-noshrink", "-nocenter", "-f", String(page), "-l", String(page), file, join(folder, "x.svg")]);
  return readFileSync(join(folder, "x.svg"), "utf8");
}
function text(pdf: Buffer): string {
  const file = join(folder, "t.pdf");
  writeFileSync(file, pdf);
  return execFileSync("pdftotext", ["-layout", file, "-"], { encoding: "utf8" });
}
const info = (pdf: Buffer): string => {
  const file = join(folder, "i.pdf");
  writeFileSync(file, pdf);
  return execFileSync("pdfinfo", [file], { encoding: "utf8" });
};

const PT = 72 / 25.4;

/** Every straight stretch of a page in mm: path data under its transform. */
function stretches(svg: string): { dx: number; dy: number }[] {
  const found: { dx: number; dy: number }[] = [];
  for (const [, d = "", transform = ""] of svg.matchAll(/<path[^>]*? d="([^"]+)"(?:[^>]*?transform="matrix\(([^)]+)\)")?/g)) {
    const [a = 1, b = 0, c = 0, e = 1] = transform === "" ? [] : transform.split(/[ ,]+/).map(Number);
    let last: [number, number] | undefined;
    for (const [, letter, numbers = ""] of d.matchAll(/([MLCZ])([^MLCZ]*)/g)) {
      const n = numbers.trim().split(/[ ,]+/).map(Number);
      if (letter === "Z") continue;
      const x = n[n.length - 2] as number;
      const y = n[n.length - 1] as number;
      if (letter === "L" && last) {
        const [dx, dy] = [x - last[0], y - last[1]];
        found.push({ dx: (a * dx + c * dy) / PT, dy: (b * dx + e * dy) / PT });
      }
      last = [x, y];
    }
  }
  return found;
}

describe("the tiled PDF, read by poppler", async () => {
  const pdf = await writeTiledPdf(sheet, "A4", facts);

  it("has a page for the map and one for every sheet that is not blank, at the paper's size", () => {
    const printed = planTiles(sheet, "A4").tiles.filter((t) => !t.blank).length;
    expect(info(pdf)).toMatch(new RegExp(`Pages:\\s+${printed + 1}\\n`));
    expect(info(pdf)).toContain("595.276 x 841.89 pts (A4)");
  });

  it("has the 5 cm and the 2 in square on its first page, true to 0.2 mm", () => {
    const first = stretches(pageSvg(pdf, 1));
    for (const side of [50, 50.8]) {
      const sides = first.filter((s) => Math.abs(Math.hypot(s.dx, s.dy) - side) < 0.2 && (Math.abs(s.dx) < 0.01 || Math.abs(s.dy) < 0.01));
      expect(sides.length).toBeGreaterThanOrEqual(3);
    }
  });

  it("has the shoulder of the front at its true slope on the sheets, to 0.2 mm in its length", () => {
    // The sheet clips nothing away from the form: the whole shoulder stands in the shared drawing of any sheet.
    const shoulder = { dx: 195, dy: 58.25 };
    const length = Math.hypot(shoulder.dx, shoulder.dy);
    const found = stretches(pageSvg(pdf, 2)).filter((s) => Math.abs(Math.hypot(s.dx, s.dy) - length) < 0.2);
    expect(found.length).toBeGreaterThanOrEqual(1);
    expect(Math.abs((found[0]?.dy ?? 0) / (found[0]?.dx ?? 1))).toBeCloseTo(shoulder.dy / shoulder.dx, 3);
  });

  it("names rows, columns and joins, and says how to print", () => {
    const words = text(pdf);
    for (const part of ["5 cm", "2 in", "100 %", "row 1 · column 1", "row 2 · column 1", "1.1→", "1.1↓", "Band shirt, Barnaby"])
      expect(words).toContain(part);
  });

  it("draws the lines once for all sheets", () => {
    expect(pdf.length).toBeLessThan(400_000);
  });

  it.each(["Letter", "A3", "A0", "roll36in", "roll90cm"] as const)("%s has its own page size", async (paper) => {
    const other = await writeTiledPdf(sheet, paper, facts);
    const [, width = "0", height = "0"] = /Page size:\s+([\d.]+) x ([\d.]+)/.exec(info(other)) ?? [];
    // Pages lie crosswise when fewer are needed then.
    const [narrow] = [Number(width) / PT, Number(height) / PT].sort((a, b) => a - b);
    const sides = [PAPERS[paper].width, PAPERS[paper].height ?? 0];
    expect(PAPERS[paper].height === undefined ? Number(width) / PT : narrow).toBeCloseTo(
      PAPERS[paper].height === undefined ? (sides[0] ?? 0) : Math.min(...sides),
      1,
    );
    expect(text(other)).toContain("5 cm");
  });
});

describe("the handout", async () => {
  const words = text(await writeHandoutPdf(plan, drafted, facts, { unit: "cm", mark: "1mm", paper: "A4" }));

  it("has every step with its sum worked out and its tape reading", () => {
    expect(words).toContain("Down from 1 the back waist length");
    expect(words.replace(/\s+/g, " ")).toContain("neck ÷ neck div − neck width less = 41 ÷ 5 − 0.6 = 8.2 − 0.6 = 7.6 cm");
    expect(words).toContain("tape: 7.6");
    expect(words).toContain("Watch: From the nape (1), not from 0.");
    expect(words).toMatch(/PASS\s+Rectangle square/);
  });

  it("in inches, with true fractions", async () => {
    const inches = text(await writeHandoutPdf(plan, drafted, facts, { unit: "in", mark: "1/8in", paper: "LETTER" }));
    expect(inches).toMatch(/tape: 12¾/);
  });

  it("says what could not be drawn", async () => {
    const partial = text(await writeHandoutPdf(plan, run(plan, { chest: 104 }), facts, { unit: "cm", mark: "1mm", paper: "A4" }));
    expect(partial).toContain("Not drawn. The measurement scye depth is missing.");
  });
});

describe("fractions", () => {
  it.each([
    ["7 3/8 in", "7⅜ in"],
    ["1/2", "½"],
    ["a/2 + 1 1/4", "a/2 + 1¼"],
    ["3/16", "3/16"],
    ["12 ÷ 5", "12 ÷ 5"],
  ])("%s is set as %s", (plain, set) => {
    expect(setFractions(plain)).toBe(set);
  });
});

describe("the booklet", () => {
  const booklet = (sums: boolean, unit: "in" | "cm" = "cm"): Promise<Buffer> =>
    writeBookletPdf(plan, drafted, facts, { unit, mark: unit === "cm" ? "1mm" : "1/8in", paper: "A4", sums });

  it("has a cover, what to measure, what to have ready, every group of steps, the pieces and the checks", async () => {
    const words = text(await booklet(true));
    for (const part of ["Band shirt, Barnaby", "What to measure", "What to have ready", "What can be chosen", "The pieces", "Checks"])
      expect(words).toContain(part);
    const headings = [...new Set(plan.steps.flatMap((s) => (s.heading === undefined ? [] : [s.heading])))];
    expect(headings.filter((heading) => !words.includes(heading))).toEqual([]);
    for (const m of plan.measures) expect(words.replace(/\s+/g, " ")).toContain(m.source.how.slice(0, 40));
    for (const piece of drafted.pieces) expect(words).toContain(`${piece.title}: `);
  });

  it("sets formulas as this body's sums or as rules, in the unit that is wanted", async () => {
    const step = plan.steps.find((s) => s.formulas.some((f) => f.text === "scye_depth + scye_ease"));
    expect(step).toBeDefined();
    expect(text(await booklet(true))).toMatch(/scye depth \+ scye ease = 25 \+ /);
    const rules = text(await booklet(false, "in"));
    expect(rules).toContain("scye depth + scye ease");
    expect(rules).not.toMatch(/scye depth \+ scye ease = /);
    expect(rules).toMatch(/\d[⅛¼⅜½⅝¾⅞]?\sin wide and \d+/);
  });

  it("draws: the cover, the figure, each group and each piece have strokes on their pages", async () => {
    const pdf = await booklet(true);
    const pages = Number(/Pages:\s+(\d+)/.exec(info(pdf))?.[1]);
    expect(pages).toBeGreaterThan(5);
    const strokes = Array.from({ length: pages }, (_, i) => (pageSvg(pdf, i + 1).match(/<path [^>]*stroke[:=]"?rgb/g) ?? []).length);
    expect(strokes[0]).toBeGreaterThan(3);
    expect(strokes.filter((n) => n > 0).length).toBeGreaterThan(4);
  });
});
