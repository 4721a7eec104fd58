import type { Knex } from "knex";
import { ProblemError } from "../http/problem.js";

const MOST_FAILURES = 8;
const MINUTES = 15;

/** Refuses when an e-mail or an address has failed too often in the last quarter of an hour. Kept in PostgreSQL, so every process counts alike. */
export async function refuseTooMany(knex: Knex, email: string, address: string): Promise<void> {
  const rows = await knex("login_failures")
    .where((q) => q.where({ email }).orWhere({ address }))
    .andWhere("at", ">", knex.raw("now() - make_interval(mins => ?)", [MINUTES]))
    .select<{ email: string; address: string }[]>("email", "address");
  const byEmail = rows.filter((r) => r.email === email).length;
  const byAddress = rows.filter((r) => r.address === address).length;
  if (byEmail >= MOST_FAILURES || byAddress >= MOST_FAILURES * 5) {
    throw new ProblemError(429, "Too many tries", `That was wrong ${MOST_FAILURES} times. Wait ${MINUTES} minutes and try again.`);
  }
}

/** Notes a failed sign-in; old ones are cleared on the way. */
export async function noteFailure(knex: Knex, email: string, address: string): Promise<void> {
  await knex("login_failures").insert({ email, address });
  await knex("login_failures").where("at", "<", knex.raw("now() - interval '1 day'")).delete();
}

/** A right password clears what was noted against its e-mail. */
export async function clearFailures(knex: Knex, email: string): Promise<void> {
  await knex("login_failures").where({ email }).delete();
}
