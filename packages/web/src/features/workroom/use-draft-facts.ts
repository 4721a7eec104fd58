import type { Draft } from "@lodrin/contract";
import { onScopeDispose, type Ref, shallowRef } from "vue";
import type { DraftFacts } from "./draft-facts.js";
import type { DraftAnswer } from "./draft-worker.js";

/** The facts of drafts' cards, filled in one by one as a worker finds them. */
export function useDraftFacts(): { facts: Ref<ReadonlyMap<string, DraftFacts>>; ask: (drafts: readonly Draft[]) => void } {
  const facts = shallowRef<ReadonlyMap<string, DraftFacts>>(new Map());
  const worker = new Worker(new URL("./draft-worker.ts", import.meta.url), { type: "module" });
  worker.addEventListener("message", ({ data }: MessageEvent<DraftAnswer>) => {
    facts.value = new Map(facts.value).set(data.id, data.facts);
  });
  onScopeDispose(() => worker.terminate());
  // Plain data alone can be handed over.
  return { facts, ask: (drafts) => worker.postMessage(JSON.parse(JSON.stringify(drafts))) };
}
