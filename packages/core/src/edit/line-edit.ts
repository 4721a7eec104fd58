import { linesOf } from "../system/notation/blocks.js";

/** Lines of a text exchanged for others: `count` lines from `from` (counted from 0) give way to `lines`. */
export interface LineEdit {
  readonly from: number;
  readonly count: number;
  readonly lines: readonly string[];
}

/** The text with edits made; they must not overlap. Lines keep what ends them in the text. */
export function applyEdits(source: string, edits: readonly LineEdit[]): string {
  const lines = linesOf(source);
  const ending = /\r\n|\r|\n/.exec(source)?.[0] ?? "\n";
  // Of two edits at one place the one that takes lines away comes first, so that what is put in stays.
  for (const { from, count, lines: put } of [...edits].sort((a, b) => b.from - a.from || b.count - a.count))
    lines.splice(from, count, ...put);
  return lines.join(ending);
}
