import { type LoadedSystem, type Plan, run, type Run } from "@lodrin/core";
import { computed, type ComputedRef, type Ref, ref, shallowRef } from "vue";
import type { Writing } from "../use-writing.js";

/** Another draft behind the one on the paper: another version of the system on the same body, or the same system on another body. */
export function useGhost({ draft, loaded, bodies }: Pick<Writing, "draft" | "loaded" | "bodies">): {
  other: Ref<LoadedSystem | undefined>;
  /** The body whose draft is shown behind, by its id. */
  beside: Ref<string | undefined>;
  ghost: ComputedRef<{ readonly plan: Plan; readonly run: Run } | undefined>;
} {
  const other = shallowRef<LoadedSystem>();
  const beside = ref<string>();
  const ghost = computed(() => {
    if (other.value) return { plan: other.value.plan, run: draft(other.value.plan) };
    const { plan } = loaded.value;
    const given = bodies.value.find(({ id }) => id === beside.value)?.given(plan);
    return given && { plan, run: run(plan, given.measurements, {}, given.unit) };
  });
  return { other, beside, ghost };
}
