import {
  checkWord,
  askedName,
  type Plan,
  type Run,
  type TapeMark,
  pointOnPaper,
  tapeText,
  type HomeUnit,
  type TraceEntry,
  traceOf,
  workedLines,
  measured,
} from "@lodrin/core";
import PDFDocument from "pdfkit";
import { collect } from "./collect.js";
import { setFractions } from "./figures.js";
import { FONTS } from "./fonts.js";
import type { PrintFacts } from "./facts.js";

/** What the handout is set in. */
export interface HandoutOptions {
  readonly unit: HomeUnit;
  readonly mark: TapeMark;
  readonly paper: "A4" | "LETTER";
}

const INK = "#222222";
const QUIET = "#555555";
const ACCENT = "#a03b12";

/** Every step with its sums worked out in this body's numbers, as a PDF to lie beside the paper. */
export async function writeHandoutPdf(plan: Plan, run: Run, facts: PrintFacts, options: HandoutOptions): Promise<Buffer> {
  const doc = new PDFDocument({
    size: options.paper,
    margins: { top: 48, bottom: 54, left: 54, right: 48 },
    info: { Title: `${facts.title}, handout`, Creator: "Lodrin" },
  });
  doc.registerFont("text", FONTS.text);
  doc.registerFont("strong", FONTS.strong);
  heading(doc, plan, run, facts, options);
  let part: string | undefined;
  for (const entry of traceOf(plan, run, options)) {
    if (entry.heading !== part && entry.heading !== undefined)
      doc.moveDown(0.7).font("strong").fontSize(13).fillColor(ACCENT).text(entry.heading).moveDown(0.2);
    part = entry.heading;
    step(doc, entry);
  }
  checks(doc, run);
  return collect(doc);
}

function heading(doc: PDFKit.PDFDocument, plan: Plan, run: Run, facts: PrintFacts, options: HandoutOptions): void {
  doc.font("strong").fontSize(19).fillColor(INK).text(facts.title);
  for (const line of facts.lines) doc.font("text").fontSize(10).fillColor(QUIET).text(setFractions(line));
  doc.moveDown(0.5).font("strong").fontSize(11).fillColor(INK).text("Measurements");
  const figures = plan.measures.flatMap((m) => {
    const mm = measured(run, m);
    if (!Number.isFinite(mm)) return [];
    return [`${askedName(m)} ${m.source.kind === "number" ? mm : tapeText(mm, options.unit, options.mark)}`];
  });
  doc
    .font("text")
    .fontSize(10)
    .text(setFractions(figures.join("  ·  ")));
  for (const s of plan.system.statements) if (s.is === "caution") doc.moveDown(0.15).fontSize(9).fillColor(QUIET).text(s.text);
}

function step(doc: PDFKit.PDFDocument, entry: TraceEntry): void {
  if (doc.y > doc.page.height - 110) doc.addPage();
  const name = pointOnPaper(entry.step);
  doc
    .moveDown(0.35)
    .font("strong")
    .fontSize(10.5)
    .fillColor(INK)
    .text(name === "" ? "" : `${name}  `, { continued: true })
    .font("text")
    .text(entry.text);
  if (entry.outcome.status !== "drawn") doc.fontSize(9.5).fillColor(ACCENT).text(`Not drawn. ${entry.outcome.why}`, { indent: 18 });
  for (const sum of entry.sums) {
    const why = sum.because.length > 0 ? `   (${sum.because.join("; ")})` : "";
    const worked = [sum.said, ...workedLines(sum).filter((line) => line !== sum.said), sum.result].join("  =  ") + why;
    doc.font("text").fontSize(10).fillColor(QUIET).text(setFractions(worked), { indent: 18 });
    if (sum.reading !== undefined)
      doc
        .font("strong")
        .fontSize(10.5)
        .fillColor(INK)
        .text(setFractions(`tape: ${sum.reading}${sum.other === undefined ? "" : `   (${sum.other})`}`), { indent: 18 });
  }
  for (const watch of entry.watch) doc.font("text").fontSize(9.5).fillColor(ACCENT).text(`Watch: ${watch}`, { indent: 18 });
}

function checks(doc: PDFKit.PDFDocument, run: Run): void {
  doc.moveDown(1).font("strong").fontSize(13).fillColor(ACCENT).text("Checks");
  for (const check of run.checks)
    doc
      .font("text")
      .fontSize(10)
      .fillColor(INK)
      .text(`${checkWord(check).toUpperCase()}   ${check.name}`);
}
