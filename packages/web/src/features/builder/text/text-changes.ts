import type { ChangeSpec, Text } from "@codemirror/state";
import { applyEdits, type LineEdit } from "@lodrin/core";

/** Edits of lines as changes of the editor's text, so that they stand in its one history. */
export function changesOf(doc: Text, edits: readonly LineEdit[]): ChangeSpec {
  // What ends a line goes with it; the last line has nothing behind it, and is better told by what became of the whole.
  if (edits.some(({ from, count }) => from + Math.max(1, count) >= doc.lines)) return differenceTo(doc, edits);
  return edits.flatMap(({ from, count, lines }): { from: number; to?: number; insert?: string }[] => {
    const start = doc.line(from + 1).from;
    const insert = lines.map((line) => `${line}\n`).join("");
    return count === 0 ? [{ from: start, insert }] : [{ from: start, to: doc.line(from + count).to + 1, insert }];
  });
}

/** The one stretch in which the text differs from what the edits make of it. */
function differenceTo(doc: Text, edits: readonly LineEdit[]): ChangeSpec {
  const [before, after] = [doc.toString(), applyEdits(doc.toString(), edits)];
  const most = Math.min(before.length, after.length);
  let from = 0;
  while (from < most && before[from] === after[from]) from++;
  let end = 0;
  while (end < most - from && before[before.length - 1 - end] === after[after.length - 1 - end]) end++;
  return { from, to: before.length - end, insert: after.slice(from, after.length - end) };
}
