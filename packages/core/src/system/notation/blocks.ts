import { tidyLine } from "./tidy-line.js";

/** A line that says something: its text without indentation and comment, where it stands in its block (from 0), and its column (from 1). */
export interface NotationLine {
  readonly text: string;
  readonly row: number;
  readonly column: number;
}

/**
 * The lines of a file that belong to one statement: the comments and blank lines above it, the line at the margin, and the
 * lines indented under it. Every line of a file belongs to one block; a block without a head stands at the end of the file.
 */
export interface Block {
  /** As it was typed, and its lines. */
  readonly text: string;
  readonly source: readonly string[];
  readonly head: NotationLine | undefined;
  readonly details: readonly NotationLine[];
  readonly comments: readonly string[];
}

/** The lines of a text, whatever ends them. */
export const linesOf = (source: string): string[] => source.split(/\r\n|\r|\n/);

/** Where the blocks of a file begin and end: a line at the margin begins one, with the comments and blank lines above it. */
export function blockRanges(lines: readonly string[]): [from: number, to: number][] {
  const ranges: [number, number][] = [];
  let from = 0;
  let headed = false;
  let lastSaid = -1;
  lines.forEach((line, i) => {
    const at = line.search(/[^\s]/);
    if (at < 0 || isComment(line, at)) return;
    if (at === 0 || !headed) {
      if (headed) {
        ranges.push([from, lastSaid + 1]);
        from = lastSaid + 1;
      }
      headed = true;
    }
    lastSaid = i;
  });
  if (headed) ranges.push([from, lastSaid + 1]);
  if (!headed || lastSaid + 1 < lines.length) ranges.push([headed ? lastSaid + 1 : 0, lines.length]);
  return ranges;
}

/** A line that is nothing but a comment. */
const isComment = (line: string, at: number): boolean => line[at] === "#" && tidyLine(line.slice(at)).text === "";

/** Words a line may begin with. A capital there is what a keyboard puts at the start of a sentence. */
const FIRST_WORDS = new Set(
  (
    "system uses measure set choose table value board part line level curve arc blend trace join dart piece leave sew shape check passes closes cloth caution control lesson grade " +
    "garment unit tape about suits why watch cause when iso runs only else edge grain notch double triple button buttonhole drill inside note pleat also allow look at"
  ).split(" "),
);

function withSmallWord(text: string): string {
  const word = /^[A-Z][A-Za-z]*(?=[\s:"]|$)/.exec(text)?.[0];
  return word !== undefined && FIRST_WORDS.has(word.toLowerCase()) ? word.toLowerCase() + text.slice(word.length) : text;
}

/** The lines of one block told apart. */
export function blockOf(text: string): Block {
  const source = text.split("\n");
  let head: NotationLine | undefined;
  const details: NotationLine[] = [];
  const comments: string[] = [];
  source.forEach((raw, row) => {
    const { text: said, comment } = tidyLine(raw);
    const bare = said.trimStart();
    if (comment !== undefined) comments.push(comment);
    if (bare === "") return;
    const line: NotationLine = { text: withSmallWord(bare), row, column: said.length - bare.length + 1 };
    if (head) details.push(line);
    else head = line;
  });
  return { text, source, head, details, comments };
}
