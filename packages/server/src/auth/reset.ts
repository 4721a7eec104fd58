import type { Knex } from "knex";
import { ProblemError } from "../http/problem.js";
import { AccountRow } from "./account.js";
import { recordHandover } from "./handover.js";
import { hashPassword } from "./password.js";
import { endSessions } from "./session-list.js";
import { digestOf, newToken } from "./token.js";

/**
 * A token by which an account's password can be set, once, within a day. An earlier one is worth nothing any more. `byName` is who
 * made it, where that is not the account's holder.
 */
export async function newReset(knex: Knex, accountId: string, byName = ""): Promise<{ token: string; until: string }> {
  const { token, until } = newToken();
  await knex("password_resets").where({ accountId }).delete();
  await knex("password_resets").insert({ tokenDigest: digestOf(token), accountId, until, byName });
  return { token, until };
}

/** Sets a new password by a token; every session of the account ends. Gives whose it was. Throws ProblemError when the token is worth nothing. */
export async function useReset(knex: Knex, token: string, password: string): Promise<string> {
  const passwordHash = await hashPassword(password);
  const accountId = await knex.transaction(async (trx) => {
    const [row] = (await trx("password_resets")
      .where({ tokenDigest: digestOf(token) })
      .where("until", ">", trx.fn.now())
      .delete()
      .returning(["accountId", "byName"])) as { accountId: string; byName: string }[];
    if (!row)
      throw new ProblemError(410, "Used or too old", "This link was used or revoked already, or is older than a day. Ask for a new one.");
    if (row.byName !== "") await recordHandover(trx, row.accountId, row.byName);
    else await trx("password_handovers").where({ accountId: row.accountId }).delete();
    await keepHash(trx, row.accountId, passwordHash);
    return row.accountId;
  });
  await endSessions(knex, accountId);
  return accountId;
}

/** The holder sets a password: every session of the account ends, but for one that may go on, and so does every link. */
export async function setPassword(knex: Knex, accountId: string, password: string, but?: string): Promise<void> {
  const passwordHash = await hashPassword(password);
  await knex.transaction(async (trx) => {
    await trx("password_handovers").where({ accountId }).delete();
    await keepHash(trx, accountId, passwordHash);
  });
  await endSessions(knex, accountId, but);
}

/** Links die with any change of password. */
async function keepHash(trx: Knex, accountId: string, passwordHash: string): Promise<void> {
  await trx("password_resets").where({ accountId }).delete();
  await AccountRow.query(trx).patch({ passwordHash }).where({ id: accountId });
}
