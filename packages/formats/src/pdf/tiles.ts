import PDFDocument from "pdfkit";
import type { Drawing, Words } from "../drawing/mark.js";
import { type PaperKey, PAPERS } from "../tile/paper.js";
import { MARGIN_MM, planTiles, type Tile, type TilePlan } from "../tile/plan.js";
import { collect, PT_PER_MM } from "./collect.js";
import { drawCover, drawTestSquares } from "./cover.js";
import type { PrintFacts } from "./facts.js";
import { setFractions } from "./figures.js";
import { FONTS } from "./fonts.js";
import { strokeOperators } from "./strokes.js";

/** A drawing as a PDF true to size: sheets with margins, overlap, labels, join marks and a page map; blank sheets left out. */
export async function writeTiledPdf(drawing: Drawing, paper: PaperKey, facts: PrintFacts): Promise<Buffer> {
  const plan = planTiles(drawing, paper);
  const size: [number, number] = [plan.page.width * PT_PER_MM, plan.page.height * PT_PER_MM];
  const doc = new PDFDocument({ size, margin: 0, autoFirstPage: false, info: { Title: facts.title, Creator: "Lodrin" } });
  doc.registerFont("text", FONTS.text);
  doc.registerFont("strong", FONTS.strong);
  const form = formOf(doc, drawing);
  if (plan.head === 0) {
    doc.addPage();
    drawCover(doc, plan, drawing, facts);
  }
  const printed = plan.tiles.filter((tile) => !tile.blank);
  printed.forEach((tile, i) => {
    doc.addPage();
    if (plan.head > 0 && i === 0) {
      doc.save().scale(PT_PER_MM);
      drawTestSquares(doc, plan.margin, plan.margin + 4, plan.page.width, facts);
      doc.restore();
    }
    drawTile(doc, plan, tile, form, drawing);
  });
  return collect(doc);
}

/** A roll is torn off below the squares (mm). */
const TORN_OFF_MM = 120;

/** The test squares alone: to see that a printer prints true to size before any pattern is printed. */
export async function writeTestPagePdf(paperKey: PaperKey, facts: PrintFacts): Promise<Buffer> {
  const { width, height = TORN_OFF_MM } = PAPERS[paperKey];
  const doc = new PDFDocument({
    size: [width * PT_PER_MM, height * PT_PER_MM],
    margin: 0,
    info: { Title: `${facts.title}, test squares`, Creator: "Lodrin" },
  });
  doc.registerFont("text", FONTS.text);
  doc.registerFont("strong", FONTS.strong);
  doc.save().scale(PT_PER_MM);
  drawTestSquares(doc, MARGIN_MM, MARGIN_MM + 6, width, facts);
  doc.restore();
  return collect(doc);
}

/** The strokes as one Form XObject: drawn once, shown on every sheet. */
function formOf(doc: PDFKit.PDFDocument, drawing: Drawing): PDFKit.PDFKitReference {
  const { minX, minY, maxX, maxY } = drawing.bounds;
  const form = doc.ref({ Type: "XObject", Subtype: "Form", BBox: [minX - 5, minY - 5, maxX + 5, maxY + 5], Resources: {} });
  form.end(Buffer.from(strokeOperators(drawing), "latin1"));
  return form;
}

function drawTile(doc: PDFKit.PDFDocument, plan: TilePlan, tile: Tile, form: PDFKit.PDFKitReference, drawing: Drawing): void {
  const { margin, head } = plan;
  const top = margin + head;
  const wide = plan.page.width - 2 * margin;
  const high = plan.page.height - margin - top;
  doc.save().scale(PT_PER_MM);
  doc.save().rect(margin, top, wide, high).clip();
  doc.transform(1, 0, 0, 1, margin - tile.window.minX, top - tile.window.minY);
  doc.page.xobjects["Draft"] = form;
  doc.addContent("/Draft Do");
  for (const mark of drawing.marks) if (mark.kind === "words") drawWords(doc, mark, tile);
  doc.restore();
  drawFrame(doc, plan, tile, top, wide, high);
  doc.restore();
}

function drawWords(doc: PDFKit.PDFDocument, words: Words, tile: Tile): void {
  const reach = words.text.length * words.size;
  const { at } = words;
  if (
    at.x + reach < tile.window.minX ||
    at.x - reach > tile.window.maxX ||
    at.y + reach < tile.window.minY ||
    at.y - reach > tile.window.maxY
  )
    return;
  doc.save().font("text").fontSize(words.size).fillColor("#222");
  const width = doc.widthOfString(words.text);
  const shift = words.anchor === "middle" ? width / 2 : words.anchor === "end" ? width : 0;
  doc.rotate((words.turn * 180) / Math.PI, { origin: [at.x, at.y] });
  doc.text(setFractions(words.text), at.x - shift, at.y - words.size, { lineBreak: false });
  doc.restore();
}

/** The frame to cut along, the sheet's name, and a join mark to every printed neighbour. */
function drawFrame(doc: PDFKit.PDFDocument, plan: TilePlan, tile: Tile, top: number, wide: number, high: number): void {
  const { margin, overlap } = plan;
  doc.lineWidth(0.15).dash(2, { space: 2 }).strokeColor("#999").rect(margin, top, wide, high).stroke().undash();
  doc.font("strong").fontSize(5).fillColor("#555");
  doc.text(`row ${tile.row} · column ${tile.column}`, margin + 3, top + 3, { lineBreak: false });
  const printed = (row: number, column: number): boolean => plan.tiles.some((t) => t.row === row && t.column === column && !t.blank);
  const joins = [
    {
      row: tile.row,
      column: tile.column + 1,
      x: margin + wide - overlap / 2,
      y: top + high / 2,
      name: joinName(tile.row, tile.column, "across"),
    },
    {
      row: tile.row,
      column: tile.column - 1,
      x: margin + overlap / 2,
      y: top + high / 2,
      name: joinName(tile.row, tile.column - 1, "across"),
    },
    {
      row: tile.row + 1,
      column: tile.column,
      x: margin + wide / 2,
      y: top + high - overlap / 2,
      name: joinName(tile.row, tile.column, "down"),
    },
    {
      row: tile.row - 1,
      column: tile.column,
      x: margin + wide / 2,
      y: top + overlap / 2,
      name: joinName(tile.row - 1, tile.column, "down"),
    },
  ];
  for (const join of joins) if (printed(join.row, join.column)) drawJoin(doc, join.x, join.y, join.name);
}

/** Both sheets of a join carry the same name at the same place of the drawing. */
const joinName = (row: number, column: number, way: "across" | "down"): string => `${row}.${column}${way === "across" ? "→" : "↓"}`;

function drawJoin(doc: PDFKit.PDFDocument, x: number, y: number, name: string): void {
  doc
    .lineWidth(0.25)
    .strokeColor("#555")
    .polygon([x - 3, y], [x, y - 3], [x + 3, y], [x, y + 3])
    .stroke();
  doc
    .moveTo(x - 4, y)
    .lineTo(x + 4, y)
    .moveTo(x, y - 4)
    .lineTo(x, y + 4)
    .stroke();
  doc
    .font("text")
    .fontSize(3.2)
    .fillColor("#555")
    .text(name, x + 4.5, y - 4.5, { lineBreak: false });
}
