import type { LoadedSystem, Plan, Run } from "@lodrin/core";
import { computed, type ComputedRef, type Ref, shallowRef } from "vue";
import type { Writing } from "../use-writing.js";

/** Another version of the system, laid over the paper: drafted on the same body. */
export function useGhost({ draft }: Pick<Writing, "draft">): {
  other: Ref<LoadedSystem | undefined>;
  ghost: ComputedRef<{ readonly plan: Plan; readonly run: Run } | undefined>;
} {
  const other = shallowRef<LoadedSystem>();
  const ghost = computed(() => {
    if (!other.value) return undefined;
    const { plan } = other.value;
    return { plan, run: draft(plan) };
  });
  return { other, ghost };
}
