import { drawnSteps, type Plan, pointText, type Run, tapeText } from "@lodrin/core";
import { csvText } from "./csv-text.js";

const mm = (value: number): number => Math.round(value * 1e3) / 1e3 + 0;

/** The points of a run, a line each: `point,board,across_mm,down_mm`. */
export function pointsCsv(plan: Plan, run: Run): string {
  const rows = drawnSteps(plan, run).flatMap(({ step: { source }, board, point }) =>
    source.is === "point" && point
      ? [{ point: pointText(source.id).replace("#", ""), board, across_mm: mm(point.x), down_mm: mm(point.y) }]
      : [],
  );
  // A point with several rules has one place.
  return csvText(rows.filter((row, i) => rows.findIndex((r) => r.point === row.point) === i));
}

/** The edges of every piece, a line each: `piece,edge,length_mm,tape,allowance_mm,finish`. Lengths of the sewing line. */
export function seamsCsv(run: Run): string {
  const { unit } = run;
  return csvText(
    run.pieces.flatMap((piece) =>
      piece.edges.map((edge) => ({
        piece: piece.title,
        edge: edge.role,
        length_mm: mm(edge.length),
        tape: tapeText(edge.length, unit),
        allowance_mm: mm(edge.allowance),
        finish: edge.finish,
      })),
    ),
  );
}
