import { wordOf } from "./word-of.js";

/** A word, figure or sign of a sentence, and where it stands in it. */
export interface Token {
  /** In small letters, as the grammar knows it. */
  readonly text: string;
  readonly kind: "word" | "number" | "point" | "mark";
  /** Of a number: how the notation writes it. Of a point: its name as it was typed, without `#`. */
  readonly value: string;
  readonly from: number;
  readonly to: number;
}

const SIGN_FRACTIONS: Readonly<Record<string, string>> = {
  "½": "1/2",
  "¼": "1/4",
  "¾": "3/4",
  "⅓": "1/3",
  "⅔": "2/3",
  "⅛": "1/8",
  "⅜": "3/8",
  "⅝": "5/8",
  "⅞": "7/8",
};
const SIGNS = Object.keys(SIGN_FRACTIONS).join("");

/** Words that are short for two. */
const SHORT: Readonly<Record<string, readonly string[]>> = {
  "that's": ["that", "is"],
  "it's": ["it", "is"],
  "that'll": ["that", "will"],
  "it'll": ["it", "will"],
  "there'll": ["there", "will"],
  "i've": ["i", "have"],
  "you've": ["you", "have"],
  "this'll": ["this", "will"],
  "here's": ["here", "is"],
  "there's": ["there", "is"],
  "where's": ["where", "is"],
  "what's": ["what", "is"],
  "i'm": ["i", "am"],
  "i'll": ["i", "will"],
  "i'd": ["i", "would"],
  "we're": ["we", "are"],
  "we'll": ["we", "will"],
  "we've": ["we", "have"],
  "you'll": ["you", "will"],
  "you're": ["you", "are"],
  "they're": ["they", "are"],
  "let's": ["let", "us"],
  "don't": ["do", "not"],
  "won't": ["will", "not"],
  "doesn't": ["does", "not"],
  "mine's": ["mine", "is"],
  gonna: ["going", "to"],
  wanna: ["want", "to"],
  neckline: ["neck", "line"],
  waistline: ["waist", "line"],
  hipline: ["hip", "line"],
  bustline: ["bust", "line"],
  chestline: ["chest", "line"],
  hemline: ["hem", "line"],
  centreline: ["centre", "line"],
  centerline: ["centre", "line"],
  sideseam: ["side", "seam"],
  sideseams: ["side", "seams"],
  grainline: ["grain", "line"],
};

/** What the trade writes in capitals on a draft (common practice, no source). */
const CAPITALS: Readonly<Record<string, readonly string[]>> = {
  CB: ["centre", "back"],
  CF: ["centre", "front"],
  WL: ["waist", "line"],
  HL: ["hip", "line"],
  BL: ["bust", "line"],
  AH: ["armhole"],
  SS: ["side", "seam"],
  SNP: ["shoulder", "neck", "point"],
  SA: ["seam", "allowance"],
};

/** Other spellings of the same word. */
const SAME: Readonly<Record<string, string>> = {
  center: "centre",
  hips: "hip",
  centers: "centres",
  centered: "centred",
  centering: "centring",
  midpoint: "middle",
  guideline: "line",
  guidelines: "lines",
  armscye: "armhole",
  armseye: "armhole",
  scye: "armhole",
  dotted: "dashed",
  broken: "dashed",
  subdivide: "divide",
  slide: "go",
  slip: "go",
  travel: "go",
  proceed: "go",
  advance: "go",
  ink: "draw",
  pencil: "draw",
  elongate: "extend",
  uppermost: "upper",
  reverse: "mirror",
  freehand: "draw",
  establish: "draw",
  erect: "make",
  lowermost: "lower",

  centimeter: "centimetre",
  centimeters: "centimetres",
  millimeter: "millimetre",
  millimeters: "millimetres",
  gray: "grey",
  wd: "wide",
  lg: "long",
  okay: "ok",
};

const PLAN = new RegExp(
  [
    `(?<point>#[A-Za-z]{0,2}\\d+[a-z]?(?![\\w/])|[A-Z]{1,2}\\d+[a-z]?(?![\\w/]))`,
    `(?<mixed>\\d+(?:\\s+|\\s*-\\s*)\\d+\\/\\d+|\\d+\\s?[${SIGNS}]|\\d+\\/\\d+|[${SIGNS}])`,
    `(?<comma>\\d+,\\d+(?=\\s*(?:cm|mm|centi|milli)))`,
    `(?<plain>\\d+\\.\\d+|\\d+[a-z]?(?![a-z]))`,
    `(?<word>[\\p{L}_]+(?:['’][a-z]+)?)`,
    `(?<range>\\.\\.\\.?|…)`,
    `(?<mark>->|=>|[^\\s])`,
  ].join("|"),
  "gu",
);

/** Signs that mean the same. */
const MARKS: Readonly<Record<string, string>> = {
  "–": "-",
  "—": "-",
  "−": "-",
  "→": "->",
  "=>": "->",
  "″": '"',
  "”": '"',
  "“": '"',
  "×": "*",
  "÷": "/",
  "…": "..",
  "...": "..",
  "•": "·",
};

/** The words of a name as the grammar knows them: `Front neckline` is `front neck line`. */
export const wordsOfName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9' ]+/g, " ")
    .split(" ")
    .flatMap((word) => wordOf(SHORT, word) ?? wordOf(SAME, word) ?? word)
    .filter((word) => word !== "")
    .join(" ");

/**
 * The words of a sentence, each with its place. Linear in the length of the text.
 *
 * @example tokensOf("Down 2½\" from 6").map((t) => t.value) // ["down", "2 1/2", "\"", "from", "6"]
 */
export function tokensOf(sentence: string): Token[] {
  const out: Token[] = [];
  for (const match of sentence.matchAll(PLAN)) {
    const typed = match[0];
    const [from, to] = [match.index, match.index + typed.length];
    const add = (text: string, kind: Token["kind"], value = text): void => void out.push({ text, kind, value, from, to });
    const { point, mixed, comma, plain, word, range } = match.groups ?? {};
    if (point !== undefined) add(point.replace("#", ""), "point", point.replace("#", ""));
    else if (mixed !== undefined) {
      const figure = mixedFigure(mixed);
      add(figure, "number", figure);
    } else if (comma !== undefined) add(comma.replace(",", "."), "number", comma.replace(",", "."));
    else if (plain !== undefined) add(plain, /[a-z]$/.test(plain) ? "point" : "number", plain);
    else if (word !== undefined) {
      const small = word.toLowerCase().replace("’", "'");
      const pair = wordOf(CAPITALS, word) ?? wordOf(SHORT, small);
      if (pair) for (const one of pair) add(one, "word");
      else if (isLetterInside(word, out)) add(word, "word", word);
      else add(wordOf(SAME, small) ?? small.replace(/'s$/, ""), "word", word);
    } else add(range === undefined ? (wordOf(MARKS, typed) ?? typed) : "..", "mark");
  }
  return out;
}

/** A capital alone is the name of a point, but for `I`, and for `A` where a sentence may begin with it. */
const isLetterInside = (word: string, before: readonly Token[]): boolean =>
  /^[A-HJ-Z]$/.test(word) && (word !== "A" || before.some(({ kind }) => kind === "word"));

function mixedFigure(typed: string): string {
  const sign = SIGN_FRACTIONS[typed.slice(-1)];
  if (sign === undefined) return typed.replace(/\s*-\s*|\s+/, " ");
  const whole = typed.slice(0, -1).trim();
  return whole === "" ? sign : `${whole} ${sign}`;
}

const NOISE = new Set(
  "the your my our his her please just um uh er erm ah oh ok okay alright hmm now really exactly actually simply also too gently carefully nicely neatly own lightly accurately light faint fine thin precisely roughly smoothly neat likewise dead".split(
    " ",
  ),
);

/** Words that say nothing about what is drawn; they are passed over wherever they stand. */
export const isNoise = ({ kind, text }: Token): boolean => kind === "word" && NOISE.has(text);
