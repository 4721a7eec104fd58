import { accountRoutes, DONE, ranksAbove } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { page } from "../database/page.js";
import { mount } from "../http/mount.js";
import { BY_NUMBER, mountPaged } from "../http/paged.js";
import { notFound, ProblemError } from "../http/problem.js";
import { AccountRow, signedInAccount } from "./account.js";
import { refuseWeak } from "./common-passwords.js";
import { eventsAbout, note } from "./events.js";
import { ownData } from "./own-data.js";
import { passwordFits } from "./password.js";
import { newReset, setPassword, useReset } from "./reset.js";
import { callerOf, endSession } from "./session.js";
import { endSessions, sessionsOf } from "./session-list.js";

/** One's own account: password, places signed in, all data, an end; and what instructors and the owner do for others'. */
export function ownAccountRoutes(router: Router, knex: Knex): void {
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

  mountPaged(router, accountRoutes.members, async ({ after }) => {
    const rows = await page(AccountRow.query(knex), { by: "name, id" }, {}, after);
    return rows.map((row) => ({ key: row.id, item: memberOf(row) }));
  });

  mount(router, accountRoutes.changeRole, async ({ accountId, params, body }) => {
    if (params.id === accountId) throw new ProblemError(409, "Your own role", "Another owner must change it.");
    const account = await AccountRow.query(knex).patch({ role: body.role }).where({ id: params.id }).returning("*").first();
    if (!account) throw notFound("account");
    // What the sessions know of the role is old now.
    await endSessions(knex, account.id);
    await note(knex, account.id, "role-changed", accountId);
    return memberOf(account);
  });

  mount(router, accountRoutes.resetLink, async ({ accountId, params }) => {
    const [helper, account] = [await signedInAccount(knex, accountId), await AccountRow.query(knex).findById(params.id)];
    if (!account) throw notFound("account");
    // Never one of the same rank or above: whoever helps in could go in.
    if (!ranksAbove(helper.role, account.role))
      throw new ProblemError(403, "Not yours to do", "Only somebody of a higher role can do this for this account.");
    const { token, until } = await newReset(knex, account.id);
    await note(knex, account.id, "reset-link-made", accountId);
    return { path: `/new-password#${token}`, until };
  });

  mount(router, accountRoutes.resetPassword, async ({ body }) => {
    refuseWeak(body.password);
    const accountId = await useReset(knex, body.token, body.password);
    await note(knex, accountId, "password-reset", accountId);
    return DONE;
  });
}

const memberOf = ({ id, name, email, role }: AccountRow): Pick<AccountRow, "id" | "name" | "email" | "role"> => ({ id, name, email, role });

async function others(knex: Knex, role: AccountRow["role"], but: string): Promise<number> {
  return AccountRow.query(knex).where({ role }).whereNot({ id: but }).resultSize();
}
