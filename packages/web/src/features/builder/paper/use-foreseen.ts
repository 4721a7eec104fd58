import { applyEdits, type LineToMend, loadSystem, type LoadedSystem, run, type Run, takeMends } from "@lodrin/core";
import { computed, type ComputedRef, type Ref } from "vue";
import type { Writing } from "../use-writing.js";

/** The draft as a handout is understood so far, before any of it is put in. */
export interface Foreseen {
  readonly loaded: LoadedSystem;
  readonly drafted: Run;
  readonly step: number;
}

export function useForeseen(
  { loaded, library, given }: Pick<Writing, "loaded" | "library" | "given">,
  proposed: Ref<readonly LineToMend[]>,
): ComputedRef<Foreseen | undefined> {
  return computed(() => {
    if (proposed.value.length === 0) return undefined;
    const { read } = loaded.value;
    const tried = loadSystem(applyEdits(read.source, takeMends(read, proposed.value)), library.value, loaded.value);
    const { measurements, settings, unit } = given(tried.plan);
    return { loaded: tried, drafted: run(tried.plan, measurements, settings, unit), step: Math.max(0, tried.plan.steps.length - 1) };
  });
}
