import type { Work } from "@lodrin/contract";
import { doesNotHold, type Finding, isPressing } from "@lodrin/core";
import { computed, type ComputedRef, type Ref, ref } from "vue";
import type { Range } from "../range/use-range.js";

/** The way of a system to the shelf: what is wrong with it, and which version is there. */
export interface Publishing {
  /** It is being asked about. */
  readonly asked: Ref<boolean>;
  readonly published: Ref<number>;
  /** What was just done; empty when nothing was. */
  readonly told: Ref<string>;
  /** The problems to be looked at before students draft with it. */
  readonly problems: ComputedRef<readonly Finding[]>;
  /** Something does not hold: who publishes it all the same says why. */
  readonly breaks: ComputedRef<boolean>;
  readonly ask: () => void;
  readonly done: (work: Work) => void;
}

export function usePublishing(work: Work, { findings }: Pick<Range, "findings">): Publishing {
  const asked = ref(false);
  const published = ref(work.published);
  const told = ref("");
  const problems = computed(() => findings.value.filter(isPressing));
  const breaks = computed(() => problems.value.some(doesNotHold));
  function ask(): void {
    asked.value = true;
    told.value = "";
  }
  function done({ published: version }: Work): void {
    published.value = version;
    told.value = `Version ${version} is on the shelf.`;
  }
  return { asked, published, told, problems, breaks, ask, done };
}
