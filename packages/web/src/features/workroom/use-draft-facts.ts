import type { Draft } from "@lodrin/contract";
import { onScopeDispose, type Ref, shallowRef } from "vue";
import { useWorker } from "../../workers/ask.js";
import type { DraftFacts } from "./facts-text.js";
import type { DraftAnswer } from "./draft-worker.js";

/** The facts of drafts' cards, filled in one by one as a worker finds them. */
export function useDraftFacts(): { facts: Ref<ReadonlyMap<string, DraftFacts>>; ask: (drafts: readonly Draft[]) => void } {
  const facts = shallowRef<ReadonlyMap<string, DraftFacts>>(new Map());
  const { ask } = useWorker<readonly Draft[], DraftAnswer>(
    () => new Worker(new URL("./draft-worker.ts", import.meta.url), { type: "module" }),
    (answer) => (facts.value = new Map(facts.value).set(answer.id, answer.facts)),
  );
  let waits = 0;
  onScopeDispose(() => cancelIdleCallback(waits));
  // The page comes first; what it says of drafts is worked out when it is drawn. Plain data alone can be handed over.
  const askLater = (drafts: readonly Draft[]): void => {
    const plain = JSON.parse(JSON.stringify(drafts)) as readonly Draft[];
    waits = requestIdleCallback(() => ask(plain));
  };
  return { facts, ask: askLater };
}
