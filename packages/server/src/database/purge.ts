import type { Knex } from "knex";
import { erasePerson } from "../people/erase.js";

/** How many days what was deleted can be restored; then it is gone for good. */
export const DAYS_KEPT = 30;
/** A database that a backup was restored over stays for so long after the new one began to serve (hours). */
const HOURS_KEPT_BESIDE = 24;
const A_DAY_MS = 24 * 60 * 60 * 1_000;

/** Erases what was deleted a while ago, and links and counts that are worth nothing any more. */
export async function purgeDeleted(knex: Knex): Promise<void> {
  const longAgo = knex.raw("now() - make_interval(days => ?)", [DAYS_KEPT]);
  for (const { id } of (await knex("people").where("deletedAt", "<", longAgo).select("id")) as { id: string }[])
    await erasePerson(knex, id);
  for (const table of ["drafts", "works", "size_charts", "measurement_sets", "assignments", "lessons", "classes"])
    await knex(table).where("deletedAt", "<", longAgo).delete();
  for (const table of ["password_resets", "sign_ups"]) await knex(table).where("until", "<", knex.fn.now()).delete();
  // A password of before can be taken back for as long as anything that was deleted.
  await knex("password_handovers").where("at", "<", longAgo).delete();
  await knex("files_waiting").where("since", "<", knex.raw("now() - interval '1 day'")).delete();
  await knex("rate_limits")
    .where("expire", "<", Date.now() - A_DAY_MS)
    .delete();
}

/** Drops databases that a backup was restored over (see scripts/keep.sh), when the restored one has served for a day. */
export async function dropReplaced(knex: Knex): Promise<void> {
  const { rows } = (await knex.raw(
    "select datname from pg_database where datname ~ ('^' || current_database() || '_before_[0-9]{14}$')",
  )) as {
    rows: { datname: string }[];
  };
  for (const { datname } of rows) {
    const replacedAt = Date.parse(datname.slice(-14).replace(/(....)(..)(..)(..)(..)(..)/, "$1-$2-$3T$4:$5:$6Z"));
    if (Date.now() - replacedAt > HOURS_KEPT_BESIDE * 60 * 60 * 1_000) await knex.raw(`drop database if exists "${datname}"`);
  }
}

/** Purges now and once a day; gives what stops it. A purge that fails is left to the next. */
export function purgeDaily(knex: Knex, failed: (error: unknown) => void): () => void {
  const purge = (): void =>
    void purgeDeleted(knex)
      .then(() => dropReplaced(knex))
      .catch(failed);
  purge();
  const timer = setInterval(purge, A_DAY_MS);
  return () => clearInterval(timer);
}
