import { defineStore } from "pinia";
import { h } from "vue";

const LASTS_MS = 20_000;

/** What was just done and can be taken back: each stands in a message of its own for a while, so that several can be brought back. */
export const useUndo = defineStore("undo", () => {
  async function offer(text: string, undo: () => Promise<void>, forGood?: () => Promise<unknown>): Promise<void> {
    // Fetched when the first is offered: nobody begins by deleting.
    const { ElNotification, UndoOffer } = await import("../ui/undo-message.js");
    const message = ElNotification({
      message: () => h(UndoOffer, { text, undo, forGood, onDone: () => message.close() }),
      duration: LASTS_MS,
      position: "bottom-right",
      customClass: "undo",
    });
  }
  return { offer };
});
