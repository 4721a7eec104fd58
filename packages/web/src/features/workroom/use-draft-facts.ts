import { type Draft, type DraftCard, draftRoutes } from "@lodrin/contract";
import { type Ref, shallowRef } from "vue";
import { call, CallError } from "../../api/call.js";

/** So many cards are asked for at once: the server makes one after the other. */
const AT_ONCE = 4;

/** What the cards of drafts say, filled in one by one as the server answers. */
export function useDraftFacts(): { facts: Ref<ReadonlyMap<string, DraftCard>>; ask: (drafts: readonly Draft[]) => Promise<void> } {
  const facts = shallowRef<ReadonlyMap<string, DraftCard>>(new Map());
  async function ask(drafts: readonly Draft[]): Promise<void> {
    const left = [...drafts];
    const one = async (): Promise<void> => {
      for (let draft = left.shift(); draft; draft = left.shift()) {
        try {
          facts.value = new Map(facts.value).set(draft.id, await call(draftRoutes.draftCard, { params: { id: draft.id } }));
        } catch (error) {
          // A card without its facts still opens its draft; they are asked for again with the next visit.
          if (!(error instanceof CallError)) throw error;
        }
      }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, one));
  }
  return { facts, ask };
}
