import type { Knex } from "knex";
import { ProblemError } from "../http/problem.js";
import { AccountRow } from "./account.js";
import { hashPassword } from "./password.js";
import { endSessions } from "./session-list.js";
import { digestOf, newToken } from "./token.js";

/** A token by which an account's password can be set anew, once, within a day. An earlier one is worth nothing any more. */
export async function newReset(knex: Knex, accountId: string): Promise<{ token: string; until: string }> {
  const { token, until } = newToken();
  await knex("password_resets").where({ accountId }).delete();
  await knex("password_resets").insert({ tokenDigest: digestOf(token), accountId, until });
  return { token, until };
}

/** Sets a new password by a token; every session of the account ends. Gives whose it was. Throws ProblemError when the token is worth nothing. */
export async function useReset(knex: Knex, token: string, password: string): Promise<string> {
  const [row] = (await knex("password_resets")
    .where({ tokenDigest: digestOf(token) })
    .where("until", ">", knex.fn.now())
    .delete()
    .returning("accountId")) as { accountId: string }[];
  if (!row) throw new ProblemError(410, "Used or too old", "This link was used already, or is older than a day. Ask for a new one.");
  await setPassword(knex, row.accountId, password);
  return row.accountId;
}

/** Sets a password; every session of the account ends, but for one that may go on. */
export async function setPassword(knex: Knex, accountId: string, password: string, but?: string): Promise<void> {
  await AccountRow.query(knex)
    .patch({ passwordHash: await hashPassword(password) })
    .where({ id: accountId });
  await endSessions(knex, accountId, but);
}
