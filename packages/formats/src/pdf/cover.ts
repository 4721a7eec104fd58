import { readTape } from "@lodrin/core";
import { type Drawing, strokePlaces } from "../drawing/mark.js";
import type { TilePlan } from "../tile/plan.js";
import type { PrintFacts } from "./facts.js";
import { PT_PER_MM } from "./collect.js";
import { setFractions } from "./figures.js";

/** The first page of a tiled print: what it is, the two test squares, how to join, and the map of the sheets. */
export function drawCover(doc: PDFKit.PDFDocument, plan: TilePlan, drawing: Drawing, facts: PrintFacts): void {
  const { margin } = plan;
  doc.save().scale(PT_PER_MM);
  drawTestSquares(doc, margin, margin + 6, plan.page.width, facts);
  const top = margin + 90;
  const printed = plan.tiles.filter((t) => !t.blank).length;
  const { bounds } = drawing;
  const size = `${readTape(bounds.maxX - bounds.minX, "1mm").figure} × ${readTape(bounds.maxY - bounds.minY, "1mm").figure} cm`;
  doc.font("strong").fontSize(5.5).fillColor("#222").text("The sheets", margin, top, { lineBreak: false });
  doc
    .font("text")
    .fontSize(4)
    .text(
      `${printed} sheets of ${plan.paper.name}, ${plan.rows} rows by ${plan.columns} columns; the drawing is ${size}. Sheets left white in the map are blank and not printed.`,
      margin,
      top + 8,
      {
        width: plan.page.width - 2 * margin,
      },
    );
  drawMap(doc, plan, drawing, margin, top + 22);
  doc.restore();
}

/** Letter heights tried for the title, mm: the largest that keeps it on the page. */
const TITLE_SIZES = [7, 6, 5.2, 4.5, 4] as const;

const fittingSize = (doc: PDFKit.PDFDocument, title: string, width: number): number =>
  TITLE_SIZES.find((size) => doc.font("strong").fontSize(size).widthOfString(title) <= width) ?? TITLE_SIZES[TITLE_SIZES.length - 1] ?? 4;

/** Title, facts and the two squares to lay a rule against before anything is cut, on a page so wide. Drawn in mm. */
export function drawTestSquares(doc: PDFKit.PDFDocument, x: number, y: number, wide: number, facts: PrintFacts): void {
  const title = setFractions(facts.title);
  const width = wide - x * 2;
  doc
    .font("strong")
    .fontSize(fittingSize(doc, title, width))
    .fillColor("#222")
    .text(title, x, y - 6, { width, height: 9, lineBreak: false, ellipsis: true });
  doc.lineWidth(0.3).strokeColor("#000");
  doc.rect(x, y + 6, 50, 50).stroke();
  doc.rect(x + 60, y + 6, 50.8, 50.8).stroke();
  doc.font("text").fontSize(4).fillColor("#222");
  doc.text("5 cm", x + 20, y + 28, { lineBreak: false }).text("2 in", x + 81, y + 28, { lineBreak: false });
  doc.text("Print at 100 %, never “fit to page”. Lay a rule on both squares first.", x, y + 60, { lineBreak: false });
  facts.lines
    .slice(0, 7)
    .forEach((line, i) =>
      doc.text(setFractions(line), x + 118, y + 8 + i * 6.5, { width: 72, height: 6, lineBreak: false, ellipsis: true }),
    );
}

function drawMap(doc: PDFKit.PDFDocument, plan: TilePlan, drawing: Drawing, x: number, y: number): void {
  const roomWide = plan.page.width - 2 * plan.margin;
  const roomHigh = plan.page.height - plan.margin - y - 22;
  const { bounds } = drawing;
  const last = plan.tiles[plan.tiles.length - 1];
  if (!last) return;
  const scale = Math.min(roomWide / (last.window.maxX - bounds.minX), roomHigh / (last.window.maxY - bounds.minY));
  const at = (px: number, py: number): [number, number] => [x + (px - bounds.minX) * scale, y + (py - bounds.minY) * scale];
  for (const tile of plan.tiles) {
    const [a, b] = at(tile.window.minX, tile.window.minY);
    const [c, d] = at(tile.window.maxX, tile.window.maxY);
    doc
      .lineWidth(0.2)
      .strokeColor("#888")
      .rect(a, b, c - a, d - b);
    if (tile.blank) doc.stroke();
    else doc.fillAndStroke("#f3ede0", "#888");
  }
  doc.lineWidth(0.2).strokeColor("#333");
  for (const mark of drawing.marks) {
    if (mark.kind !== "stroke" || mark.layer === "grain" || mark.layer === "notches") continue;
    strokePlaces(mark).forEach((p, i) => (i === 0 ? doc.moveTo(...at(p.x, p.y)) : doc.lineTo(...at(p.x, p.y))));
    if (mark.closed) doc.closePath();
    doc.stroke();
  }
  doc.font("text").fontSize(3.2).fillColor("#444");
  for (const tile of plan.tiles)
    if (!tile.blank) doc.text(`${tile.row}-${tile.column}`, ...at(tile.window.minX + 14, tile.window.minY + 14), { lineBreak: false });
  const foot = y + roomHigh + 4;
  doc.font("text").fontSize(4).fillColor("#222");
  doc.text(
    "Cut one of two neighbours along its dashed frame, lay it over the other until the diamonds with the same name lie on each other, and tape.",
    x,
    foot,
    { width: roomWide },
  );
}
