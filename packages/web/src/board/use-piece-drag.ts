import type { Point } from "@lodrin/core";
import { useEventListener } from "@vueuse/core";
import { type Ref, shallowRef } from "vue";

/** Pieces moved about on the paper by hand: how far each, in mm by its key. `scale` is pixels a mm. */
export function usePieceDrag(scale: () => number): {
  moved: Ref<ReadonlyMap<string, Point>>;
  drag: (key: string, event: PointerEvent) => void;
} {
  const moved = shallowRef<ReadonlyMap<string, Point>>(new Map());
  let held: { key: string; from: Point; stood: Point } | undefined;

  function drag(key: string, event: PointerEvent): void {
    if (event.button !== 0) return;
    held = { key, from: { x: event.clientX, y: event.clientY }, stood: moved.value.get(key) ?? { x: 0, y: 0 } };
  }
  useEventListener(window, "pointermove", ({ clientX, clientY }) => {
    if (!held) return;
    const { key, from, stood } = held;
    moved.value = new Map(moved.value).set(key, { x: stood.x + (clientX - from.x) / scale(), y: stood.y + (clientY - from.y) / scale() });
  });
  useEventListener(window, ["pointerup", "pointercancel"], () => (held = undefined));
  return { moved, drag };
}
