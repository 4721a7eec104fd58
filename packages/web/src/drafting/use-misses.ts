import type { CheckResult, Run } from "@lodrin/core";
import { computed, type ComputedRef, type Ref } from "vue";
import { useRested } from "../ui/use-rested.js";

/** The checks of a draft that do not pass, as they were when the hand last rested: a slider that is dragged redraws the steps alone. */
export function useMisses(run: Readonly<Ref<Run>>): ComputedRef<readonly CheckResult[]> {
  const rested = useRested(run);
  return computed(() => rested.value.checks.filter((c) => c.status !== "pass"));
}
