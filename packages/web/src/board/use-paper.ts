import type { Bounds, HomeUnit } from "@lodrin/core";
import { useElementSize } from "@vueuse/core";
import { computed, type ComputedRef, type Ref, useTemplateRef, watch } from "vue";
import { gridOf } from "./grid.js";
import { usePanZoom } from "./use-pan-zoom.js";
import { fitView, inView, type View } from "./view.js";

/** Room round the drawing: for the rules, the names of the boards, and the controls, which stand in two rows on a narrow paper. */
const PAD = { left: 48, top: 60, right: 28 };
const padFor = (width: number): typeof PAD & { bottom: number } => ({ ...PAD, bottom: width > 815 || width < 420 ? 72 : 122 });

/** The paper on the glass, held by the elements of template refs `holder` and `svg`: its size, view and grid. `bounds` is what is drawn on it, in mm. */
export function usePaper(
  bounds: ComputedRef<Bounds>,
  unit: () => HomeUnit,
  held?: () => boolean,
): {
  width: Readonly<Ref<number>>;
  height: Readonly<Ref<number>>;
  view: Ref<View>;
  ruled: ComputedRef<ReturnType<typeof gridOf>>;
  fit: () => void;
  zoomBy: (factor: number) => void;
} {
  const { width, height } = useElementSize(useTemplateRef<HTMLElement>("holder"));
  const { view, touched, show, zoomBy } = usePanZoom(useTemplateRef<SVGSVGElement>("svg"), held);
  const fit = (): void => {
    touched.value = false;
    show(fitView(bounds.value, width.value, height.value, padFor(width.value)));
  };
  watch([width, height], ([w, h]) => w > 0 && h > 0 && !touched.value && fit());
  // The paper stays under the hands while a setting moves; only when the drawing would run off it is it fitted again.
  watch(bounds, (box) => width.value > 0 && !touched.value && !inView(view.value, box, width.value, height.value) && fit());
  const ruled = computed(() => gridOf(view.value, width.value, height.value, unit()));
  return { width, height, view, ruled, fit, zoomBy };
}
