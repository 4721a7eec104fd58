import { drawnSteps, type LoadedSystem, type Run } from "@lodrin/core";
import { computed, type ComputedRef, type Ref, shallowRef } from "vue";
import type { BoardMark } from "../../../board/board-mark.js";
import type { Asking } from "../rows/use-acts.js";

/** What stands on what, and what an act would break: lit in the handout by their statements, and on the paper at their points. */
export function useLights(
  loaded: Ref<LoadedSystem>,
  drafted: Ref<Run>,
  asking: Ref<Asking | undefined>,
): { lights: Ref<readonly number[]>; lit: ComputedRef<ReadonlySet<number>>; marks: ComputedRef<readonly BoardMark[]> } {
  const lights = shallowRef<readonly number[]>([]);
  const lit = computed(() => {
    const broken = (asking.value?.breaks ?? []).flatMap(({ index }) => index ?? []);
    return new Set([...lights.value, ...broken]);
  });
  const marks = computed(() => {
    const { plan, system } = loaded.value;
    return drawnSteps(plan, drafted.value).flatMap(({ step: { source }, board, point: at }): BoardMark[] =>
      at && source.is === "point" && lit.value.has(system.statements.indexOf(source))
        ? [{ name: source.id, at, board, status: "warn" }]
        : [],
    );
  });
  return { lights, lit, marks };
}
