import {
  boundsOf,
  type HomeUnit,
  inWords,
  layBoards,
  askedName,
  plainFigure,
  type Plan,
  type Run,
  statementsOf,
  cutText,
  type TapeMark,
  pointOnPaper,
  tapeText,
  traceOf,
  type TraceEntry,
  wordsIn,
  workedLines,
} from "@lodrin/core";
import PDFDocument from "pdfkit";
import { drawPieces } from "../drawing/pieces.js";
import { ACCENT, drawFigure, drawProgress, drawStrokes, INK, QUIET, type Room } from "./booklet-pictures.js";
import { collect } from "./collect.js";
import type { PrintFacts } from "./facts.js";
import { setFractions } from "./figures.js";
import { FONTS } from "./fonts.js";

/** How a booklet is set: in which unit, and whether its formulas stand as rules or as the sums of the body it is drawn on. */
export interface BookletOptions {
  readonly unit: HomeUnit;
  readonly mark: TapeMark;
  readonly paper: "A4" | "LETTER";
  readonly sums: boolean;
}

const PICTURE_HIGH = 250;
const FOOT = 60;

/** A whole system to lie beside the table: cover, what to measure, what is needed, every group of steps with its drawing, pieces, checks. */
export async function writeBookletPdf(plan: Plan, run: Run, facts: PrintFacts, options: BookletOptions): Promise<Buffer> {
  const doc = new PDFDocument({
    size: options.paper,
    margins: { top: 48, bottom: 54, left: 54, right: 48 },
    info: { Title: `${facts.title}, booklet`, Creator: "Lodrin" },
  });
  doc.registerFont("text", FONTS.text);
  doc.registerFont("strong", FONTS.strong);
  cover(doc, plan, run, facts);
  measuring(doc, plan, options);
  needed(doc, plan, run, options);
  settings(doc, plan);
  groups(doc, plan, run, options);
  pieces(doc, run, options);
  ending(doc, plan, run);
  return collect(doc);
}

const wide = (doc: PDFKit.PDFDocument): number => doc.page.width - doc.page.margins.left - doc.page.margins.right;
const title = (doc: PDFKit.PDFDocument, text: string): void => {
  if (doc.y > doc.page.height - 140) doc.addPage();
  doc.moveDown(0.8).font("strong").fontSize(14).fillColor(ACCENT).text(text, doc.page.margins.left).moveDown(0.25);
};
const line = (doc: PDFKit.PDFDocument, text: string, quiet = false): void => {
  doc
    .font("text")
    .fontSize(10)
    .fillColor(quiet ? QUIET : INK)
    .text(setFractions(text), doc.page.margins.left, doc.y, { width: wide(doc) });
};
/** A row with its name before it. */
const named = (doc: PDFKit.PDFDocument, name: string, text: string): void => {
  doc
    .font("strong")
    .fontSize(10)
    .fillColor(INK)
    .text(setFractions(`${name}  `), doc.page.margins.left, doc.y, { continued: true, width: wide(doc) });
  doc.font("text").text(setFractions(text)).moveDown(0.15);
};
/** Room for a picture below what is written, on this page or the next. */
function picture(doc: PDFKit.PDFDocument, height: number): Room {
  if (doc.y + height > doc.page.height - FOOT) doc.addPage();
  return { x: doc.page.margins.left, y: doc.y + 4, width: wide(doc), height };
}

function cover(doc: PDFKit.PDFDocument, plan: Plan, run: Run, facts: PrintFacts): void {
  const { system } = plan;
  doc.font("strong").fontSize(26).fillColor(INK).text(facts.title);
  doc
    .moveDown(0.3)
    .font("text")
    .fontSize(12)
    .fillColor(QUIET)
    .text(`${system.garment.replace(/^./, (c) => c.toUpperCase())}, drafted in ${system.unit === "in" ? "inches" : "centimetres"}`);
  for (const fact of facts.lines) doc.fontSize(10).text(setFractions(fact));
  if (system.about !== undefined) doc.moveDown(0.8).fontSize(12).fillColor(INK).text(inWords(system.about));
  if (system.suits !== undefined) doc.moveDown(0.4).text(`For: ${inWords(system.suits)}`);
  doc.moveDown(1);
  if (run.pieces.length > 0)
    drawStrokes(doc, drawPieces(run), { ...picture(doc, 0), height: Math.max(120, doc.page.height - doc.y - FOOT - 30) });
}

function measuring(doc: PDFKit.PDFDocument, plan: Plan, options: BookletOptions): void {
  doc.addPage();
  title(doc, "What to measure");
  line(doc, "Ask first. Measure over light clothing, tape level and not tight; who is measured may say stop at any time.", true);
  const asked = plan.measures.map((m) => m.source);
  const room = picture(doc, 300);
  drawFigure(doc, asked, "front", { ...room, width: 140 });
  drawFigure(doc, asked, "back", { ...room, x: room.x + 190, width: 140 });
  doc.y = room.y + 320;
  const range = (m: Plan["measures"][number]): string =>
    m.source.kind === "number"
      ? `${m.from} to ${m.to}`
      : `${tapeText(m.from, options.unit, options.mark)} to ${tapeText(m.to, options.unit, options.mark)}`;
  plan.measures.forEach((m, i) => {
    const only = m.source.checkOnly ? " Only for a check." : m.when ? " Only when one of the choices asks for it." : "";
    named(doc, `${i + 1}  ${askedName(m)}`, `${m.source.how}${only} (${range(m)})`);
  });
}

function needed(doc: PDFKit.PDFDocument, plan: Plan, run: Run, { unit, mark }: BookletOptions): void {
  title(doc, "What to have ready");
  for (const board of layBoards(plan, run).values()) {
    const { minX, minY, maxX, maxY } = board.bounds;
    named(
      doc,
      `Paper for ${board.title}`,
      `${tapeText(maxX - minX, unit, mark)} wide and ${tapeText(maxY - minY, unit, mark)} long for this body, and a hand's breadth more all round.`,
    );
  }
  const curved = plan.steps.some(({ source }) => source.is === "path" && source.type !== "line" && source.type !== "level");
  line(
    doc,
    `Tape, ruler, set square, sharp pencil, paper scissors${curved ? ", a curve ruler" : ""}${plan.darts.length > 0 ? ", a tracing wheel for the darts" : ""}.`,
  );
  const cautions = statementsOf(plan.system, "caution");
  if (cautions.length > 0) title(doc, "Take care");
  for (const caution of cautions) line(doc, inWords(caution.text));
}

function settings(doc: PDFKit.PDFDocument, plan: Plan): void {
  if (plan.settings.length + plan.choices.length === 0) return;
  title(doc, "What can be chosen");
  for (const { source } of plan.choices) {
    named(doc, inWords(source.key), source.decides);
    for (const option of source.options)
      line(
        doc,
        `    ${inWords(option.name)}${option.reason === undefined ? "" : `: ${option.reason}`}${option.suits === undefined ? "" : ` Suits ${option.suits}`}`,
        true,
      );
  }
  for (const { source } of plan.settings) {
    const span = source.from !== undefined && source.to !== undefined ? `, from ${inWords(source.from)} to ${inWords(source.to)}` : "";
    named(doc, inWords(source.key), `${inWords(source.default)}${span}. ${source.decides}`);
  }
}

/** Steps that follow each other under one heading, each group with a drawing of the board as far as it has come. */
function groups(doc: PDFKit.PDFDocument, plan: Plan, run: Run, options: BookletOptions): void {
  doc.addPage();
  const entries = traceOf(plan, run, options);
  let from = 0;
  while (from < entries.length) {
    let to = from + 1;
    while (to < entries.length && entries[to]?.heading === entries[from]?.heading && entries[to]?.board === entries[from]?.board) to++;
    const steps = Array.from({ length: to - from }, (_, i) => from + i);
    title(doc, entries[from]?.heading ?? "Construction");
    for (const i of steps) step(doc, plan, entries[i] as TraceEntry, i, options);
    if (steps.some((i) => plan.steps[i]?.source.is !== "value")) {
      const room = picture(doc, PICTURE_HIGH);
      doc.y = room.y + drawProgress(doc, plan, run, steps, room) + 6;
    }
    from = to;
  }
}

function step(doc: PDFKit.PDFDocument, plan: Plan, entry: TraceEntry, index: number, { sums }: BookletOptions): void {
  if (doc.y > doc.page.height - 100) doc.addPage();
  const name = pointOnPaper(entry.step);
  const left = doc.page.margins.left;
  doc
    .moveDown(0.25)
    .font("strong")
    .fontSize(10.5)
    .fillColor(INK)
    .text(name === "" ? "" : `${name}  `, left, doc.y, { continued: true, width: wide(doc) });
  doc.font("text").text(entry.text);
  if (entry.outcome.status === "skipped") line(doc, `    Left out: ${entry.outcome.why}`, true);
  if (sums)
    for (const sum of entry.sums)
      line(
        doc,
        `    ${[sum.said, ...workedLines(sum).filter((l) => l !== sum.said), sum.reading ?? sum.result].join(" = ")}${sum.other === undefined ? "" : `  (${sum.other})`}`,
        true,
      );
  else
    for (const { text } of plan.steps[index]?.formulas ?? [])
      line(
        doc,
        `    ${inWords(text)
          .replace(/\*/g, "×")
          .replace(/(\w)\/(\w)/g, (all, a: string, b: string) => (/\d/.test(a) && /\d/.test(b) ? all : `${a} ÷ ${b}`))}`,
        true,
      );
  for (const watch of entry.watch)
    doc
      .font("text")
      .fontSize(9.5)
      .fillColor(ACCENT)
      .text(`Watch: ${watch}`, left + 16, doc.y, { width: wide(doc) - 16 });
  for (const why of entry.why) line(doc, `    Why: ${why}`, true);
}

function pieces(doc: PDFKit.PDFDocument, run: Run, { unit, mark }: BookletOptions): void {
  if (run.pieces.length === 0) return;
  doc.addPage();
  title(doc, "The pieces");
  for (const piece of run.pieces) {
    const box = boundsOf(piece.cutting.length > 0 ? piece.cutting : piece.net);
    const room = picture(doc, 150);
    if (box) drawStrokes(doc, drawPieces(run, [piece.key]), { ...room, width: 150, height: 140 });
    const x = room.x + 170;
    const width = room.width - 170;
    doc
      .font("strong")
      .fontSize(11)
      .fillColor(INK)
      .text(`${piece.title}: ${cutText(piece)}`, x, room.y, { width });
    for (const e of piece.edges) {
      const allowance =
        e.finish === "fold"
          ? "on the fold"
          : e.finish === "finished" || e.allowance === 0
            ? "no allowance"
            : `allowance ${tapeText(e.allowance, unit, mark)}`;
      doc
        .font("text")
        .fontSize(9.5)
        .fillColor(QUIET)
        .text(setFractions(`${inWords(e.role)}: ${tapeText(e.length, unit, mark)}, ${allowance}`), x, doc.y, { width });
    }
    for (const note of piece.notes) doc.fontSize(9.5).text(note, x, doc.y, { width });
    doc.y = Math.max(doc.y, room.y + 150) + 8;
  }
}

function ending(doc: PDFKit.PDFDocument, plan: Plan, run: Run): void {
  if (run.checks.length > 0) title(doc, "Checks");
  for (const check of run.checks.filter((c) => c.statement !== undefined))
    line(doc, `${check.name}${check.cause === undefined ? "" : `. If not: ${check.cause}`}`);
  const lessons = statementsOf(plan.system, "lesson");
  if (lessons.length > 0) title(doc, "Lesson");
  for (const lesson of lessons) line(doc, inWords(lesson.text));
  const words = wordsIn(plan.system);
  if (words.length > 0) title(doc, "Words");
  for (const w of words) named(doc, w.word, w.means);
  const share = plan.stretch?.constant;
  if (share !== undefined) line(doc, `The cloth stretches by ${plainFigure(share * 100)} %.`);
}
