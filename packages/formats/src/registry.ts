import { type Plan, type Run, runToJson } from "@lodrin/core";
import { type Answers, writeAnswers } from "./csv/answers.js";
import { pointsCsv, seamsCsv } from "./csv/run-tables.js";
import { drawBoard } from "./drawing/board.js";
import type { Drawing } from "./drawing/mark.js";
import { drawPieces } from "./drawing/pieces.js";
import { writeDxf } from "./dxf/write.js";
import { writeSvg } from "./svg/write.js";
import type { PaperKey } from "./tile/paper.js";

/** A draft to be written to a file: the plan, its run, what it is called, and the answers it was made with. */
export interface DraftToWrite {
  readonly plan: Plan;
  readonly run: Run;
  readonly slug: string;
  readonly title: string;
  /** Further lines for the top of a print: which system, for whom, when. */
  readonly lines: readonly string[];
  readonly answers: Answers;
}

/** How it is wanted: on which paper, the pieces, the construction or the test squares alone, in which unit. */
export interface Wanted {
  readonly paper: PaperKey;
  readonly what: "pieces" | "board" | "square";
  readonly unit: "in" | "cm";
  /** The pieces by their keys; all without it. */
  /** Formulas as rules, not as this body's sums. */
  readonly rules?: boolean;
  readonly pieces?: readonly string[] | undefined;
}

/** A file a draft can be written to: what people call it, and how it is made. Adding one is a writer and a line in a registry. */
export interface FileFormat {
  readonly file: string;
  readonly name: string;
  readonly type: string;
  readonly group: "read" | "cut" | "reckon" | "answers";
  readonly write: (draft: DraftToWrite, wanted: Wanted) => string | Promise<Uint8Array>;
}

/** The drawing that is wanted. */
export const drawingOf = ({ plan, run }: DraftToWrite, { what, pieces }: Pick<Wanted, "what" | "pieces">): Drawing =>
  what === "board" ? drawBoard(plan, run) : drawPieces(run, pieces);

/** Files that can be made in a browser as well; `pdf/registry.ts` has them all. */
export const TEXT_FORMATS: readonly FileFormat[] = [
  {
    file: "pattern.svg",
    name: "Pieces (SVG in millimetres)",
    type: "image/svg+xml",
    group: "cut",
    write: (draft, wanted) => writeSvg(drawingOf(draft, wanted)),
  },
  { file: "pattern.dxf", name: "Pieces for a cutter (DXF)", type: "image/vnd.dxf", group: "cut", write: ({ run }) => writeDxf(run) },
  { file: "seams.csv", name: "Seam lengths (CSV)", type: "text/csv", group: "reckon", write: ({ run }) => seamsCsv(run) },
  { file: "points.csv", name: "Points (CSV)", type: "text/csv", group: "reckon", write: ({ plan, run }) => pointsCsv(plan, run) },
  {
    file: "run.json",
    name: "Everything worked out (JSON)",
    type: "application/json",
    group: "reckon",
    write: ({ plan, run, slug }) => JSON.stringify(runToJson(plan, run, slug), null, 1),
  },
  {
    file: "answers.csv",
    name: "Measurements and settings (CSV)",
    type: "text/csv",
    group: "answers",
    write: ({ answers }) => writeAnswers(answers),
  },
];
