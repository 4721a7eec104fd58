import {
  type Bounds,
  boundsOf,
  FIGURE,
  FIGURE_LINES,
  type Course,
  courseOnFigure,
  flatten,
  measurementByKey,
  type Path,
  type Plan,
  type Point,
  pointText,
  type Run,
  svgData,
  drawnSteps,
} from "@lodrin/core";
import type { Drawing } from "../drawing/mark.js";
import { strokeData } from "../drawing/stroke-data.js";

export const INK = "#222222";
export const QUIET = "#666666";
export const ACCENT = "#a03b12";

/** A room on a page, in points. */
export interface Room {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** How a drawing in mm is fitted into a room, whole and as large as may be. */
function fitted({ minX, minY, maxX, maxY }: Bounds, room: Room): { k: number; x: number; y: number } {
  const k = Math.min(room.width / Math.max(1, maxX - minX), room.height / Math.max(1, maxY - minY), 1.2);
  return { k, x: room.x + (room.width - (maxX - minX) * k) / 2 - minX * k, y: room.y - minY * k };
}

/**
 * A board as far as a group of steps has brought it: what the group adds in the accent with its numbers, what was there before
 * in grey. Gives the height taken, in points.
 */
export function drawProgress(doc: PDFKit.PDFDocument, plan: Plan, run: Run, steps: readonly number[], room: Room): number {
  const last = steps[steps.length - 1] ?? -1;
  const now = new Set(steps);
  const boards = new Set(steps.flatMap((i) => (plan.steps[i]?.source.is === "value" ? [] : [plan.steps[i]?.board])));
  const onPaper = drawnSteps(plan, run).filter(({ index, board }) => index <= last && boards.has(board));
  const points = onPaper.flatMap(({ step, point: at, index: i }): { id: string; at: Point; i: number }[] =>
    at && step.source.is === "point" ? [{ id: step.source.id, at, i }] : [],
  );
  const paths = onPaper.flatMap(({ path, index: i }): { path: Path; i: number }[] => (path ? [{ path, i }] : []));
  const bounds = boundsOf([...points.map((p) => p.at), ...paths.flatMap(({ path }) => flatten(path, 1))]);
  if (!bounds) return 0;
  const { k, x, y } = fitted(bounds, { ...room, x: room.x + 16, width: room.width - 32 });
  doc.save().translate(x, y).scale(k);
  for (const { path, i } of paths)
    doc
      .lineWidth((now.has(i) ? 1.3 : 0.6) / k)
      .strokeColor(now.has(i) ? ACCENT : "#999999")
      .path(svgData(path))
      .stroke();
  doc.restore();
  for (const { id, at, i } of points) {
    const [px, py] = [at.x * k + x, at.y * k + y];
    doc.lineWidth(0.7).strokeColor(now.has(i) ? ACCENT : "#999999");
    doc
      .moveTo(px - 2.5, py)
      .lineTo(px + 2.5, py)
      .moveTo(px, py - 2.5)
      .lineTo(px, py + 2.5)
      .stroke();
    if (now.has(i))
      doc
        .font("strong")
        .fontSize(8)
        .fillColor(ACCENT)
        .text(pointText(id).replace("#", ""), px + 3, py - 9, { lineBreak: false });
  }
  return (bounds.maxY - bounds.minY) * k + 10;
}

/** The strokes of a drawing in a room, as for a cover or a piece. Gives the height taken, in points. */
export function drawStrokes(doc: PDFKit.PDFDocument, drawing: Drawing, room: Room): number {
  const { bounds } = drawing;
  const { k, x, y } = fitted(bounds, room);
  doc.save().translate(x, y).scale(k);
  for (const mark of drawing.marks) {
    if (mark.kind !== "stroke" || mark.layer === "grain") continue;
    doc
      .lineWidth((mark.layer === "net" ? 0.6 : 1.1) / k)
      .strokeColor(mark.layer === "net" ? "#999999" : INK)
      .path(strokeData(mark))
      .stroke();
  }
  doc.restore();
  return (bounds.maxY - bounds.minY) * k;
}

/** A measurement that is taken, and where its tape runs where the system says so. */
interface TakenMeasure {
  readonly key: string;
  readonly course?: Course;
}

/** The figure from the front or the back with every line the tape runs along, numbered as in the list beside it. */
export function drawFigure(doc: PDFKit.PDFDocument, asked: readonly TakenMeasure[], view: "front" | "back", room: Room): void {
  const k = Math.min(room.width / FIGURE.width, room.height / FIGURE.height);
  doc.save().translate(room.x, room.y).scale(k);
  for (const data of FIGURE.outline) doc.lineWidth(1.2).strokeColor("#777777").path(data).stroke();
  doc
    .lineWidth(0.8)
    .strokeColor("#aaaaaa")
    .path(view === "front" ? FIGURE.front : FIGURE.back)
    .stroke();
  asked.forEach(({ key, course }, i) => {
    const own = course && courseOnFigure(course);
    const line = own?.line ?? FIGURE_LINES[key];
    if (line === undefined || (own ?? measurementByKey(key))?.view !== view) return;
    doc.lineWidth(2).strokeColor(ACCENT).path(line).stroke();
    const [, px = "0", py = "0"] = /^M([\d.]+) ([\d.]+)/.exec(line) ?? [];
    doc
      .font("strong")
      .fontSize(11)
      .fillColor(ACCENT)
      .text(String(i + 1), Number(px) - 13, Number(py) - 7, { lineBreak: false });
  });
  doc.restore();
}
