import type { Draft, SystemSheet } from "@lodrin/contract";
import { draftFacts } from "./draft-facts.js";
import type { DraftFacts } from "./facts-text.js";

/** One answer a draft, as soon as it is worked out. */
export interface DraftAnswer {
  readonly id: string;
  readonly facts: DraftFacts;
}

const sheets = new Map<string, Promise<SystemSheet | undefined>>();

/** A version never changes: it is fetched once. */
function sheetOf({ slug, systemVersion }: Draft): Promise<SystemSheet | undefined> {
  const path = `/api/systems/${slug}/${systemVersion}`;
  const known = sheets.get(path);
  if (known) return known;
  const sheet = fetch(path).then(
    (reply) => (reply.ok ? (reply.json() as Promise<SystemSheet>) : undefined),
    () => undefined,
  );
  sheets.set(path, sheet);
  return sheet;
}

// Drafts are read and drawn here, so that the first page opens at once and has no need of the geometry.
self.addEventListener("message", (event: MessageEvent<readonly Draft[]>) => {
  void (async () => {
    for (const draft of event.data) {
      const sheet = await sheetOf(draft);
      if (sheet) self.postMessage({ id: draft.id, facts: draftFacts(draft, sheet) } satisfies DraftAnswer);
    }
  })();
});
