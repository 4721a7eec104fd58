import { measurementCalled } from "../body/index.js";
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

/** Ways to say one term of an amount, tried in this order; each gets what its pattern caught. */
const TERMS: readonly (readonly [pattern: string, read: (m: readonly string[], known: Known) => Amount | undefined | "no"])[] = [
  // "half an inch", "three quarters of an inch", "a half": a figure.
  [
    `(?:(${COUNT})\\s+)?(${SHARE})s?(?:\\s+(?:of\\s+)?(?:an?\\s+|one\\s+)?(${UNIT}))?`,
    ([, count, share, unit], known) =>
      count === "" && unit === "" ? "no" : plain(`${countOf(count || "one")}/${shareOf(share)}${unitOf(unit, known)}`),
  ],
  // "two thirds of the cap", "half the bust".
  [
    `(?:(two|three|five|seven)\\s+)?(${SHARE})s?\\s+(?:of\\s+)?(.+)`,
    ([, times = "", share, of = ""], known) => scaled(termOf(of, known), `${times === "" ? "" : `*${countOf(times)}`}/${shareOf(share)}`),
  ],
  [`(?:an?\\s+|one\\s+)(${SHARE})\\s+(?:of\\s+)?(.+)`, ([, share, of = ""], known) => scaled(termOf(of, known), `/${shareOf(share)}`)],
  [`(${FIGURE})\\s*(${UNIT})?`, ([, figure = "", unit], known) => plain(`${figure.replace(",", ".")}${unitOf(unit, known)}`)],
  [`(${COUNT})\\s+(${UNIT})`, ([, count, unit], known) => plain(`${countOf(count)}${unitOf(unit, known)}`)],
  [`(${COUNT})`, ([, count]) => plain(String(countOf(count)))],
  [
    `(\\d+)\\/(\\d+)\\s+(?:of\\s+)?(.+)`,
    ([, a = "", b = "", of = ""], known) => scaled(termOf(of, known), a === "1" ? `/${b}` : `*${a}/${b}`),
  ],
  [`(?:twice|double|two times)\\s+(.+)`, ([, of = ""], known) => scaled(termOf(of, known), "*2")],
  [`(.+?)\\s*(?:÷|\\/|divided by)\\s*(${FIGURE})`, ([, of = "", by = ""], known) => scaled(termOf(of, known), `/${by}`)],
  [`(.+?)\\s*(?:×|\\*|times)\\s*(${FIGURE})`, ([, of = "", by = ""], known) => scaled(termOf(of, known), `*${by}`)],
  [
    `(?:distance\\s+)?(?:from\\s+|between\\s+)?${POINT}\\s*(?:to|and|-|–|—)\\s*${POINT}`,
    ([, a = "", b = ""], known) => {
      const [from, to] = [findPoint(a, known), findPoint(b, known)];
      return from === undefined || to === undefined ? undefined : plain(`dist(${pointText(from)}, ${pointText(to)})`);
    },
  ],
];

const countOf = (word = ""): number => COUNTS[word.toLowerCase()] ?? 1;
const shareOf = (word = ""): number => SHARES[word.toLowerCase()] ?? 1;
/** A unit as it stands behind a figure: none where it is the system's own. */
function unitOf(word: string | undefined, known: Known): string {
  const unit = UNITS[(word ?? "").toLowerCase()];
  return unit === undefined || unit === known.unit ? "" : unit;
}

function termOf(said: string, known: Known): Amount | undefined {
  const term = said.trim().replace(SAID_BEFORE, "").trim();
  // "An inch": the count went with the words before it.
  if (UNITS[term.toLowerCase()] && said.trim() !== term) return plain(`1${unitOf(term, known)}`);
  for (const [pattern, read] of TERMS) {
    const match = new RegExp(`^(?:${pattern})$`, "i").exec(term);
    const found = match
      ? read(
          match.map((part: string | undefined) => part ?? ""),
          known,
        )
      : "no";
    if (found !== "no") return found;
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
    const measure = measurementCalled(name);
    if (measure) return { formula: measure.key, needs: [measure.key] };
  }
  return undefined;
}
