import { onScopeDispose, ref, type Ref, watch } from "vue";

/** What waits is drawn after this many milliseconds at the latest, however busy the page is. */
const LATEST_MS = 400;
const hasIdle = "requestIdleCallback" in globalThis;

/** False while a view opens, true once what is seen first has been drawn: then the rest of it may be. `ready` says that there is something to draw. */
export function useRest(ready: Readonly<Ref<boolean>> = ref(true)): Readonly<Ref<boolean>> {
  const rest = ref(false);
  let asked = 0;
  const begin = (): void => void (rest.value = true);
  watch(
    ready,
    (now) => {
      // A browser without the call draws all at once after the first picture.
      if (now) asked = hasIdle ? requestIdleCallback(begin, { timeout: LATEST_MS }) : requestAnimationFrame(begin);
    },
    { immediate: true, flush: "post" },
  );
  onScopeDispose(() => (hasIdle ? cancelIdleCallback(asked) : cancelAnimationFrame(asked)));
  return rest;
}
