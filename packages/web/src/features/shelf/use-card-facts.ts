import { type Ref, shallowRef } from "vue";
import { useWorker } from "../../workers/ask.js";
import type { CardFacts } from "./card-facts.js";
import type { ShelfAnswer, ShelfQuestion } from "./shelf-worker.js";

/** The facts of the shelf's cards, filled in one by one as a worker finds them. */
export function useCardFacts(): { facts: Ref<ReadonlyMap<string, CardFacts>>; ask: (question: ShelfQuestion) => void } {
  const facts = shallowRef<ReadonlyMap<string, CardFacts>>(new Map());
  const { ask } = useWorker<ShelfQuestion, ShelfAnswer>(
    () => new Worker(new URL("./shelf-worker.ts", import.meta.url), { type: "module" }),
    (answer) => (facts.value = new Map(facts.value).set(answer.slug, answer.facts)),
  );
  return { facts, ask };
}
