import { defineStore } from "pinia";
import { ref } from "vue";

const LASTS_MS = 12_000;

/** The last thing that can be taken back, offered for a while at the foot of the screen. */
export const useUndo = defineStore("undo", () => {
  const text = ref("");
  let act: (() => Promise<void>) | undefined;
  let timer: ReturnType<typeof setTimeout> | undefined;

  function offer(said: string, undo: () => Promise<void>): void {
    clearTimeout(timer);
    text.value = said;
    act = undo;
    timer = setTimeout(dismiss, LASTS_MS);
  }

  function dismiss(): void {
    clearTimeout(timer);
    text.value = "";
    act = undefined;
  }

  async function undo(): Promise<void> {
    const taken = act;
    dismiss();
    await taken?.();
  }

  return { text, offer, dismiss, undo };
});
