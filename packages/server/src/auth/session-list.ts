import { createHash } from "node:crypto";
import { EventEmitter } from "node:events";
import type { SignedIn } from "@lodrin/contract";
import type { Knex } from "knex";
import { signInFirst } from "../http/problem.js";

interface SessionRow {
  readonly sid: string;
  readonly sess: { readonly accountId?: string; readonly since?: string; readonly device?: string };
}

const A_WHILE_AGO = new Date(0).toISOString();

/** A name for a session that does not give its secret away. */
export const nameOfSession = (sid: string): string => createHash("sha256").update(sid).digest("hex").slice(0, 16);

const ofAccount = (knex: Knex, accountId: string): Knex.QueryBuilder => knex("sessions").whereRaw("sess ->> 'accountId' = ?", [accountId]);

/** Where an account is signed in, newest first; `here` is the session that asks. */
export async function sessionsOf(knex: Knex, accountId: string, here: string): Promise<SignedIn[]> {
  const rows = (await ofAccount(knex, accountId).where("expire", ">", knex.fn.now()).select("sid", "sess")) as SessionRow[];
  return rows
    .map(({ sid, sess }) => ({ id: nameOfSession(sid), since: sess.since ?? A_WHILE_AGO, device: sess.device ?? "", here: sid === here }))
    .sort((a, b) => b.since.localeCompare(a.since));
}

/** Tells of sessions that this very process ended, before the database does. */
export const endedHere = new EventEmitter<{ ended: [name: string] }>();

/** Ends every session of an account but one. */
export async function endSessions(knex: Knex, accountId: string, but?: string): Promise<void> {
  const query = ofAccount(knex, accountId);
  const rows = (await (but === undefined ? query : query.whereNot({ sid: but })).delete().returning("sid")) as { sid: string }[];
  for (const { sid } of rows) endedHere.emit("ended", nameOfSession(sid));
}

/** Throws a 401 problem when a session has ended; asks the database each time. */
export async function requireSession(knex: Knex, sid: string): Promise<void> {
  if (!(await knex("sessions").where({ sid }).where("expire", ">", knex.fn.now()).first<object | undefined>("sid"))) throw signInFirst();
}
