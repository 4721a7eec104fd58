import type { AccountEvent } from "@lodrin/contract";
import type { Knex } from "knex";
import { isoMoment } from "../database/base-model.js";
import { PAGE } from "../database/page.js";
import type { Listed } from "../http/paged.js";

/** Records what was done about an account; `byId` is undefined for the command line. */
export async function note(knex: Knex, aboutId: string, what: AccountEvent["what"], byId: string | undefined, detail = ""): Promise<void> {
  await knex("events").insert({ aboutId, what, byId, detail });
}

/** Within so long, the same look of the same person at the same thing is recorded once. */
const ONCE_IN = "1 hour";

/** A look of one account at what is others'. */
interface Look {
  readonly aboutIds: readonly string[];
  readonly what: AccountEvent["what"];
  readonly byId: string;
  /** The class, and what of it. */
  readonly detail: string;
}

/** Records that somebody looked at what is these accounts', once an hour, however often. */
export async function recordLook(knex: Knex, { aboutIds, what, byId, detail }: Look): Promise<void> {
  if (aboutIds.length === 0) return;
  const recorded = (await knex("events")
    .whereIn("aboutId", aboutIds)
    .where({ what, byId, detail })
    .where("at", ">", knex.raw("now() - ?::interval", [ONCE_IN]))
    .select("aboutId")) as { aboutId: string }[];
  const known = new Set(recorded.map((r) => r.aboutId));
  const missing = aboutIds.filter((id) => !known.has(id));
  if (missing.length > 0) await knex("events").insert(missing.map((aboutId) => ({ aboutId, what, byId, detail })));
}

/** What was done about an account, newest first: a page of it, behind the event `after`. */
export async function eventsAbout(knex: Knex, aboutId: string, after?: string): Promise<Listed<AccountEvent>[]> {
  const query = knex("events")
    .leftJoin("accounts", "accounts.id", "events.byId")
    .where("events.aboutId", aboutId)
    .orderBy("events.id", "desc")
    .limit(PAGE + 1);
  const rows = (await (after === undefined ? query : query.where("events.id", "<", after)).select(
    "events.id",
    "events.what",
    "events.at",
    "events.byId",
    "events.detail",
    "accounts.name",
  )) as {
    id: string;
    what: AccountEvent["what"];
    at: Date;
    byId: string | null;
    detail: string;
    name: string | null;
  }[];
  return rows.map(({ id, what, at, byId, detail, name }) => ({
    key: id,
    item: { what, detail, at: isoMoment(at), by: byWhom(what, byId === aboutId, name) },
  }));
}

function byWhom(what: AccountEvent["what"], self: boolean, name: string | null): string {
  // Anyone who knows the e-mail may have asked for it.
  if (what === "reset-letter-sent") return "somebody on the sign-in page";
  return self ? "you" : (name ?? "the command line");
}
