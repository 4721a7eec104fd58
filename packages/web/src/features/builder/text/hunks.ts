import { diff3Merge } from "node-diff3";

/** A stretch of two texts: the same in both or changed in one of them only, or what stands here and what stands there where both changed it. */
export type Hunk = { readonly same: string } | { readonly here: string; readonly there: string };

/** Lines with what ends them, so that put together they are the text. */
export const linesOf = (text: string): string[] => text.match(/[^\n]*\n|[^\n]+$/g) ?? [];

/** Two texts that were both changed from a third, as their stretches in order: a three-way merge by lines (diff3). */
export function hunksOf(here: string, before: string, there: string): Hunk[] {
  return diff3Merge(linesOf(here), linesOf(before), linesOf(there), { excludeFalseConflicts: true }).map(({ ok, conflict }) =>
    conflict ? { here: conflict.a.join(""), there: conflict.b.join("") } : { same: (ok ?? []).join("") },
  );
}

/** One text of both: each stretch that both changed, in their order, from the side that was chosen for it. */
export function merged(hunks: readonly Hunk[], sides: readonly ("here" | "there")[]): string {
  let n = 0;
  return hunks.map((hunk) => ("same" in hunk ? hunk.same : hunk[sides[n++] ?? "here"])).join("");
}

/** Both texts in one, where no stretch was changed by both; else undefined. */
export function mergedCleanly(here: string, before: string, there: string): string | undefined {
  const hunks = hunksOf(here, before, there);
  return hunks.every((hunk) => "same" in hunk) ? merged(hunks, []) : undefined;
}
