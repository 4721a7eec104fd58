import { DONE, accountRoutes } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { mount } from "../http/mount.js";
import { ProblemError, signInFirst } from "../http/problem.js";
import { AccountRow } from "./account.js";
import { clearFailures, noteFailure, refuseTooMany } from "./attempts.js";
import { hashPassword, passwordFits } from "./password.js";
import { endSession, startSession } from "./session.js";

// A hash of nothing anyone knows: an unknown e-mail takes as long as a wrong password.
const NOBODY = hashPassword(crypto.randomUUID());

const tidy = (email: string): string => email.trim().toLowerCase();

/** Sign up, sign in, sign out, who am I, and preferences. */
export function authRoutes(router: Router, knex: Knex): void {
  mount(
    router,
    accountRoutes.signUp,
    async ({ body, request }) => {
      const email = tidy(body.email);
      if (await AccountRow.query(knex).findOne({ email }))
        throw new ProblemError(409, "Already here", "There is an account with this e-mail. Sign in instead.");
      const account = await AccountRow.query(knex).insertAndFetch({
        email,
        name: body.name.trim(),
        passwordHash: await hashPassword(body.password),
      });
      await startSession(request, account.id);
      return account.toReply();
    },
    true,
  );

  mount(
    router,
    accountRoutes.signIn,
    async ({ body, request }) => {
      const email = tidy(body.email);
      const address = request.ip ?? "unknown";
      await refuseTooMany(knex, email, address);
      const account = await AccountRow.query(knex).findOne({ email });
      const fits = await passwordFits(body.password, account?.passwordHash ?? (await NOBODY));
      if (!account || !fits) {
        await noteFailure(knex, email, address);
        throw new ProblemError(401, "Not right", "The e-mail or the password is not right.");
      }
      await clearFailures(knex, email);
      await startSession(request, account.id);
      return account.toReply();
    },
    true,
  );

  mount(router, accountRoutes.signOut, async ({ request }) => {
    await endSession(request);
    return DONE;
  });

  mount(router, accountRoutes.me, async ({ accountId }) => (await find(knex, accountId)).toReply());

  mount(router, accountRoutes.prefer, async ({ accountId, body }) => {
    await find(knex, accountId);
    return (await AccountRow.query(knex).patchAndFetchById(accountId, body)).toReply();
  });
}

async function find(knex: Knex, id: string): Promise<AccountRow> {
  const account = await AccountRow.query(knex).findById(id);
  if (!account) throw signInFirst();
  return account;
}
