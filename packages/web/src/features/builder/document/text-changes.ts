import type { ChangeSpec, Text } from "@codemirror/state";
import { diffIndices } from "node-diff3";
import { linesOf } from "../text/hunks.js";
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

/** Another text as changes of the lines that differ: the cursor, and what was selected, stay where the text around them stays. */
export function changesTo(doc: Text, now: string): ChangeSpec {
  const [before, after] = [linesOf(doc.toString()), linesOf(now)];
  const starts = [0];
  for (const line of before) starts.push((starts.at(-1) ?? 0) + line.length);
  return diffIndices(before, after).map(({ buffer1: [from, count], buffer2Content }) => ({
    from: starts[from] ?? doc.length,
    to: starts[from + count] ?? doc.length,
    insert: buffer2Content.join(""),
  }));
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
