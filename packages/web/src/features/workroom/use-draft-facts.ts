import type { Draft } from "@lodrin/contract";
import { onScopeDispose, type Ref, shallowRef } from "vue";
import type { DraftFacts } from "./facts-text.js";
import type { DraftAnswer } from "./draft-worker.js";

/** The facts of drafts' cards, filled in one by one as a worker finds them. */
export function useDraftFacts(): { facts: Ref<ReadonlyMap<string, DraftFacts>>; ask: (drafts: readonly Draft[]) => void } {
  const facts = shallowRef<ReadonlyMap<string, DraftFacts>>(new Map());
  let worker: Worker | undefined;
  const open = (): Worker => {
    const opened = new Worker(new URL("./draft-worker.ts", import.meta.url), { type: "module" });
    opened.addEventListener("message", ({ data }: MessageEvent<DraftAnswer>) => {
      facts.value = new Map(facts.value).set(data.id, data.facts);
    });
    return opened;
  };
  let closed = false;
  onScopeDispose(() => {
    closed = true;
    worker?.terminate();
  });
  // The page comes first; what it says of drafts is worked out when it stands. Plain data alone can be handed over.
  const ask = (drafts: readonly Draft[]): void => {
    const plain: unknown = JSON.parse(JSON.stringify(drafts));
    requestIdleCallback(() => {
      if (!closed) (worker ??= open()).postMessage(plain);
    });
  };
  return { facts, ask };
}
