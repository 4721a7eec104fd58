import { ElNotification } from "element-plus/es/components/notification/index";
import "element-plus/es/components/notification/style/css";
import { defineStore } from "pinia";
import { h } from "vue";
import UndoOffer from "../ui/UndoOffer.vue";

const LASTS_MS = 20_000;

/** What was just done and can be taken back: each stands in a message of its own for a while, so that several can be brought back. */
export const useUndo = defineStore("undo", () => {
  function offer(text: string, undo: () => Promise<void>, forGood?: () => Promise<unknown>): void {
    const message = ElNotification({
      message: () => h(UndoOffer, { text, undo, forGood, onDone: () => message.close() }),
      duration: LASTS_MS,
      position: "bottom-right",
      customClass: "undo",
    });
  }
  return { offer };
});
