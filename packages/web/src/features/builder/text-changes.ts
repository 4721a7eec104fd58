import type { ChangeSpec, Text } from "@codemirror/state";
import type { LineEdit } from "@lodrin/core";

/** Edits of lines as changes of the editor's text, so that they stand in its one history. */
export function changesOf(doc: Text, edits: readonly LineEdit[]): ChangeSpec[] {
  return edits.flatMap(({ from, count, lines }): { from: number; to?: number; insert?: string }[] => {
    const insert = lines.join("\n");
    if (count === 0) {
      if (lines.length === 0) return [];
      return from < doc.lines ? [{ from: doc.line(from + 1).from, insert: `${insert}\n` }] : [{ from: doc.length, insert: `\n${insert}` }];
    }
    const start = doc.line(from + 1).from;
    const end = doc.line(from + count).to;
    if (lines.length > 0) return [{ from: start, to: end, insert }];
    // With the lines goes what ends them.
    return end < doc.length ? [{ from: start, to: end + 1 }] : [{ from: Math.max(0, start - 1), to: end }];
  });
}
