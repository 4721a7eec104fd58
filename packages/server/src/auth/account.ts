import type { Account } from "@lodrin/contract";
import type { Knex } from "knex";
import type { Request } from "express";
import { BaseModel } from "../database/base-model.js";
import { signInFirst } from "../http/problem.js";

/** An account's row. */
export class AccountRow extends BaseModel {
  static override readonly tableName = "accounts";
  declare id: string;
  declare email: string;
  declare name: string;
  declare role: Account["role"];
  declare unit: Account["unit"];
  declare look: Account["look"];
  declare passwordHash: string;

  /** What the client may see of the account itself. */
  toReply(): Omit<Account, "notice"> {
    return { id: this.id, email: this.email, name: this.name, role: this.role, unit: this.unit, look: this.look };
  }
}

/** The account that is signed in; a session that outlived it is asked to sign in again. */
export async function signedInAccount(knex: Knex, id: string): Promise<AccountRow> {
  const account = await AccountRow.query(knex).findById(id);
  if (!account) throw signInFirst();
  return account;
}

/** An e-mail as it is kept. */
export const tidyEmail = (email: string): string => email.trim().toLowerCase();

/** Where a call comes from, for counting tries. */
export const addressOf = (request: Request): string => request.ip ?? "unknown";
