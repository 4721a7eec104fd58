import { suggest } from "../../formula/suggest.js";
import type { Block } from "./blocks.js";
import { DETAIL_FORMS } from "./details.js";
import { parse } from "./generated/notation.js";
import { LONGEST_LINE } from "./tidy-line.js";

export type Loose = Record<string, unknown>;

/** A line as the grammar gives it: its texts with where they stand in the line. */
export type Parsed = Loose;

/** The run of blanks from which on a line is not read, for the same reasons as one that is too long. */
const BLANKS = /[ \t\u00a0]{120}/;

/** A line as it is given to the grammar: an empty one, which it cannot read, in place of one that is not fit to be read. */
const fit = (text: string): string => (unfit(text) ? "" : text);

const unfit = (text: string): boolean => text.length > LONGEST_LINE || BLANKS.test(text);

/** Reads the lines of many blocks in one go; null where one cannot be read. One list of lines a block, its head first. */
export function parseBlocks(blocks: readonly Block[]): (Parsed | null)[][] {
  const text = blocks.flatMap(({ head, details }) => (head ? [fit(head.text), ...details.map((d) => `\t${fit(d.text)}`)] : [])).join("\n");
  const lines = text === "" ? [] : (parse(text, { startRule: "File" }) as (Parsed | null)[]);
  let at = 0;
  return blocks.map(({ head, details }) => lines.slice(at, (at += head ? 1 + details.length : 0)));
}

/** One line by itself: how far it could be read, when it cannot. */
export function parseLine(text: string, startRule: "Statement" | "Detail"): Parsed | number {
  if (unfit(text)) return 0;
  try {
    return parse(text, { startRule }) as Parsed;
  } catch (error) {
    const failed = error as { location?: { start: { offset: number } } };
    if (!failed.location) throw error;
    return Math.min(failed.location.start.offset, text.length);
  }
}

/** How each kind of statement begins and what it then says. */
const STATEMENT_WORDS: Record<string, string> = {
  system: 'system "Title"',
  uses: 'uses 18-block-waist-and-side-dart "What is drafted on it."',
  measure: 'measure chest girth 84..136 "How the tape runs."',
  set: 'set ease = 1/2 from 0 to 2 "What it decides."',
  choose: 'choose chest_line "What is chosen." and the options indented below',
  table: "table armhole by bust, steps: under 33 -> 6 1/2 · under 42 -> 7 · above -> 8",
  join: "join side: #5 > hip_curve > #8",
  value: 'value width = chest/4 + ease "What it is."',
  board: 'board M "Front" · centre fold',
  part: 'part "Level lines"',
  line: "line shoulder: #10 > #17",
  level: 'level chest_line "Chest line": #2 > #5',
  curve: "curve neck: #10 > #18, leaving square to #10-#17, arriving square to #0-#4",
  arc: "arc crown: #1 > #2 > #3, or #1 > #3 about #2",
  blend: "blend side_hem: side and hem, 2 before, 3 after",
  trace: "trace back_armhole: armhole mirrored in #6-#8",
  piece: 'piece Front "Front" on M · cut 1 on fold',
  leave: "leave out Collar when collar == none",
  shape: "shape close side_dart in Front about #5, open from #12",
  dart: 'dart waist_dart "Waist dart": legs #8, #9 to #10',
  sew: "sew Front.side with Back.side",
  check: 'check "Shoulders agree": len(Front.shoulder) = len(Back.shoulder) within 1mm',
  passes: 'passes "Neck over the head": 2*(len(Front.neck) + len(Back.neck)) over head',
  closes: 'closes "Zip in the centre back."',
  cloth: "cloth stretches 30%",
  grade: "grade by steps, up to 4, and the shifts indented below: F7, B3: 1/8 out, 1/8 up",
  caution: 'caution "What can hurt."',
  control: 'control dist(#1, #5) "What it keeps watch over."',
  lesson: 'lesson "What is learned."',
};

const DETAIL_WORDS: Record<string, string> = {
  edge: "edge side: #5 > #7 > #8 · allow 1/2",
  grain: "grain along #0-#4",
  notch: "notch at #12, or notch on side at 3",
  double: "double notch at #12",
  level: 'level "Chest line": #2-#5',
  inside: 'inside "Roll line": #1 > #2',
  why: 'why "The reason."',
  watch: 'watch "What goes wrong here."',
  button: "button at #12",
  buttonhole: "buttonhole at #12, length 3/4 across",
  drill: "drill at #12",
  when: "when bust > 40",
  garment: "garment bodice · unit in · tape 1/8",
  unit: "unit in, or unit cm",
  tape: "tape 1/8, tape 1/16 or tape 1mm",
};

interface Unread {
  readonly why: string;
  readonly fix: string;
  readonly instead?: string | undefined;
  readonly from: number;
  readonly length: number;
}

function whyUnfit(text: string): Unread {
  const here = { from: 0, length: 1 };
  if (text.length > LONGEST_LINE)
    return { why: `This line is longer than ${LONGEST_LINE} letters.`, fix: "Part it into several statements.", ...here };
  return { why: "There is a long run of blanks in this line.", fix: "Take the blanks out.", ...here };
}

/** Why a line could not be read past `at`, and what to write. */
export function whyUnread(text: string, at: number, startRule: "Statement" | "Detail"): Unread {
  if (unfit(text)) return whyUnfit(text);
  const word = /^[^\s:]+/.exec(text)?.[0] ?? "";
  const here = { from: at, length: Math.max(1, text.slice(at).search(/\s|$/)) };
  if ((text.match(/"/g)?.length ?? 0) % 2 === 1) {
    const opened = text.lastIndexOf('"');
    return {
      why: "A sentence is begun in quotation marks and never ended.",
      fix: "",
      instead: `${text}"`,
      from: opened,
      length: text.length - opened,
    };
  }
  const shown = text.slice(at).trim().slice(0, 24);
  const why = at >= text.length ? "The line stops too soon." : `“${shown}” cannot stand here.`;
  if (startRule === "Detail") {
    const form = DETAIL_WORDS[word.toLowerCase()];
    return { why, fix: form ? `Write it like: ${form}.` : `Indented lines are: ${DETAIL_FORMS}.`, ...here };
  }
  const cased = asCased(text, word.toLowerCase());
  if (cased) return cased;
  const known = STATEMENT_WORDS[word.toLowerCase()];
  if (known) return { why, fix: `Write it like: ${known}.`, ...here };
  const point = asPoint(text, word);
  if (point) return { ...point, from: 0, length: word.length };
  if (/^(#|[A-Z]+[0-9])/.test(word)) return { why, fix: 'Write a step like: #2 down 1 1/2 from #1 "What is done."', ...here };
  const near = suggest(word.toLowerCase(), Object.keys(STATEMENT_WORDS));
  return {
    why: `“${word}” begins no statement.`,
    fix: near
      ? `Did you mean ${near}? Write it like: ${STATEMENT_WORDS[near]}.`
      : 'A step begins with its point: #2 down 1 1/2 from #1 "What is done."',
    instead: near ? near + text.slice(word.length) : undefined,
    from: 0,
    length: Math.max(1, word.length),
  };
}

/** What is called by small letters, and what by a capital first. */
const SMALL = new Set(["measure", "set", "choose", "table", "join", "value", "line", "level", "curve", "arc", "blend", "trace", "dart"]);
const CAPITAL = new Set(["piece", "board"]);

/** A statement whose own name is written in the wrong letters. */
function asCased(text: string, word: string): Unread | undefined {
  const [, before = "", name = ""] = /^(\S+\s+)([A-Za-z]\w*)/.exec(text) ?? [];
  const right = SMALL.has(word) ? name.toLowerCase() : CAPITAL.has(word) ? name.replace(/^./, (letter) => letter.toUpperCase()) : name;
  if (name === right) return undefined;
  return {
    why: CAPITAL.has(word)
      ? `The name of a ${word} begins with a capital: ${right}.`
      : `A name like “${name}” is written in small letters: ${right}.`,
    fix: "",
    instead: before + right + text.slice(before.length + name.length),
    from: before.length,
    length: name.length,
  };
}

/** A line that begins like a step whose point is not written as points are. */
function asPoint(text: string, word: string): Pick<Unread, "why" | "fix" | "instead"> | undefined {
  const small = /^([a-z]{1,2})([0-9]+[a-z']?)[.:)]?$/.exec(word);
  if (small)
    return {
      why: `“${word}” is no point: points are called by capitals and a number, or by # and a number.`,
      fix: "",
      instead: `${(small[1] ?? "").toUpperCase()}${small[2] ?? ""}${text.slice(word.length)}`,
    };
  const bare = /^(?:(?:pt|point)\.?\s*)?([0-9]+[a-z']?)[.:)]?\s+(?=[a-z])/i.exec(text);
  if (bare)
    return {
      why: `“${bare[0].trim()}” is no point: a number alone could be a figure.`,
      fix: "",
      instead: `#${bare[1] ?? ""} ${text.slice(bare[0].length)}`,
    };
  return undefined;
}
