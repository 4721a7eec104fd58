import { DONE, accountRoutes } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { mount } from "../http/mount.js";
import { ProblemError, signInFirst } from "../http/problem.js";
import { AccountRow, addressOf, signedInAccount, tidyEmail } from "./account.js";
import type { Attempts } from "./attempts.js";
import { refuseWeak } from "./common-passwords.js";
import { note } from "./events.js";
import { accountReply, isFormerPassword, isLocked, replacedProblem } from "./handover.js";
import { hashOfNobody, hashPassword, isOutdated, passwordFits } from "./password.js";
import { setPassword } from "./reset.js";
import { endSession, startSession } from "./session.js";

/** Sign in, sign out, who am I, and preferences. */
export function authRoutes(router: Router, knex: Knex, attempts: Attempts): void {
  mount(router, accountRoutes.signIn, async ({ body, request }) => {
    const email = tidyEmail(body.email);
    const address = addressOf(request);
    await attempts.signIn(email, address);
    const account = await AccountRow.query(knex).findOne({ email });
    const fits = await passwordFits(body.password, account?.passwordHash ?? (await hashOfNobody()));
    if (account && !fits && (await isFormerPassword(knex, account.id, body.password))) throw await replacedProblem(knex, account.id);
    if (!account || !fits) throw new ProblemError(401, "Not right", "The e-mail or the password is not right.");
    await attempts.signedIn(email, address);
    if (isOutdated(account.passwordHash)) await account.$query(knex).patch({ passwordHash: await hashPassword(body.password) });
    await startSession(request, account, await isLocked(knex, account.id));
    return accountReply(knex, account);
  });

  mount(router, accountRoutes.takeBackPassword, async ({ body, request }) => {
    refuseWeak(body.password);
    const email = tidyEmail(body.email);
    const address = addressOf(request);
    await attempts.signIn(email, address);
    const account = await AccountRow.query(knex).findOne({ email });
    if (!account || !(await isFormerPassword(knex, account.id, body.old)))
      throw new ProblemError(401, "Not right", "The e-mail or the password of before is not right.");
    await attempts.signedIn(email, address);
    await setPassword(knex, account.id, body.password);
    await note(knex, account.id, "password-taken-back", account.id);
    await startSession(request, account);
    return accountReply(knex, account);
  });

  mount(router, accountRoutes.signOut, async ({ request }) => {
    await endSession(request);
    return DONE;
  });

  mount(router, accountRoutes.me, async ({ accountId }) => accountReply(knex, await signedInAccount(knex, accountId)));

  mount(router, accountRoutes.prefer, async ({ accountId, body }) => {
    if (Object.keys(body).length === 0) return accountReply(knex, await signedInAccount(knex, accountId));
    const account = await AccountRow.query(knex).patch(body).where({ id: accountId }).returning("*").first();
    if (!account) throw signInFirst();
    return accountReply(knex, account);
  });
}
