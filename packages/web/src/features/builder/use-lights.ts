import type { LoadedSystem, Run } from "@lodrin/core";
import { computed, type ComputedRef, type Ref, shallowRef } from "vue";
import type { Asking } from "./use-acts.js";

/** A mark on the paper at a point that is lit. */
export interface LitMark {
  readonly name: string;
  readonly at: { readonly x: number; readonly y: number };
  readonly status: "warn";
}

/** What stands on what, and what an act would break: lit in the handout by their statements, and on the paper at their points. */
export function useLights(
  loaded: Ref<LoadedSystem>,
  drafted: Ref<Run>,
  asking: Ref<Asking | undefined>,
): { lights: Ref<readonly number[]>; lit: ComputedRef<ReadonlySet<number>>; marks: ComputedRef<readonly LitMark[]> } {
  const lights = shallowRef<readonly number[]>([]);
  const lit = computed(() => {
    const { blocks } = loaded.value.read;
    const broken = (asking.value?.breaks ?? []).flatMap(
      (p) => blocks.findLast((b) => b.from < p.line && b.statement !== undefined)?.statement ?? [],
    );
    return new Set([...lights.value, ...broken]);
  });
  const marks = computed(() => {
    const { plan, system } = loaded.value;
    return [...lit.value].flatMap((index): LitMark[] => {
      const source = system.statements[index];
      const at = source?.is === "point" ? drafted.value.frame.points[plan.scope.points.get(source.id) ?? -1] : undefined;
      return at && source?.is === "point" ? [{ name: source.id, at, status: "warn" }] : [];
    });
  });
  return { lights, lit, marks };
}
