import { POINT_ID } from "../../formula/point-id.js";

/** A line of a file as the grammar takes it, character for character as long as it was typed, and the comment behind it. */
export interface TidyLine {
  readonly text: string;
  readonly comment: string | undefined;
}

const OPENING = new Set(['"', "“", "„", "«", "‟"]);
const CLOSING = new Set(['"', "”", "“", "»"]);
const POINT = new RegExp(`^#(?:${POINT_ID})(?![A-Za-z_])`);
const FIGURE = /[0-9½¼¾⅓⅔⅛⅜⅝⅞]/;

/** The longest line that is read: a longer one nobody typed, and reading it would take too long. */
export const LONGEST_LINE = 4_000;

/** What a line must hold for there to be anything to tidy. */
const UNUSUAL = /[“”„«»‟'’]|[0-9½¼¾⅓⅔⅛⅜⅝⅞]"|(?:^|\s)#(?![A-Za-z]*[0-9])/;

/**
 * What keyboards and word processors put in place of plain marks is taken as it is meant: curly quotation marks, a straight
 * mark behind a figure for inches, an apostrophe for feet. A `#` that begins no point begins a comment, but for inside quotes.
 */
export function tidyLine(raw: string): TidyLine {
  if (raw.length > LONGEST_LINE || !UNUSUAL.test(raw)) return { text: raw.trimEnd(), comment: undefined };
  let out = "";
  let quoted = false;
  for (let i = 0; i < raw.length; i++) {
    const c = raw[i] as string;
    if (quoted) {
      const inch = isInch(raw, i) && leavesOpen(raw, i + 1);
      const closes = CLOSING.has(c) && !inch;
      quoted = !closes;
      out += closes ? '"' : inch ? "″" : c;
      continue;
    }
    if (c === "#" && beginsComment(raw, i)) return { text: out.trimEnd(), comment: raw.slice(i + 1).trim() };
    const mark = outsideQuotes(raw, i);
    quoted = mark === '"';
    out += mark;
    i += mark.length - 1;
  }
  return { text: out.trimEnd(), comment: undefined };
}

/** What a mark outside quotes means: inches or feet behind a figure, the start of a sentence, or itself. As long as what it stands for. */
function outsideQuotes(raw: string, i: number): string {
  const c = raw[i] as string;
  if (isInch(raw, i)) return "″";
  if (OPENING.has(c) || c === "”") return '"';
  if ((c !== "'" && c !== "’") || !FIGURE.test(raw[i - 1] ?? "") || pointBefore(raw, i)) return c;
  return raw[i + 1] === c ? "″ " : "′";
}

/** A quotation mark straight behind a figure measures in inches: sentences begin behind a blank. */
function isInch(raw: string, i: number): boolean {
  const c = raw[i];
  return (c === '"' || c === "”" || c === "″") && FIGURE.test(raw[i - 1] ?? "") && !pointBefore(raw, i);
}

/** True when the word before is a point like B3 or #12: its apostrophe belongs to its name. */
const pointBefore = (raw: string, i: number): boolean => /(?:^|[\s>,(-])(?:#\w+|[A-Z]+[0-9]+)$/.test(raw.slice(Math.max(0, i - 24), i));

/** True when the sentence that is open would not be closed by what follows, if this mark closed it: an odd number is left. */
function leavesOpen(raw: string, from: number): boolean {
  let marks = 0;
  for (let i = from; i < raw.length; i++) if (CLOSING.has(raw[i] as string) || OPENING.has(raw[i] as string)) marks++;
  return marks % 2 === 1;
}

/** `#12`, `#A1` and `#A` are points; `# so` and `#so` are comments. */
function beginsComment(raw: string, i: number): boolean {
  return (i === 0 || /\s/.test(raw[i - 1] as string)) && !POINT.test(raw.slice(i, i + 24));
}
