import type { HomeUnit } from "@lodrin/core";
import Papa from "papaparse";
import { csvText, plainCell } from "./csv-text.js";

/** What a draft was made from, as people typed it. `unit` is meant where a figure has none of its own. */
export interface Answers {
  readonly unit: HomeUnit;
  readonly measurements: Readonly<Record<string, string>>;
  readonly settings: Readonly<Record<string, string>>;
}

/** A line of a file that could not be used. */
export interface AnswerProblem {
  readonly line: number;
  readonly why: string;
  readonly fix: string;
}

const KINDS = { measurement: "measurements", setting: "settings" } as const;
const BARE = /^[\d\s./,¼½¾⅛⅜⅝⅞-]+$/;

/** Measurements and settings as CSV: `kind,name,value,unit`. Values stand as they were typed. */
export function writeAnswers(answers: Answers): string {
  const rows = (Object.keys(KINDS) as (keyof typeof KINDS)[]).flatMap((kind) =>
    Object.entries(answers[KINDS[kind]]).map(([name, value]) => ({ kind, name, value, unit: BARE.test(value) ? answers.unit : "" })),
  );
  return csvText({ fields: ["kind", "name", "value", "unit"], data: rows });
}

/**
 * Reads measurements and settings from CSV, the columns in any order and `kind` left out for measurements alone. A figure
 * without a unit takes the one beside it. Never throws: lines that cannot be used are named and the others are read.
 */
export function readAnswers(text: string): { answers: Omit<Answers, "unit">; problems: AnswerProblem[] } {
  const problems: AnswerProblem[] = [];
  const read = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ""), {
    header: true,
    skipEmptyLines: "greedy",
    transformHeader: (name) => name.trim().toLowerCase(),
    transform: (value) => plainCell(value.trim()),
  });
  const found = { measurements: new Map<string, string>(), settings: new Map<string, string>() };
  if (!read.meta.fields?.includes("name") || !read.meta.fields.includes("value"))
    return {
      answers: { measurements: {}, settings: {} },
      problems: [{ line: 1, why: "There is no heading with name and value.", fix: "Begin the file with: kind,name,value,unit" }],
    };
  read.data.forEach((row, i) => {
    const line = i + 2;
    const { kind = "measurement", name = "", value = "", unit = "" } = row;
    const list = Object.hasOwn(KINDS, kind) ? found[KINDS[kind as keyof typeof KINDS]] : undefined;
    if (!list) problems.push({ line, why: `“${kind}” is no kind of line.`, fix: "Write measurement or setting." });
    else if (!/^[a-z]\w*$/.test(name)) problems.push({ line, why: `“${name}” is not a name.`, fix: "Write it like across_shoulder." });
    else if (value === "") problems.push({ line, why: `${name} has no value.`, fix: "Take the line away, or write the figure." });
    else if (!["", "in", "cm", "mm"].includes(unit)) problems.push({ line, why: `“${unit}” is no unit.`, fix: "Write in, cm or mm." });
    else list.set(name, unit !== "" && BARE.test(value) ? `${value} ${unit}` : value);
  });
  return { answers: { measurements: Object.fromEntries(found.measurements), settings: Object.fromEntries(found.settings) }, problems };
}
