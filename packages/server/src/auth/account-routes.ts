import { accountRoutes, DONE, ranksAbove, type ReplyOf } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { isTaughtBy, taughtBy } from "../access/classroom.js";
import { page } from "../database/page.js";
import { mount } from "../http/mount.js";
import { BY_NUMBER, mountPaged } from "../http/paged.js";
import { notFound, ProblemError } from "../http/problem.js";
import type { Letter, Mailer } from "../mail/mailer.js";
import { AccountRow, signedInAccount } from "./account.js";
import { refuseWeak } from "./common-passwords.js";
import { eventsAbout, note } from "./events.js";
import { accountReply, agree } from "./handover.js";
import { ownData } from "./own-data.js";
import { passwordFits } from "./password.js";
import { newReset, setPassword, useReset } from "./reset.js";
import { callerOf, endSession } from "./session.js";
import { endSessions, sessionsOf } from "./session-list.js";

interface Post {
  readonly knex: Knex;
  readonly mailer?: Mailer | undefined;
  readonly address?: string;
}

/** One's own account: password, places signed in, all data, an end; and what instructors and the owner do for others'. */
export function ownAccountRoutes(router: Router, { knex, mailer, address = "" }: Post): void {
  const mine = async (id: string, password: string): Promise<AccountRow> => {
    const account = await signedInAccount(knex, id);
    if (!(await passwordFits(password, account.passwordHash))) throw new ProblemError(403, "Not right", "The password is not right.");
    return account;
  };

  mount(router, accountRoutes.changePassword, async ({ accountId, body, request }) => {
    await mine(accountId, body.old);
    refuseWeak(body.password);
    await setPassword(knex, accountId, body.password, request.sessionID);
    await note(knex, accountId, "password-changed", accountId);
    return DONE;
  });

  mount(router, accountRoutes.signedIn, ({ accountId, request }) => sessionsOf(knex, accountId, request.sessionID));

  mount(router, accountRoutes.signOutElsewhere, async ({ accountId, request }) => {
    await endSessions(knex, accountId, request.sessionID);
    return DONE;
  });

  mountPaged(router, accountRoutes.events, ({ accountId, after }) => eventsAbout(knex, accountId, after), BY_NUMBER);

  router.get(accountRoutes.ownData.path, async (request, response) => {
    const accountId = callerOf(request, accountRoutes.ownData);
    await note(knex, accountId, "data-taken-out", accountId);
    const zip = await ownData(knex, accountId, request.sessionID);
    response.type("application/zip").set("content-disposition", 'attachment; filename="lodrin-my-data.zip"').send(Buffer.from(zip));
  });

  mount(router, accountRoutes.removeAccount, async ({ accountId, body, request }) => {
    const account = await mine(accountId, body.password);
    if (account.role === "owner" && (await others(knex, "owner", accountId)) === 0 && (await AccountRow.query(knex).resultSize()) > 1)
      throw new ProblemError(409, "The last owner", "Make somebody else the owner first: there are people here who need one.");
    await account.$query(knex).delete();
    await endSessions(knex, accountId, request.sessionID);
    await endSession(request);
    return DONE;
  });

  mountPaged(router, accountRoutes.members, async ({ accountId, after }) => {
    const rows = await page(AccountRow.query(knex), { by: "name, id" }, {}, after);
    const helper = await signedInAccount(knex, accountId);
    const taught = new Set(((await taughtBy(knex, accountId)) as { accountId: string }[]).map((member) => member.accountId));
    const mayReset = (row: AccountRow): boolean => ranksAbove(helper.role, row.role) && (helper.role === "owner" || taught.has(row.id));
    return rows.map((row) => ({ key: row.id, item: memberOf(row, mayReset(row)) }));
  });

  mount(router, accountRoutes.changeRole, async ({ accountId, params, body }) => {
    if (params.id === accountId) throw new ProblemError(409, "Your own role", "Another owner must change it.");
    const account = await AccountRow.query(knex).patch({ role: body.role }).where({ id: params.id }).returning("*").first();
    if (!account) throw notFound("account");
    // What the sessions know of the role is old now.
    await endSessions(knex, account.id);
    await note(knex, account.id, "role-changed", accountId);
    // Only the owner changes roles, and helps everyone below.
    return memberOf(account, ranksAbove("owner", account.role));
  });

  mount(router, accountRoutes.resetLink, async ({ accountId, params }) => {
    const [helper, account] = [await signedInAccount(knex, accountId), await AccountRow.query(knex).findById(params.id)];
    if (!account) throw notFound("account");
    // Never one of the same rank or above, and of an instructor only her own students: whoever helps in could go in.
    if (!ranksAbove(helper.role, account.role) || (helper.role !== "owner" && !(await isTaughtBy(knex, account.id, helper.id))))
      throw new ProblemError(403, "Not yours to do", "Only a teacher of one of their classes can do this, or the owner.");
    if (!mailer) {
      const { token, until } = await newReset(knex, account.id, helper.name);
      await note(knex, account.id, "reset-link-made", accountId);
      return { path: `/new-password#${token}`, until };
    }
    // Where letters are sent, nobody but the person sees the link.
    const { token, until } = await newReset(knex, account.id);
    await mailer(letterTo(account, helper.name, `${address}/new-password#${token}`));
    await note(knex, account.id, "reset-link-made", accountId);
    return { path: null, until };
  });

  mount(router, accountRoutes.revokeLink, async ({ accountId }) => {
    await knex("password_resets").where({ accountId }).delete();
    await note(knex, accountId, "reset-link-revoked", accountId);
    return DONE;
  });

  mount(router, accountRoutes.agreeToPassword, async ({ accountId, request }) => {
    await agree(knex, accountId);
    delete request.session.locked;
    return accountReply(knex, await signedInAccount(knex, accountId));
  });

  mount(router, accountRoutes.resetPassword, async ({ body }) => {
    refuseWeak(body.password);
    const accountId = await useReset(knex, body.token, body.password);
    await note(knex, accountId, "password-reset", accountId);
    return DONE;
  });
}

const memberOf = ({ id, name, email, role }: AccountRow, mayReset: boolean): ReplyOf<typeof accountRoutes.changeRole> => ({
  ...{ id, name, email, role },
  mayReset,
});

const letterTo = ({ email, name }: AccountRow, by: string, link: string): Letter => ({
  to: email,
  subject: "A new password for Lodrin",
  text: `Hello ${name},

${by} asked Lodrin to send you this link. Set a new password here within a day; the link works once:

${link}

If you did not ask for it, do nothing: your password stays as it is.
`,
});

async function others(knex: Knex, role: AccountRow["role"], but: string): Promise<number> {
  return AccountRow.query(knex).where({ role }).whereNot({ id: but }).resultSize();
}
