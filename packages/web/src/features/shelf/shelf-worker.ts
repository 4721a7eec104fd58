import type { SystemSheet } from "@lodrin/contract";
import { serve } from "../../workers/serve.js";
import { type CardFacts, cardFacts } from "./card-facts.js";

/** What the page asks: the systems in the order they are wanted, and the sets they are compared with. */
export interface ShelfQuestion {
  readonly systems: readonly Pick<SystemSheet, "slug" | "notation" | "bases">[];
  readonly sets: Parameters<typeof cardFacts>[1];
}

/** One answer a system, as soon as it is worked out. */
export interface ShelfAnswer {
  readonly slug: string;
  readonly facts: CardFacts;
}

// Reading and drafting a whole shelf takes seconds on a small tablet: done here, the page stays free for the hands.
serve<ShelfQuestion, ShelfAnswer>(({ systems, sets }, give) => {
  for (const sheet of systems) give({ slug: sheet.slug, facts: cardFacts(sheet, sets) });
});
