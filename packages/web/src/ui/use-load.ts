import { ref, type Ref } from "vue";

/** Loads something when a view opens: whether it is there, and why not in words. */
export function useLoad(load: () => Promise<unknown>): { ready: Ref<boolean>; why: Ref<string>; again: () => Promise<void> } {
  const ready = ref(false);
  const why = ref("");
  const again = async (): Promise<void> => {
    why.value = "";
    try {
      await load();
      ready.value = true;
    } catch (error) {
      why.value = (error as Error).message;
    }
  };
  // Asked for before the view is drawn: the answer is under way meanwhile.
  void again();
  return { ready, why, again };
}
