import type { AccountEvent } from "@lodrin/contract";
import type { Knex } from "knex";
import { isoMoment } from "../database/base-model.js";

const MOST_SHOWN = 100;

/** Notes what was done about an account; `byId` is undefined for the command line. */
export async function note(knex: Knex, aboutId: string, what: AccountEvent["what"], byId: string | undefined): Promise<void> {
  await knex("events").insert({ aboutId, what, byId });
}

/** What was done about an account, newest first. */
export async function eventsAbout(knex: Knex, aboutId: string): Promise<AccountEvent[]> {
  const rows = (await knex("events")
    .leftJoin("accounts", "accounts.id", "events.byId")
    .where("events.aboutId", aboutId)
    .orderBy("events.id", "desc")
    .limit(MOST_SHOWN)
    .select("events.what", "events.at", "events.byId", "accounts.name")) as {
    what: AccountEvent["what"];
    at: Date;
    byId: string | null;
    name: string | null;
  }[];
  return rows.map(({ what, at, byId, name }) => ({ what, at: isoMoment(at), by: byWhom(what, byId === aboutId, name) }));
}

function byWhom(what: AccountEvent["what"], self: boolean, name: string | null): string {
  // Anyone who knows the e-mail may have asked for it.
  if (what === "reset-letter-sent") return "somebody on the sign-in page";
  return self ? "you" : (name ?? "the command line");
}
