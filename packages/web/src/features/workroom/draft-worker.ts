import type { Draft, SystemSheet } from "@lodrin/contract";
import { serve } from "../../workers/serve.js";
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
serve<readonly Draft[], DraftAnswer>(async (drafts, give) => {
  for (const draft of drafts) {
    const sheet = await sheetOf(draft);
    if (sheet) give({ id: draft.id, facts: draftFacts(draft, sheet) });
  }
});
