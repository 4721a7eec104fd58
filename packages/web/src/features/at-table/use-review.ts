import type { ControlReading, Given, HomeUnit, Review } from "@lodrin/core";
import { onScopeDispose, type Ref, ref, shallowRef, watch } from "vue";
import type { ShelfSystem } from "../../stores/shelf.js";
import type { ReviewAnswer, ReviewQuestion } from "./review-worker.js";

/** A hand draft to be judged: the run it is of, and what was read on it, as written. */
export interface HandDraft {
  readonly measurements: Given;
  readonly settings: Given;
  readonly writtenIn: HomeUnit;
  readonly unit: HomeUnit;
  readonly readings: Readonly<Record<string, string>>;
  readonly toleranceMm?: number | undefined;
}

/** Judges readings beside the page, whenever they or the draft change. `asking` is true until the newest answer is there. */
export function useReview(
  { sheet }: Pick<ShelfSystem, "sheet">,
  draft: () => HandDraft,
): { review: Ref<Review>; controls: Ref<readonly ControlReading[]>; asking: Ref<boolean> } {
  const review = shallowRef<Review>({ readings: [], together: [] });
  const controls = shallowRef<readonly ControlReading[]>([]);
  const asking = ref(true);
  const worker = new Worker(new URL("./review-worker.ts", import.meta.url), { type: "module" });
  let asked = 0;
  worker.addEventListener("message", ({ data }: MessageEvent<ReviewAnswer>) => {
    if (data.id !== asked) return;
    review.value = data.review;
    controls.value = data.controls;
    asking.value = false;
  });
  watch(
    draft,
    ({ toleranceMm, ...given }) => {
      asked += 1;
      asking.value = true;
      const plain = JSON.parse(JSON.stringify(given)) as Omit<HandDraft, "toleranceMm">;
      worker.postMessage({
        id: asked,
        notation: sheet.notation,
        bases: { ...sheet.bases },
        ...plain,
        toleranceMm,
      } satisfies ReviewQuestion);
    },
    { immediate: true, deep: true },
  );
  onScopeDispose(() => worker.terminate());
  return { review, controls, asking };
}
