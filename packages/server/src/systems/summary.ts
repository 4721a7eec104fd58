import type { Knex } from "knex";
import { LRUCache } from "lru-cache";
import { SystemVersionRow } from "./system-version.js";

/** What a draft says of the version of the system it was made with. */
export interface SystemSummary {
  readonly slug: string;
  readonly title: string;
  readonly version: number;
}

const MOST_KNOWN = 5_000;
// A version never changes once it is published, so that it is looked up once.
const known = new LRUCache<string, SystemSummary>({ max: MOST_KNOWN });

/** The summaries of some versions by their ids. */
export async function summariesOf(knex: Knex, ids: readonly string[]): Promise<(id: string) => SystemSummary> {
  const found = new Map<string, SystemSummary>();
  for (const id of ids) {
    const summary = known.get(id);
    if (summary) found.set(id, summary);
  }
  const missing = [...new Set(ids)].filter((id) => !found.has(id));
  if (missing.length > 0)
    for (const { id, slug, title, version } of await SystemVersionRow.query(knex)
      .select("id", "slug", "title", "version")
      .findByIds(missing)) {
      known.set(id, { slug, title, version });
      found.set(id, { slug, title, version });
    }
  return (id) => found.get(id) ?? { slug: "", title: "", version: 1 };
}
