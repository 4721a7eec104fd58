import { workRoutes } from "@lodrin/contract";
import { useEventListener, useIntervalFn } from "@vueuse/core";
import { v4 as uuid } from "uuid";
import { onScopeDispose, type Ref, ref } from "vue";
import { call, CallError } from "../../../api/call.js";

const EVERY_MS = 5_000;

const KEPT = "lodrin-hand";

let own: string | undefined;

/** The hand of this tab. A page that is loaded again finds its own; a tab that is doubled while it is open does not. */
function ownHand(): string {
  if (own !== undefined) return own;
  const hand = (own = sessionStorage.getItem(KEPT) ?? uuid());
  sessionStorage.removeItem(KEPT);
  window.addEventListener("pagehide", () => sessionStorage.setItem(KEPT, hand));
  return hand;
}

/** How many other hands are in a text just now: told every few seconds, while the view is open. */
export function useHands(id: string): Readonly<Ref<number>> {
  const hand = ownHand();
  const others = ref(0);
  const tell = async (leaves = false): Promise<void> => {
    try {
      others.value = (await call(workRoutes.handInWork, { params: { id }, body: { hand, leaves } }, leaves)).others;
    } catch (error) {
      // Out of reach: that is shown where the text is saved.
      if (!(error instanceof CallError)) throw error;
      others.value = 0;
    }
  };
  useIntervalFn(() => void tell(), EVERY_MS, { immediateCallback: true });
  // A tab that is closed is no other hand to the next one.
  useEventListener(window, "pagehide", () => void tell(true));
  onScopeDispose(() => void tell(true));
  return others;
}
