import type { SystemSheet } from "@lodrin/contract";
import type { Knex } from "knex";
import type { QueryBuilder } from "objection";
import { BaseModel } from "../database/base-model.js";

/** One published version of a system's notation. Never changed once drafted with. */
export class SystemVersionRow extends BaseModel {
  static override readonly tableName = "system_versions";
  static override readonly jsonAttributes = ["bases"];
  declare id: string;
  declare slug: string;
  declare version: number;
  declare title: string;
  declare garment: string;
  declare notation: string;
  declare bases: Record<string, string>;
  /** Who published it; null for the library's own, or when the account is gone. */
  declare ownerId: string | null;
  /** What changed in it, in its author's words. */
  declare changeNote: string;

  /** The name of its owner, where it was asked for. */
  declare by: string | null | undefined;

  /** A version with the name of who published it. */
  static withNames(knex: Knex): QueryBuilder<SystemVersionRow, SystemVersionRow[]> {
    return SystemVersionRow.query(knex)
      .leftJoin("accounts", "accounts.id", "systemVersions.ownerId")
      .select("systemVersions.*", "accounts.name as by");
  }

  toReply(): SystemSheet {
    const { slug, title, garment, version, notation, bases, by } = this;
    return { slug, title, garment, version, by: by ?? "", notation, bases };
  }
}
