import type { Bounds, HomeUnit } from "@lodrin/core";
import { useElementSize } from "@vueuse/core";
import { computed, type ComputedRef, type Ref, shallowRef, watch } from "vue";
import { gridOf } from "./grid.js";
import { usePanZoom } from "./use-pan-zoom.js";
import { fitView, inView, type View } from "./view.js";

/** Room round the drawing: for the rules, the names of the boards, and the controls, which stand in two rows on a narrow paper. */
const PAD = { left: 48, top: 60, right: 28 };
const padFor = (width: number): typeof PAD & { bottom: number } => ({ ...PAD, bottom: width > 815 || width < 420 ? 72 : 122 });

/** A paper on the glass: its size, view and grid. */
export interface Paper {
  /** `PaperOnGlass` says which elements it is. */
  readonly attach: (holder: HTMLElement | null, svg: SVGSVGElement | null) => void;
  readonly width: Readonly<Ref<number>>;
  readonly height: Readonly<Ref<number>>;
  readonly view: Ref<View>;
  readonly ruled: ComputedRef<ReturnType<typeof gridOf>>;
  readonly fit: () => void;
  readonly zoomBy: (factor: number) => void;
}

/** The paper of a component that draws on `PaperOnGlass`. `bounds` is what is drawn, in mm; while something is `held`, it stays. */
export function usePaper(bounds: ComputedRef<Bounds>, unit: () => HomeUnit, held?: () => boolean): Paper {
  const holder = shallowRef<HTMLElement | null>(null);
  const svg = shallowRef<SVGSVGElement | null>(null);
  const { width, height } = useElementSize(holder);
  const { view, touched, show, zoomBy } = usePanZoom(svg, held);
  const fit = (): void => {
    touched.value = false;
    show(fitView(bounds.value, width.value, height.value, padFor(width.value)));
  };
  watch([width, height], ([w, h]) => w > 0 && h > 0 && !touched.value && fit());
  // The paper stays under the hands while a setting moves; only when the drawing would run off it is it fitted again.
  watch(bounds, (box) => width.value > 0 && !touched.value && !inView(view.value, box, width.value, height.value) && fit());
  const ruled = computed(() => gridOf(view.value, width.value, height.value, unit()));
  const attach: Paper["attach"] = (around, drawing) => {
    holder.value = around;
    svg.value = drawing;
  };
  return { attach, width, height, view, ruled, fit, zoomBy };
}
