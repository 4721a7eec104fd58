import type { Work } from "@lodrin/contract";
import { breaksAt, rowFaults } from "@lodrin/core";
import { computed, type ComputedRef, type Ref, ref } from "vue";
import { useMisses } from "../../../drafting/use-misses.js";
import type { Range } from "../range/use-range.js";
import type { Writing } from "../use-writing.js";

/** The way of a system to the shelf: what would go there broken, and which version is there. */
export interface Publishing {
  /** It is being asked about. */
  readonly asked: Ref<boolean>;
  readonly published: Ref<number>;
  /** What was just done; empty when nothing was. */
  readonly told: Ref<string>;
  /** What does not hold, on the body that is tried and over the range. */
  readonly breaks: ComputedRef<readonly string[]>;
  readonly ask: () => void;
  readonly done: (work: Work) => void;
}

export function usePublishing(work: Work, { drafted }: Writing, range: Range): Publishing {
  const asked = ref(false);
  const published = ref(work.published);
  const told = ref("");
  const misses = useMisses(drafted);
  const breaks = computed(() => [
    ...(misses.value.length ? [`On this body: ${misses.value.map((c) => c.name).join(", ")}.`] : []),
    ...range.rows.value.filter(({ row }) => breaksAt(row)).map(({ row }) => `${row.size}: ${rowFaults(row)[0] ?? ""}`),
  ]);
  function ask(): void {
    asked.value = true;
    told.value = "";
  }
  function done({ published: version }: Work): void {
    published.value = version;
    told.value = `Version ${version} is on the shelf.`;
  }
  return { asked, published, told, breaks, ask, done };
}
