import { diffLines } from "diff";

/** A stretch of two texts: the same in both, or what stands here and what stands there. */
export type Hunk = { readonly same: string } | { readonly here: string; readonly there: string };

/** Two texts as their common and their differing stretches, in order. */
export function hunksOf(here: string, there: string): Hunk[] {
  const out: Hunk[] = [];
  let open: { here: string; there: string } | undefined;
  const close = (): void => {
    if (open) out.push(open);
    open = undefined;
  };
  for (const { value, added, removed } of diffLines(here, there)) {
    if (!added && !removed) {
      close();
      out.push({ same: value });
    } else {
      open ??= { here: "", there: "" };
      open[removed ? "here" : "there"] += value;
    }
  }
  close();
  return out;
}

/** One text of both: each differing stretch, in their order, from the side that was chosen for it. */
export function merged(hunks: readonly Hunk[], sides: readonly ("here" | "there")[]): string {
  let n = 0;
  return hunks.map((hunk) => ("same" in hunk ? hunk.same : hunk[sides[n++] ?? "here"])).join("");
}
