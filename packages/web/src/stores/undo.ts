import { defineStore } from "pinia";
import { ref } from "vue";

const LASTS_MS = 12_000;

/** The last thing that can be taken back, offered for a while at the foot of the screen. */
export const useUndo = defineStore("undo", () => {
  const text = ref("");
  /** True when it can also be deleted for good, at once. */
  const endable = ref(false);
  let act: (() => Promise<void>) | undefined;
  let end: (() => Promise<unknown>) | undefined;
  let timer: ReturnType<typeof setTimeout> | undefined;

  function offer(said: string, undo: () => Promise<void>, forGood?: () => Promise<unknown>): void {
    clearTimeout(timer);
    text.value = said;
    act = undo;
    end = forGood;
    endable.value = forGood !== undefined;
    timer = setTimeout(dismiss, LASTS_MS);
  }

  function dismiss(): void {
    clearTimeout(timer);
    text.value = "";
    act = undefined;
    end = undefined;
    endable.value = false;
  }

  async function undo(): Promise<void> {
    const taken = act;
    dismiss();
    await taken?.();
  }

  async function deleteForGood(): Promise<void> {
    const taken = end;
    dismiss();
    await taken?.();
  }

  return { text, endable, offer, dismiss, undo, deleteForGood };
});
