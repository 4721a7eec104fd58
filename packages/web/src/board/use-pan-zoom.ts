import { select } from "d3-selection";
import { zoom, zoomIdentity, type ZoomBehavior } from "d3-zoom";
import { onBeforeUnmount, onMounted, type Ref, shallowRef } from "vue";
import type { View } from "./view.js";

/** Pan and zoom of an SVG by wheel, pinch and drag; `show` moves it by the program. While something on it is `held`, the paper stays. */
export function usePanZoom(
  target: Readonly<Ref<SVGSVGElement | null>>,
  held: () => boolean = () => false,
): {
  view: Ref<View>;
  /** True once the person moved the paper themselves: it is then left where it is. */
  touched: Ref<boolean>;
  show: (view: View) => void;
  zoomBy: (factor: number) => void;
} {
  const view = shallowRef<View>({ k: 1, x: 0, y: 0 });
  const touched = shallowRef(false);
  let behaviour: ZoomBehavior<SVGSVGElement, unknown> | undefined;

  onMounted(() => {
    if (!target.value) return;
    behaviour = zoom<SVGSVGElement, unknown>()
      .scaleExtent([0.05, 40])
      .filter((event: MouseEvent) => !held() && (!event.ctrlKey || event.type === "wheel") && !event.button)
      .on("zoom", (event: { transform: View; sourceEvent: unknown }) => {
        view.value = { k: event.transform.k, x: event.transform.x, y: event.transform.y };
        if (event.sourceEvent) touched.value = true;
      });
    select(target.value).call(behaviour).on("dblclick.zoom", null);
  });
  onBeforeUnmount(() => {
    if (target.value) select(target.value).on(".zoom", null);
  });

  const show = (next: View): void => {
    if (target.value && behaviour) select(target.value).call(behaviour.transform, zoomIdentity.translate(next.x, next.y).scale(next.k));
    else view.value = next;
  };
  const zoomBy = (factor: number): void => {
    if (!target.value || !behaviour) return;
    touched.value = true;
    select(target.value).call(behaviour.scaleBy, factor);
  };
  return { view, touched, show, zoomBy };
}
