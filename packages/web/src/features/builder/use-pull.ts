import {
  applyEdits,
  type LineEdit,
  type Library,
  loadSystem,
  type LoadedSystem,
  markFor,
  pulled,
  pulledAlong,
  replaceStatement,
  run,
  type Run,
} from "@lodrin/core";
import { computed, type ComputedRef, type Ref, shallowRef, watch } from "vue";
import { rowWords } from "./row-words.js";
import type { Writing } from "./use-writing.js";

/** What pulling a point proposes: its rule with another number, drawn before it is taken. */
export interface Pull {
  readonly says: string;
  readonly edits: readonly LineEdit[];
  readonly loaded: LoadedSystem;
  readonly drafted: Run;
  readonly step: number;
}

/** A point pulled on the paper never gets a coordinate: the number in its rule changes, to the tape's mark. `shift` is the hand's own, in mm. */
export function usePull(
  { loaded, library, given }: Pick<Writing, "loaded" | "given"> & { readonly library: Ref<Library> },
  step: Ref<number>,
): {
  shift: Ref<{ dx: number; dy: number } | undefined>;
  pull: ComputedRef<Pull | undefined>;
} {
  const shift = shallowRef<{ dx: number; dy: number }>();
  watch([loaded, step], () => (shift.value = undefined));
  const pull = computed((): Pull | undefined => {
    const source = loaded.value.plan.steps[step.value]?.source;
    if (!shift.value || source?.is !== "point") return undefined;
    const { read, system } = loaded.value;
    const index = system.statements.indexOf(source);
    const mm = pulledAlong(source, shift.value.dx, shift.value.dy);
    if (index < 0 || mm === undefined) return undefined;
    const now = pulled(source, mm, system.unit, markFor(system, system.unit));
    if (now === source) return undefined;
    const edits = replaceStatement(read, index, now);
    const tried = loadSystem(applyEdits(read.source, edits), library.value, loaded.value);
    const { measurements, settings, unit } = given(tried.plan);
    return {
      says: `${rowWords(now).rule}, instead of ${rowWords(source).rule}`,
      edits,
      loaded: tried,
      drafted: run(tried.plan, measurements, settings, unit),
      step: step.value,
    };
  });
  return { shift, pull };
}
