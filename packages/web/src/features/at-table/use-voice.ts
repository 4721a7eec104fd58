import { useStorage } from "@vueuse/core";
import { onScopeDispose, type Ref } from "vue";

/** Reads aloud with the browser's own voice: off until it is wanted, silent where there is none. */
export function useVoice(): { on: Ref<boolean>; can: boolean; say: (text: string) => void } {
  const on = useStorage("lodrin-voice", false);
  const can = "speechSynthesis" in window;
  function say(text: string): void {
    if (!can) return;
    window.speechSynthesis.cancel();
    if (on.value && text !== "") window.speechSynthesis.speak(new SpeechSynthesisUtterance(text));
  }
  onScopeDispose(() => can && window.speechSynthesis.cancel());
  return { on, can, say };
}
