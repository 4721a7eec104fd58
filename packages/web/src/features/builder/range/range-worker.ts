import {
  type Finding,
  type Given,
  type HomeUnit,
  type Library,
  loadSystem,
  type LoadedSystem,
  type RangeBody,
  run,
  diagnosticsOf,
  sentenceFindings,
} from "@lodrin/core";
import same from "fast-deep-equal";
import { serve } from "../../../workers/serve.js";
import { type NestedRow, nestedRow } from "./range-rows.js";

/** What the page asks: a text, the body it is tried on, the bodies to run it over, and the point their drafts are laid on each other by. */
export interface RangeQuestion {
  readonly notation: string;
  /** What the text builds on. */
  readonly bases: Library;
  readonly tried: { readonly measurements: Given; readonly settings: Given; readonly unit: HomeUnit };
  readonly bodies: readonly RangeBody[];
  readonly anchor: string | undefined;
}

export interface RangeAnswer {
  readonly rows: readonly NestedRow[];
  readonly findings: readonly Finding[];
  /** How long the drafts of the range took. */
  readonly ms: number;
}

let loaded: LoadedSystem | undefined;
let bases: Library = {};
// Twenty drafts, and looking through a whole text, take longer than a picture may: done here, the page goes on drawing.
serve<RangeQuestion, RangeAnswer>((question, give) => {
  const began = performance.now();
  // Only changed lines are read again, unless what it builds on is another.
  loaded = loadSystem(question.notation, question.bases, same(question.bases, bases) ? loaded : undefined);
  bases = question.bases;
  const { plan } = loaded;
  const { measurements, settings, unit } = question.tried;
  const rows = question.bodies.map((body) => nestedRow(plan, body, settings, question.anchor));
  const ms = performance.now() - began;
  const findings = [
    ...diagnosticsOf(
      loaded,
      run(plan, measurements, settings, unit),
      rows.map(({ row }) => row),
    ),
    ...sentenceFindings(loaded, bases),
  ];
  give({ rows, findings, ms });
});
