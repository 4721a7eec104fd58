import { useEventListener } from "@vueuse/core";

const TYPING = "input:not([type=radio], [type=checkbox]), textarea, [contenteditable=true], [role=slider]";

/**
 * Single keys of a view, by the name of the key. Whoever types in a field is left alone, but for Escape; a key that a button
 * or link takes itself is left to it. `busy` tells when no key counts, as under a dialog.
 */
export function useKeys(acts: Readonly<Record<string, () => void>>, busy: () => boolean): void {
  useEventListener(window, "keydown", (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented || busy()) return;
    const target = event.target as HTMLElement;
    if (event.key !== "Escape" && target.closest(TYPING)) return;
    if (event.key === " " && target.matches("button, a, input")) return;
    const act = acts[event.key.length === 1 ? event.key.toLowerCase() : event.key];
    if (!act) return;
    event.preventDefault();
    act();
  });
}

/** Undo and redo by their usual keys, wherever the hand is but in a field, which has its own. */
export function useUndoKeys(acts: { readonly undo: () => void; readonly redo: () => void }): void {
  useEventListener(window, "keydown", (event) => {
    if (!(event.ctrlKey || event.metaKey) || (event.target as HTMLElement).closest(TYPING)) return;
    const key = event.key.toLowerCase();
    const act = key === "y" || (key === "z" && event.shiftKey) ? acts.redo : key === "z" ? acts.undo : undefined;
    if (!act) return;
    event.preventDefault();
    act();
  });
}
