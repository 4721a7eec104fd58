import { accountRoutes, DONE } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import type { Logger } from "pino";
import { mount } from "../http/mount.js";
import { ProblemError } from "../http/problem.js";
import type { Letter, Mailer } from "../mail/mailer.js";
import { AccountRow, addressOf, tidyEmail } from "./account.js";
import type { Attempts } from "./attempts.js";
import { note } from "./events.js";
import { newReset } from "./reset.js";

interface Post {
  readonly knex: Knex;
  readonly log: Logger;
  readonly mailer?: Mailer | undefined;
  readonly address?: string;
}

/** A link by mail for who forgot the password, where the place sends letters. */
export function forgottenRoutes(router: Router, { knex, log, mailer, address = "" }: Post, attempts: Attempts): void {
  const send = async (mailer: Mailer, email: string): Promise<void> => {
    const account = await AccountRow.query(knex).findOne({ email });
    if (!account) return;
    const { token } = await newReset(knex, account.id);
    await mailer(letterTo(account, `${address}/new-password#${token}`));
    await note(knex, account.id, "reset-letter-sent", account.id);
  };

  mount(router, accountRoutes.forgotPassword, async ({ body, request }) => {
    if (!mailer)
      throw new ProblemError(
        409,
        "No letters from here",
        "This place sends no e-mail. Your teacher, or its owner, can make a link for you.",
      );
    const email = tidyEmail(body.email);
    // Not waited for: an account that is here would be known by how long its letter takes.
    if (await attempts.letter(email, addressOf(request)))
      void send(mailer, email).catch((err: unknown) => log.error({ err }, "letter not sent"));
    return DONE;
  });
}

const letterTo = ({ email, name }: AccountRow, link: string): Letter => ({
  to: email,
  subject: "A new password for Lodrin",
  text: `Hello ${name},

somebody, most likely you, asked for a new password for your account. Set it here within a day; the link works once:

${link}

If it was not you, do nothing: your password stays as it is.
`,
});
