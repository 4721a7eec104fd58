import type { Knex } from "knex";

/** What was deleted can be brought back for so long; then it is gone for good. */
const DAYS_KEPT = 30;
const A_DAY_MS = 24 * 60 * 60 * 1_000;

/** Wholly deletes what was deleted a while ago, and links and counts that are worth nothing any more. */
export async function purgeDeleted(knex: Knex): Promise<void> {
  const longAgo = knex.raw("now() - make_interval(days => ?)", [DAYS_KEPT]);
  for (const table of ["drafts", "works", "size_charts", "measurement_sets", "people"])
    await knex(table).where("deletedAt", "<", longAgo).delete();
  await knex("password_resets").where("until", "<", knex.fn.now()).delete();
  await knex("sign_ups").where("until", "<", knex.fn.now()).delete();
  await knex("rate_limits")
    .where("expire", "<", Date.now() - A_DAY_MS)
    .delete();
}

/** Purges now and once a day; gives what stops it. A purge that fails is left to the next. */
export function purgeDaily(knex: Knex, failed: (error: unknown) => void): () => void {
  const purge = (): void => void purgeDeleted(knex).catch(failed);
  purge();
  const timer = setInterval(purge, A_DAY_MS);
  return () => clearInterval(timer);
}
