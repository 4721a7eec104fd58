import { useStorage } from "@vueuse/core";
import { computed, type MaybeRefOrGetter, toValue, type WritableComputedRef } from "vue";
import { useSession } from "../stores/session.js";

/**
 * Text that is being typed, kept on this device until it is sent: it outlives a reload, another page and a step of a live lesson.
 * `place` says what it is typed about; every place has a text of its own, and every account.
 */
export function useKeptText(place: MaybeRefOrGetter<string>): WritableComputedRef<string> {
  const { account } = useSession();
  const kept = useStorage<string | null>(() => `lodrin-typed-${account?.id ?? ""}-${toValue(place)}`, null);
  return computed({ get: () => kept.value ?? "", set: (text) => (kept.value = text === "" ? null : text) });
}
