import { nextTick, reactive, watch } from "vue";
import { useSession } from "../stores/session.js";
import { reportFault } from "./faults.js";

/**
 * The fields of a form, kept on this device from the first change until `forget` is called: what is half filled in outlives a
 * reload and another page. `place` says which form it is; every account has its own.
 */
export function useKeptForm<T extends object>(place: string, initial: T): { readonly given: T; readonly forget: () => void } {
  const key = `lodrin-form-${useSession().account?.id ?? ""}-${place}`;
  const given = reactive({ ...initial, ...keptUnder(key) }) as T;
  let keeping = true;
  watch(given, () => keeping && localStorage.setItem(key, JSON.stringify(given)), { deep: true });
  return {
    given,
    forget: () => {
      keeping = false;
      localStorage.removeItem(key);
      void nextTick(() => (keeping = true));
    },
  };
}

function keptUnder(key: string): object {
  const text = localStorage.getItem(key);
  if (text === null) return {};
  try {
    return JSON.parse(text) as object;
  } catch (error) {
    reportFault(error, "a form on this device");
    return {};
  }
}
