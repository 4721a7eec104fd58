import { markFor } from "@lodrin/core";
import { drawingOf, type FileFormat, TEXT_FORMATS } from "../registry.js";
import { writeBookletPdf } from "./booklet.js";
import { writeHandoutPdf } from "./handout.js";
import { writeTestPagePdf, writeTiledPdf } from "./tiles.js";

/** Every file a draft can be written to. */
export const FORMATS: readonly FileFormat[] = [
  {
    file: "pattern.pdf",
    name: "Pattern, true size (PDF)",
    type: "application/pdf",
    group: "cut",
    write: (draft, wanted) =>
      wanted.what === "square" ? writeTestPagePdf(wanted.paper, draft) : writeTiledPdf(drawingOf(draft, wanted), wanted.paper, draft),
  },
  {
    file: "handout.pdf",
    name: "Handout with worked sums (PDF)",
    type: "application/pdf",
    group: "read",
    write: (draft, { unit, paper }) =>
      writeHandoutPdf(draft.plan, draft.run, draft, {
        unit,
        mark: markFor(draft.plan.system, unit),
        paper: paper === "Letter" ? "LETTER" : "A4",
      }),
  },
  {
    file: "booklet.pdf",
    name: "Booklet: the system with its drawings (PDF)",
    type: "application/pdf",
    group: "read",
    write: (draft, { unit, paper, rules }) =>
      writeBookletPdf(draft.plan, draft.run, draft, {
        unit,
        mark: markFor(draft.plan.system, unit),
        paper: paper === "Letter" ? "LETTER" : "A4",
        sums: !rules,
      }),
  },
  ...TEXT_FORMATS,
];
