import { MEASUREMENTS } from "../body/index.js";
import { pointText } from "../verb/form.js";
import type { Known } from "./known.js";
import { findPoint, POINT } from "./point.js";

/** An amount said in words, as a formula; with the measurements of the known list that it takes and the system does not have yet. */
export interface Amount {
  readonly formula: string;
  readonly needs: readonly string[];
}

const SHARES: Readonly<Record<string, number>> = {
  half: 2,
  third: 3,
  quarter: 4,
  fourth: 4,
  fifth: 5,
  sixth: 6,
  seventh: 7,
  eighth: 8,
  ninth: 9,
  tenth: 10,
  twelfth: 12,
  sixteenth: 16,
};
const COUNTS: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  twelve: 12,
};
const SHARE = Object.keys(SHARES).join("|");
const COUNT = Object.keys(COUNTS).join("|");
const FIGURE = "\\d+(?:[.,]\\d+)?(?:\\s*[½¼¾⅓⅔⅛⅜⅝⅞]|\\s+\\d+\\/\\d+|\\/\\d+)?|[½¼¾⅓⅔⅛⅜⅝⅞]";
const UNITS: Readonly<Record<string, "in" | "cm" | "mm">> = {
  in: "in",
  inch: "in",
  inches: "in",
  '"': "in",
  "″": "in",
  cm: "cm",
  centimetre: "cm",
  centimetres: "cm",
  mm: "mm",
  millimetre: "mm",
  millimetres: "mm",
};
const UNIT = Object.keys(UNITS).join("|");
/** Words that are said behind a figure's name and mean the same: the cap height is the cap. */
const SAID_BEHIND = /\s+(?:length|height|width|depth|girth|measurement|measure|line|level|intake|allowance|amount)$/;
const SAID_BEFORE = /^(?:the|a|an|your|full|whole|of|by|its)\s+/;

/** Reads "a quarter bust plus 1/2 inch". Undefined for what cannot be read as an amount. */
export function amountOf(said: string, known: Known): Amount | undefined {
  const words = said
    .trim()
    .replace(/\.$/, "")
    .replace(/(\d+) and (\d+\/\d+)/g, "$1 $2")
    .replace(/\s+/g, " ");
  const parts = words.split(/\s+(plus|and|minus|less|with|[+−–-])\s+/i);
  let formula = "";
  const needs = new Set<string>();
  for (let i = 0; i < parts.length; i += 2) {
    const term = termOf(parts[i] ?? "", known);
    if (!term) return undefined;
    const sign = /minus|less|[−–-]/i.test(parts[i - 1] ?? "") ? "-" : "+";
    formula += i === 0 ? term.formula : ` ${sign} ${term.formula}`;
    for (const need of term.needs) needs.add(need);
  }
  return { formula, needs: [...needs] };
}

const plain = (formula: string): Amount => ({ formula, needs: [] });
/** What is divided or taken several times stands in brackets when it is a sum itself. */
const scaled = (amount: Amount | undefined, by: string): Amount | undefined =>
  amount && {
    ...amount,
    formula: /[\s+*/-]/.test(amount.formula.replace(/^\w+\(.*\)$/, "")) ? `(${amount.formula})${by}` : `${amount.formula}${by}`,
  };

function termOf(said: string, known: Known): Amount | undefined {
  const term = said.trim().replace(SAID_BEFORE, "").trim();
  const match = (pattern: string): RegExpExecArray | null => new RegExp(`^(?:${pattern})$`, "i").exec(term);
  const unit = (word: string | undefined): string => {
    const known_ = UNITS[(word ?? "").toLowerCase()];
    return known_ === undefined || known_ === known.unit ? "" : known_;
  };

  let m = match(`(?:(${COUNT})\\s+)?(${SHARE})s?(?:\\s+(?:of\\s+)?(?:an?\\s+|one\\s+)?(${UNIT}))?`);
  if (m && (m[3] !== undefined || m[1] !== undefined))
    return plain(`${COUNTS[(m[1] ?? "one").toLowerCase()] ?? 1}/${SHARES[(m[2] ?? "").toLowerCase()] ?? 1}${unit(m[3])}`);
  m =
    match(`(?:(two|three|five|seven)\\s+)?(${SHARE})s?\\s+(?:of\\s+)?(.+)`) ?? match(`()(?:an?\\s+|one\\s+)(${SHARE})\\s+(?:of\\s+)?(.+)`);
  if (m) {
    const times = COUNTS[(m[1] ?? "").toLowerCase()];
    return scaled(termOf(m[3] ?? "", known), `${times === undefined ? "" : `*${times}`}/${SHARES[(m[2] ?? "").toLowerCase()] ?? 1}`);
  }
  m = match(`(${FIGURE})\\s*(${UNIT})?`);
  if (m) return plain(`${(m[1] ?? "").replace(",", ".")}${unit(m[2])}`);
  m = match(`(${COUNT})\\s+(${UNIT})`) ?? match(`(${COUNT})`);
  if (m) return plain(`${COUNTS[(m[1] ?? "").toLowerCase()] ?? 1}${unit(m[2])}`);
  if (UNITS[term.toLowerCase()] && said.trim() !== term) return plain(`1${unit(term)}`);
  m = match(`(\\d+)\\/(\\d+)\\s+(?:of\\s+)?(.+)`);
  if (m) return scaled(termOf(m[3] ?? "", known), m[1] === "1" ? `/${m[2] ?? ""}` : `*${m[1] ?? ""}/${m[2] ?? ""}`);
  m = match(`(?:twice|double|two times)\\s+(.+)`);
  if (m) return scaled(termOf(m[1] ?? "", known), "*2");
  m = match(`(.+?)\\s*(?:÷|\\/|divided by)\\s*(${FIGURE})`);
  if (m) return scaled(termOf(m[1] ?? "", known), `/${m[2] ?? ""}`);
  m = match(`(.+?)\\s*(?:×|\\*|times)\\s*(${FIGURE})`);
  if (m) return scaled(termOf(m[1] ?? "", known), `*${m[2] ?? ""}`);
  m = match(`(?:distance\\s+)?(?:from\\s+|between\\s+)?${POINT}\\s*(?:to|and|-|–|—)\\s*${POINT}`);
  if (m) {
    const [a, b] = [findPoint(m[1] ?? "", known), findPoint(m[2] ?? "", known)];
    return a !== undefined && b !== undefined ? plain(`dist(${pointText(a)}, ${pointText(b)})`) : undefined;
  }
  return figureOf(term, known);
}

/** A figure by its name as it is said; one that the system has not yet may be a measurement that people know. */
function figureOf(said: string, known: Known): Amount | undefined {
  const words = said.toLowerCase().replace(/_/g, " ");
  for (const name of [words, words.replace(SAID_BEHIND, "")]) {
    const key = known.figures.get(name) ?? [...known.figures].find(([w]) => w.replace(SAID_BEHIND, "") === name)?.[1];
    if (key !== undefined) return plain(key);
  }
  for (const name of [words, words.replace(SAID_BEHIND, "")]) {
    const measure = MEASUREMENTS.find((m) => m.name.toLowerCase() === name || m.also.includes(name) || m.key.replace(/_/g, " ") === name);
    if (measure) return { formula: measure.key, needs: [measure.key] };
  }
  return undefined;
}
