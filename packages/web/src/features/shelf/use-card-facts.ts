import { onScopeDispose, type Ref, shallowRef } from "vue";
import type { CardFacts } from "./card-facts.js";
import type { ShelfAnswer, ShelfQuestion } from "./shelf-worker.js";

/** The facts of the shelf's cards, filled in one by one as a worker finds them. */
export function useCardFacts(): { facts: Ref<ReadonlyMap<string, CardFacts>>; ask: (question: ShelfQuestion) => void } {
  const facts = shallowRef<ReadonlyMap<string, CardFacts>>(new Map());
  const worker = new Worker(new URL("./shelf-worker.ts", import.meta.url), { type: "module" });
  worker.addEventListener("message", ({ data }: MessageEvent<ShelfAnswer>) => {
    facts.value = new Map(facts.value).set(data.slug, data.facts);
  });
  onScopeDispose(() => worker.terminate());
  return { facts, ask: (question) => worker.postMessage(question) };
}
