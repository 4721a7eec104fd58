import type { Account, PasswordNotice } from "@lodrin/contract";
import type { Knex } from "knex";
import { isoMoment } from "../database/base-model.js";
import { ProblemError } from "../http/problem.js";
import type { AccountRow } from "./account.js";
import { passwordFits } from "./password.js";
import { endedHere, nameOfSession } from "./session-list.js";

/** That somebody else helped an account to a new password: who, when, and what the password was before. */
interface Handover {
  readonly accountId: string;
  readonly byName: string;
  readonly formerHash: string;
  readonly agreed: boolean;
  readonly at: Date;
}

const handoverOf = (knex: Knex, accountId: string): Promise<Handover | undefined> =>
  knex("password_handovers").where({ accountId }).first<Handover | undefined>();

/** What an account's holder must know of somebody else's help to a password. */
async function noticeFor(knex: Knex, accountId: string): Promise<PasswordNotice | null> {
  const handover = await handoverOf(knex, accountId);
  if (handover && !handover.agreed) return { kind: "password-chosen", by: handover.byName, at: isoMoment(handover.at) };
  const link = await knex("password_resets")
    .where({ accountId })
    .whereNot({ byName: "" })
    .where("until", ">", knex.fn.now())
    .first<{ byName: string; madeAt: Date } | undefined>();
  return link ? { kind: "link-made", by: link.byName, at: isoMoment(link.madeAt) } : null;
}

/** An account as its holder sees it. */
export async function accountReply(knex: Knex, row: AccountRow): Promise<Account> {
  return { ...row.toReply(), notice: await noticeFor(knex, row.id) };
}

/** True while an account is locked: a password was chosen by somebody else's link, and its holder has not agreed. */
export async function isLocked(knex: Knex, accountId: string): Promise<boolean> {
  return (await handoverOf(knex, accountId))?.agreed === false;
}

/** Records, in the act of setting a password by somebody else's link, what it was before. */
export async function recordHandover(knex: Knex, accountId: string, byName: string): Promise<void> {
  const account = await knex("accounts").where({ id: accountId }).first<{ passwordHash: string }>("passwordHash");
  // A second link does not make the password of the first one the holder's own.
  const before = await handoverOf(knex, accountId);
  const formerHash = before && !before.agreed ? before.formerHash : account.passwordHash;
  const row = { accountId, byName, formerHash, agreed: false, at: knex.fn.now() };
  await knex("password_handovers").insert(row).onConflict("account_id").merge();
}

/** The holder agrees: the account is unlocked, wherever it is signed in. The password of before can still be used to take it back. */
export async function agree(knex: Knex, accountId: string): Promise<void> {
  await knex("password_handovers").where({ accountId }).update({ agreed: true });
  const changed = (await knex("sessions")
    .whereRaw("sess ->> 'accountId' = ?", [accountId])
    .update({ sess: knex.raw("(sess::jsonb - 'locked')::json") })
    .returning("sid")) as { sid: string }[];
  for (const { sid } of changed) endedHere.emit("ended", nameOfSession(sid));
}

/** True when a password is the one of before somebody else's help. */
export async function isFormerPassword(knex: Knex, accountId: string, password: string): Promise<boolean> {
  const handover = await handoverOf(knex, accountId);
  return handover !== undefined && (await passwordFits(password, handover.formerHash));
}

/** What somebody reads who signs in with the password of before. */
export async function replacedProblem(knex: Knex, accountId: string): Promise<ProblemError> {
  const { byName = "", at = new Date() } = (await handoverOf(knex, accountId)) ?? {};
  const day = at.toLocaleDateString("en-GB", { day: "numeric", month: "long", year: "numeric" });
  return new ProblemError(
    423,
    "A new password was chosen",
    `On ${day} a new password was chosen by a link that ${byName} made. If that was not you, take your account back with this password.`,
  );
}
