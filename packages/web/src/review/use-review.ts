import type { ControlReading, Given, HomeUnit, Review } from "@lodrin/core";
import { type Ref, shallowRef, watch } from "vue";
import type { ShelfSystem } from "../stores/shelf.js";
import { useWorker } from "../workers/ask.js";
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
): {
  review: Ref<Review>;
  controls: Ref<readonly ControlReading[]>;
  asking: Readonly<Ref<boolean>>;
  /** Why the readings could not be judged; empty when they were. */
  failed: Readonly<Ref<string>>;
} {
  const review = shallowRef<Review>({ readings: [], together: [] });
  const controls = shallowRef<readonly ControlReading[]>([]);
  const { ask, asking, failed } = useWorker<ReviewQuestion, ReviewAnswer>(
    () => new Worker(new URL("./review-worker.ts", import.meta.url), { type: "module" }),
    (answer) => {
      review.value = answer.review;
      controls.value = answer.controls;
    },
  );
  watch(
    draft,
    ({ toleranceMm, ...given }) => {
      const plain = JSON.parse(JSON.stringify(given)) as Omit<HandDraft, "toleranceMm">;
      ask({ notation: sheet.notation, bases: { ...sheet.bases }, ...plain, toleranceMm });
    },
    { immediate: true, deep: true },
  );
  return { review, controls, asking, failed };
}
