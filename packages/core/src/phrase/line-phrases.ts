import { measurementByKey, measurementCalled } from "../body/index.js";
import { fromMm, type HomeUnit } from "../quantity/units.js";
import { pointText } from "../verb/form.js";
import type { Place } from "./place.js";
import { findPoint, POINT as P } from "./point.js";

/** Reads a sentence that places no point; `text` is the sentence as it stands behind the rule. */
type LineReader = (bare: string, at: Place, text: string) => readonly string[] | undefined;

const keyOf = (words: string): string =>
  words
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "_")
    .replace(/^[_\d]+|_+$/g, "");

/** A line or curve drawn through points; its name is what the sentence calls it. */
export const lineOf: LineReader = (bare, at, text) => {
  if (!/\b(?:join|connect|rule|draw|curve|line)\b/i.test(bare)) return undefined;
  const ids = [...bare.matchAll(new RegExp(`\\b${P}`, "g"))].flatMap(([, id = ""]) => {
    const found = findPoint(id, at.known);
    return found === undefined ? [] : [found];
  });
  if (ids.length < 2) return undefined;
  const called = /\b(?:the|a)\s+([a-z][a-z ]*?)\s+(?:curve|line|seam)\b/i.exec(bare) ?? /[:,]\s*(?:the\s+)?([a-z][a-z ]+)$/i.exec(bare);
  const is = /\bcurve/i.test(bare) ? "curve" : "line";
  const said = keyOf(called?.[1] ?? "").replace(/^(?:straight|smooth|curved)_?/, "");
  const name = said === "" || [...at.known.paths.values()].includes(said) ? `${is}_${ids.join("_").toLowerCase()}` : said;
  return [`${is} ${name}: ${ids.map(pointText).join(" > ")}  ${text}`];
};

/** "Bust: 28 to 60, round the fullest part": a measurement of the known list with its range. */
const measureOf: LineReader = (bare, { known }) => {
  const match =
    /^([a-z][a-z ]*?)\s*[:,]?\s+([\d./½¼¾ ]+?)\s*(?:-|–|—|to|\.\.)\s*([\d./½¼¾ ]+?)\s*(in|inch|inches|cm)?(?:[.,:;]\s*(.*))?$/i.exec(bare);
  if (!match) return undefined;
  const measure = measurementCalled(match[1] ?? "");
  if (!measure || [...known.figures.values()].includes(measure.key)) return undefined;
  const how = match[5] === undefined || match[5] === "" ? measure.how : match[5];
  return [`measure ${measure.key} ${measure.run} ${(match[2] ?? "").trim()}..${(match[3] ?? "").trim()}  "${spoken(how)}"`];
};

/** "Ease: 1/2, from 0 to 2": a setting with its range. */
const settingOf: LineReader = (bare, { known, amount }) => {
  const match =
    /^(?:setting\s+)?([a-z][a-z ]*?)\s*[:=]\s*(.+?)\s*,?\s+(?:from|between)\s+(.+?)\s+(?:to|and)\s+((?:[^,.;:]|[.,](?=\d))+)(?:[,.;:]\s*(.*))?$/i.exec(
      bare,
    );
  if (!match) return undefined;
  const key = keyOf(match[1] ?? "");
  if (key === "" || [...known.figures.values()].includes(key)) return undefined;
  const text = match[5] === undefined || match[5] === "" ? "" : `  "${spoken(match[5])}"`;
  return [`set ${key} = ${amount(match[2])} from ${amount(match[3])} to ${amount(match[4])}${text}`];
};

/** "Board: front, on the fold". */
const boardOf: LineReader = (bare, { known }) => {
  const match =
    /^(?:board|sheet|draft of)\s*[:]?\s+(?:the\s+)?([a-z][a-z ]*?)(?:\s*,?\s*(?:centre\s+)?(?:on|cut on|at|to)\s+(?:the\s+|a\s+)?(fold|edge))?$/i.exec(
      bare,
    );
  if (!match) return undefined;
  const title = (match[1] ?? "").replace(/^./, (c) => c.toUpperCase());
  const letter = [...title.toUpperCase().replace(/[^A-Z]/g, ""), ..."ABCDEFGHJKLMNPQRSTUVWXYZ"].find((c) => !known.boards.has(c));
  return letter === undefined ? undefined : [`board ${letter} "${title}" · centre ${match[2]?.toLowerCase() ?? "fold"}`];
};

/** "Cap height = bust/12 + 1/2": a figure worked out. */
const valueOf: LineReader = (bare, { known, amount }, text) => {
  const match = /^(?:let\s+|work out\s+|reckon\s+)?(?:the\s+)?([a-z][a-z ]*?)\s*(?:=|\bis\b|\bequals\b|:)\s*(.+)$/i.exec(bare);
  const key = keyOf(match?.[1] ?? "");
  if (!match || key === "" || [...known.figures.values()].includes(key)) return undefined;
  return [`value ${key} = ${amount(match[2])}  ${text}`];
};

/** What a sentence may be that places no point. */
export const LINE_PHRASES: readonly LineReader[] = [lineOf, measureOf, settingOf, boardOf, valueOf];

/** A measurement of the known list as a system asks for it. Its range is the list's own, on the tape. */
export function measureLine(key: string, unit: HomeUnit): string {
  const measure = measurementByKey(key);
  if (!measure) return "";
  const figure = (mm: number): number => Math.round(fromMm(mm, unit));
  return `measure ${key} ${measure.run} ${figure(measure.from)}..${figure(measure.to)}  "${spoken(measure.how)}"`;
}

/** A sentence that may stand in quotation marks: with a capital and its full stop. */
export function spoken(said: string): string {
  const text = said.trim().replace(/["“”„]/g, "’");
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}${/[.!?]$/.test(text) ? "" : "."}`;
}
