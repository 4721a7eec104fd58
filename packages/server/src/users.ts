// What `./lodrin user` runs: the accounts of the place, from the command line.
import { Role } from "@lodrin/contract";
import type { Knex } from "knex";
import { AccountRow } from "./auth/account.js";
import { note } from "./auth/events.js";
import { hashPassword } from "./auth/password.js";
import { newReset } from "./auth/reset.js";
import { endSessions } from "./auth/session-list.js";
import { connect } from "./database/connect.js";
import { migrate } from "./database/migrate.js";

const USAGE = `./lodrin user list
./lodrin user add E-MAIL "NAME" [student | instructor | owner]   prints a link by which a password is set
./lodrin user role E-MAIL student | instructor | owner
./lodrin user reset-password E-MAIL                              prints a link by which a new password is set, within a day
./lodrin user delete E-MAIL                                      with everything in it, for good`;

/** What is wrong with what was typed, in a sentence. */
class Refused extends Error {}

const ROLES: readonly string[] = Role.anyOf.map((r) => r.const);

function roleOf(text: string | undefined): Role {
  if (text === undefined || !ROLES.includes(text)) throw new Refused(`A role is one of: ${ROLES.join(", ")}.`);
  return text as Role;
}

const withArticle = (role: Role): string => `${role === "student" ? "a" : "an"} ${role}`;

async function find(knex: Knex, email: string | undefined): Promise<AccountRow> {
  const account = await AccountRow.query(knex).findOne({ email: (email ?? "").trim().toLowerCase() });
  if (!account) throw new Refused(`There is no account with the e-mail “${email ?? ""}”. See ./lodrin user list.`);
  return account;
}

/** A link; with `byName` its use locks the account until its holder agrees, as anybody else's help does. */
async function link(knex: Knex, account: AccountRow, byName: string): Promise<string> {
  const { token, until } = await newReset(knex, account.id, byName);
  await note(knex, account.id, "reset-link-made", undefined);
  return `Open this on the address Lodrin is served at, before ${until.slice(0, 16).replace("T", " ")} UTC: /new-password#${token}`;
}

/** Carries out one command; gives what is printed. Throws Refused. */
export async function userCommand(knex: Knex, [verb, email, ...rest]: readonly string[]): Promise<string> {
  switch (verb) {
    case "list": {
      const rows = await AccountRow.query(knex).orderBy(["role", "email"]);
      return rows.map((a) => `${a.role.padEnd(11)} ${a.email.padEnd(34)} ${a.name}`).join("\n") || "Nobody yet.";
    }
    case "add": {
      const [name = "", role = "student"] = rest;
      if (!/^\S+@\S+$/.test(email ?? "") || name.trim() === "") throw new Refused(`Give an e-mail and a name.\n${USAGE}`);
      const given = { email: (email ?? "").trim().toLowerCase(), name: name.trim(), role: roleOf(role) };
      if (await AccountRow.query(knex).findOne({ email: given.email }))
        throw new Refused(`There is an account with the e-mail “${given.email}” already.`);
      // Nobody knows this password: the link sets the first one.
      const passwordHash = await hashPassword(crypto.randomUUID());
      const account = await AccountRow.query(knex).insertAndFetch({ ...given, passwordHash });
      return `${account.name} is ${withArticle(account.role)} here now. ${await link(knex, account, "")}`;
    }
    case "role": {
      const account = await find(knex, email);
      await account.$query(knex).patch({ role: roleOf(rest[0]) });
      await endSessions(knex, account.id);
      await note(knex, account.id, "role-changed", undefined);
      return `${account.name} is ${withArticle(account.role)} now, and signs in again.`;
    }
    case "reset-password":
      return link(knex, await find(knex, email), "whoever runs this Lodrin");
    case "delete": {
      const account = await find(knex, email);
      await endSessions(knex, account.id);
      await account.$query(knex).delete();
      return `${account.name}'s account is deleted, with everything in it.`;
    }
    default:
      throw new Refused(USAGE);
  }
}

/** Runs the command of the process; its exit code is 2 for what was typed wrongly. */
export async function main(url: string, typed: readonly string[]): Promise<void> {
  const knex = connect(url);
  try {
    await migrate(knex);
    process.stdout.write(`${await userCommand(knex, typed)}\n`);
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    process.stderr.write(`${error.message}\n`);
    process.exitCode = 2;
  } finally {
    await knex.destroy();
  }
}
