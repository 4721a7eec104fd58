import { watchDebounced } from "@vueuse/core";
import { type Ref, type ShallowRef, shallowRef } from "vue";

/** So long a hand pauses before what costs more is worked out (ms). */
const RESTS_MS = 150;

/**
 * A value as it was when the hand last rested: what is asked of it is not worked out for every place a slider passes over.
 * At first it is the value itself.
 */
export function useRested<T>(now: Readonly<Ref<T>>): Readonly<ShallowRef<T>> {
  const rested = shallowRef(now.value);
  watchDebounced(now, (value) => (rested.value = value), { debounce: RESTS_MS });
  return rested;
}
