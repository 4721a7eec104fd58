import { distance, type Plan, pointText, run, type Run, pointOnBoard } from "@lodrin/core";
import { computed, type ComputedRef, ref, type Ref } from "vue";
import type { DraftAutosave } from "../../drafting/use-draft.js";

/** An option of a choice that is not taken: laid over the draft as a ghost to see what it would change. */
export interface Trial {
  readonly key: string;
  readonly option: string;
}

/** What the option would change. */
export interface Ghost {
  readonly run: Run;
  readonly trial: Trial;
  /** The point that moves most, and how far (mm). */
  readonly farthest: { readonly name: string; readonly mm: number } | undefined;
  readonly moved: number;
}

/** A shift smaller than this (mm) is no change a pencil could show. */
const SEEN_MM = 0.5;

/** The draft with another option taken, worked out beside the one on the table. `trial` is what is tried. */
export function useGhost(
  plan: Plan,
  now: Readonly<Ref<Run>>,
  { local }: DraftAutosave,
): { trial: Ref<Trial | undefined>; ghost: ComputedRef<Ghost | undefined> } {
  const trial = ref<Trial>();
  const ghost = computed((): Ghost | undefined => {
    if (!trial.value) return undefined;
    const settings = { ...local.settings, [trial.value.key]: trial.value.option };
    const other = run(plan, local.measurements, settings, local.unit, now.value);
    const shifts = [...plan.scope.points.keys()].flatMap((id) => {
      const [a, b] = [pointOnBoard(plan, now.value, id), pointOnBoard(plan, other, id)];
      const mm = a && b ? distance(a, b) : 0;
      return mm > SEEN_MM ? [{ name: pointText(id).replace("#", ""), mm }] : [];
    });
    const [farthest] = shifts.sort((p, q) => q.mm - p.mm);
    return { run: other, trial: trial.value, farthest, moved: shifts.length };
  });
  return { trial, ghost };
}
