import type { AccountEvent } from "@lodrin/contract";
import type { Knex } from "knex";
import { isoMoment } from "../database/base-model.js";
import { PAGE } from "../database/page.js";
import type { Listed } from "../http/paged.js";

/** Notes what was done about an account; `byId` is undefined for the command line. */
export async function note(knex: Knex, aboutId: string, what: AccountEvent["what"], byId: string | undefined): Promise<void> {
  await knex("events").insert({ aboutId, what, byId });
}

/** Within so long, what the same person does again to the same account is told once. */
const ONCE_IN = "1 hour";

/** Notes that somebody looked at what is these accounts'; told once an hour, however often it is looked at. */
export async function noteSeen(knex: Knex, aboutIds: readonly string[], what: AccountEvent["what"], byId: string): Promise<void> {
  if (aboutIds.length === 0) return;
  const told = (await knex("events")
    .whereIn("aboutId", aboutIds)
    .where({ what, byId })
    .where("at", ">", knex.raw("now() - ?::interval", [ONCE_IN]))
    .select("aboutId")) as { aboutId: string }[];
  const untold = aboutIds.filter((id) => !told.some((t) => t.aboutId === id));
  if (untold.length > 0) await knex("events").insert(untold.map((aboutId) => ({ aboutId, what, byId })));
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
    "accounts.name",
  )) as {
    id: string;
    what: AccountEvent["what"];
    at: Date;
    byId: string | null;
    name: string | null;
  }[];
  return rows.map(({ id, what, at, byId, name }) => ({
    key: id,
    item: { what, at: isoMoment(at), by: byWhom(what, byId === aboutId, name) },
  }));
}

function byWhom(what: AccountEvent["what"], self: boolean, name: string | null): string {
  // Anyone who knows the e-mail may have asked for it.
  if (what === "reset-letter-sent") return "somebody on the sign-in page";
  return self ? "you" : (name ?? "the command line");
}
