import { type LineToMend, takeMends } from "@lodrin/core";
import { computed, type ComputedRef, type Ref } from "vue";
import type { Tried, Writing } from "../use-writing.js";

/** The draft as a handout is understood so far, before any of it is put in; its last step is the one that is shown. */
export function useForeseen(
  { loaded, tryEdits }: Pick<Writing, "loaded" | "tryEdits">,
  proposed: Ref<readonly LineToMend[]>,
): ComputedRef<(Tried & { readonly step: number }) | undefined> {
  return computed(() => {
    if (proposed.value.length === 0) return undefined;
    const tried = tryEdits(takeMends(loaded.value.read, proposed.value));
    return { ...tried, step: Math.max(0, tried.loaded.plan.steps.length - 1) };
  });
}
