import { type Account, accountRoutes, type Role } from "@lodrin/contract";
import type { Request, Router } from "express";
import type { Knex } from "knex";
import type { Logger } from "pino";
import { isTaken } from "../database/taken.js";
import { mount } from "../http/mount.js";
import { ProblemError } from "../http/problem.js";
import type { Letter, Mailer } from "../mail/mailer.js";
import { AccountRow, addressOf, tidyEmail } from "./account.js";
import type { Attempts } from "./attempts.js";
import { refuseWeak } from "./common-passwords.js";
import { accountReply } from "./handover.js";
import { hashPassword } from "./password.js";
import { startSession } from "./session.js";
import { digestOf, newToken } from "./token.js";

interface Post {
  readonly knex: Knex;
  readonly log: Logger;
  readonly mailer?: Mailer | undefined;
  readonly address?: string;
  /** An account begins when its e-mail was confirmed by a letter. Without, an e-mail that is taken has to be told, and shows who is here. */
  readonly confirmsEmail?: boolean;
}

type NewAccount = Pick<AccountRow, "email" | "name" | "passwordHash">;

/** How an account begins: at once, or, where letters can be sent, by a link in one. */
export function signUpRoutes(router: Router, { knex, log, mailer, address = "", confirmsEmail = false }: Post, attempts: Attempts): void {
  mount(router, accountRoutes.signUp, async ({ body, request }) => {
    refuseWeak(body.password);
    await attempts.signUp(addressOf(request));
    const email = tidyEmail(body.email);
    const confirming = confirmsEmail && mailer;
    if (!confirming && (await AccountRow.query(knex).findOne({ email }))) throw alreadyHere();
    const wanted = { email, name: body.name.trim(), passwordHash: await hashPassword(body.password) };
    if (confirming) {
      // Not waited for: an account that is here would be known by how long its letter takes.
      if (await attempts.letterTo(email))
        void letterFor(knex, wanted, address)
          .then(mailer)
          .catch((err: unknown) => log.error({ err }, "letter not sent"));
      return { letterSent: true as const };
    }
    return begin(knex, wanted, request);
  });

  mount(router, accountRoutes.confirmSignUp, async ({ body, request }) => {
    const [wanted] = (await knex("sign_ups")
      .where({ tokenDigest: digestOf(body.token) })
      .where("until", ">", knex.fn.now())
      .delete()
      .returning(["email", "name", "passwordHash"])) as NewAccount[];
    if (!wanted)
      throw new ProblemError(410, "Used or too old", "This link was used already, or is older than a day. Make your account again.");
    return begin(knex, wanted, request);
  });
}

/** What is written to whom an account was asked for: the link that begins it, or that there is one already. */
async function letterFor(knex: Knex, wanted: NewAccount, address: string): Promise<Letter> {
  const known = await AccountRow.query(knex).findOne({ email: wanted.email });
  if (known) return alreadyLetter(known, address);
  const { token, until } = newToken();
  await knex("sign_ups").insert({ ...wanted, tokenDigest: digestOf(token), until });
  return beginLetter(wanted, `${address}/welcome#${token}`);
}

/** Makes an account and signs it in. Whoever comes first owns the place; where the demo is loaded it has its people already. */
async function begin(knex: Knex, wanted: NewAccount, request: Request): Promise<Account> {
  const role = knex.raw("case when exists (select 1 from accounts) then 'student' else 'owner' end") as unknown as Role;
  const account = await AccountRow.query(knex)
    .insert({ ...wanted, role })
    .returning("*")
    .catch(takenMeanwhile);
  await startSession(request, account);
  return accountReply(knex, account);
}

const alreadyHere = (): ProblemError => new ProblemError(409, "Already here", "There is an account with this e-mail. Sign in instead.");

/** Two sign-ups at the same moment, or two letters of one e-mail: the second finds it taken. */
function takenMeanwhile(error: unknown): never {
  throw isTaken(error) ? alreadyHere() : error;
}

const beginLetter = ({ email, name }: NewAccount, link: string): Letter => ({
  to: email,
  subject: "Your account at Lodrin",
  text: `Hello ${name},

somebody, most likely you, asked for an account at Lodrin with this e-mail. It begins when you open this link, once and within a day:

${link}

If it was not you, do nothing: there will be no account.
`,
});

const alreadyLetter = ({ email, name }: AccountRow, address: string): Letter => ({
  to: email,
  subject: "Your account at Lodrin",
  text: `Hello ${name},

somebody, most likely you, asked for a new account at Lodrin with this e-mail. You have one already: sign in with it.

${address}/sign-in

There is also a way to a new password, should you have forgotten yours. If it was not you, do nothing: nothing was changed.
`,
});
