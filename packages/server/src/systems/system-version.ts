import type { Audience, SystemCard, SystemSheet, VersionLine } from "@lodrin/contract";
import type { Knex } from "knex";
import type { QueryBuilder } from "objection";
import { BaseModel, isoMoment } from "../database/base-model.js";

/** Published for their author's classes, one of which the account is in. */
const FOR_MY_CLASSES = `system_versions.audience = 'classes' and system_versions.owner_id in (
  select c.teacher_id from classes c join class_members m on m.class_id = c.id where m.account_id = ? and c.deleted_at is null)`;
const DRAFTED_WITH = "system_versions.id in (select system_version_id from drafts where owner_id = ?)";
const ASKED_FOR = `system_versions.id in (
  select a.system_version_id from assignments a join class_members m on m.class_id = a.class_id join classes c on c.id = a.class_id
  where m.account_id = ? and a.deleted_at is null and c.deleted_at is null)`;

/** One published version of a system's notation. Never changed once drafted with. */
export class SystemVersionRow extends BaseModel {
  static override readonly tableName = "system_versions";
  static override readonly jsonAttributes = ["bases", "stepNames", "card"];
  declare id: string;
  declare slug: string;
  declare version: number;
  declare title: string;
  declare garment: string;
  declare notation: string;
  declare bases: Record<string, string>;
  /** The names of its steps; null until they are first needed. */
  declare stepNames: string[] | null;
  /** What its card says, and its pieces as SVG; null until they are first needed. */
  declare card: SystemCard | null;
  declare picture: string | null;
  /** Who published it; null for the library's own, or when the account is gone. */
  declare ownerId: string | null;
  /** What changed in it, in its author's words. */
  declare changeNote: string;
  /** Who may see it; `me` is its owner alone. */
  declare audience: Audience;
  /** Taken off the shelf: drafts made with it keep it. */
  declare withdrawn: boolean;
  declare createdAt: string;

  /** The name of its owner, where it was asked for. */
  declare by: string | null | undefined;

  /** A version with the name of who published it. */
  static withNames(knex: Knex): QueryBuilder<SystemVersionRow, SystemVersionRow[]> {
    return SystemVersionRow.query(knex)
      .leftJoin("accounts", "accounts.id", "systemVersions.ownerId")
      .select("systemVersions.*", "accounts.name as by");
  }

  /** Versions that lie on the shelf for an account; for everyone where none is named. */
  static onShelf(knex: Knex, accountId?: string): QueryBuilder<SystemVersionRow, SystemVersionRow[]> {
    return SystemVersionRow.withNames(knex)
      .where({ withdrawn: false })
      .where((q) => {
        void q.where({ audience: "everyone" });
        if (accountId === undefined) return;
        void q.orWhere({ "systemVersions.ownerId": accountId }).orWhereRaw(FOR_MY_CLASSES, [accountId]);
      });
  }

  /** Any version an account may read: what is on its shelf, what it published, and what it drafts with or is asked to draft with. */
  static readable(knex: Knex, accountId: string): QueryBuilder<SystemVersionRow, SystemVersionRow[]> {
    return SystemVersionRow.withNames(knex).where((q) => {
      void q.where({ audience: "everyone" }).orWhere({ "systemVersions.ownerId": accountId });
      for (const sql of [FOR_MY_CLASSES, DRAFTED_WITH, ASKED_FOR]) void q.orWhereRaw(sql, [accountId]);
    });
  }

  toReply(): SystemSheet {
    const { slug, title, garment, version, notation, bases, by, card } = this;
    return { slug, title, garment, version, by: by ?? "", note: this.changeNote, card, notation, bases };
  }

  toLine(): VersionLine {
    const { version, changeNote, createdAt, withdrawn } = this;
    return { version, note: changeNote, publishedAt: isoMoment(createdAt), withdrawn };
  }
}
