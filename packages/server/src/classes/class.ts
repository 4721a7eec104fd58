import { randomInt } from "node:crypto";
import type { ClassMember, SchoolClass } from "@lodrin/contract";
import type { Knex } from "knex";
import { isoMoment } from "../database/base-model.js";
import { VersionedModel } from "../database/versioned.js";
import { notFound } from "../http/problem.js";

/** A class and who teaches it. */
export class ClassRow extends VersionedModel {
  static override readonly tableName = "classes";
  declare teacherId: string;
  declare name: string;
  declare term: string;
  declare meets: string;
  declare note: string;
  declare code: string;
  declare classmatesAnswer: boolean;
  declare updatedAt: string;
  declare deletedAt: string | null;
}

interface MemberRow {
  readonly classId: string;
  readonly accountId: string;
  readonly name: string;
  readonly group: string;
  readonly shares: boolean;
  readonly joinedAt: Date;
}

/** Signs that are not taken for one another on a blackboard. */
const SIGNS = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789";
const CODE_LENGTH = 7;

/** A code to join a class by. */
export const newCode = (): string => Array.from({ length: CODE_LENGTH }, () => SIGNS[randomInt(SIGNS.length)]).join("");

/**
 * The one place that says who may enter which class: its teacher, and those who joined it. A class that is not there and
 * one that is another's look alike: 404.
 */
export class Classroom {
  constructor(
    private readonly knex: Knex,
    private readonly accountId: string,
  ) {}

  /** A class the account teaches. */
  async taught(id: string, removed = false): Promise<ClassRow> {
    const row = await ClassRow.query(this.knex).findById(id).where({ teacherId: this.accountId });
    if (!row || (row.deletedAt !== null) !== removed) throw notFound("class");
    return row;
  }

  /** A class the account teaches or is in. */
  async entered(id: string): Promise<ClassRow> {
    const row = await ClassRow.query(this.knex).findById(id).whereNull("deletedAt");
    if (!row || (row.teacherId !== this.accountId && !(await this.isIn(id)))) throw notFound("class");
    return row;
  }

  /** A class the account is in as a student. */
  async joined(id: string): Promise<ClassRow> {
    const row = await ClassRow.query(this.knex).findById(id).whereNull("deletedAt");
    if (!row || !(await this.isIn(id))) throw notFound("class");
    return row;
  }

  private async isIn(classId: string): Promise<boolean> {
    return (
      (await this.knex("class_members").where({ classId, accountId: this.accountId }).first<object | undefined>("classId")) !== undefined
    );
  }

  /** Every class the account teaches or is in. */
  async all(): Promise<ClassRow[]> {
    return ClassRow.query(this.knex)
      .whereNull("deletedAt")
      .where((q) => {
        void q.where({ teacherId: this.accountId });
        void q.orWhereIn("id", this.knex("class_members").where({ accountId: this.accountId }).select("classId"));
      })
      .orderBy("name");
  }

  /** Classes as they are answered: a student sees nobody but themselves in them. */
  async replies(rows: readonly ClassRow[]): Promise<SchoolClass[]> {
    const ids = rows.map((row) => row.id);
    const members = (await this.knex("class_members")
      .join("accounts", "accounts.id", "class_members.accountId")
      .whereIn("class_members.classId", ids)
      .orderBy("accounts.name")
      .select("class_members.*", "accounts.name")) as MemberRow[];
    const teachers = (await this.knex("accounts")
      .whereIn(
        "id",
        rows.map((row) => row.teacherId),
      )
      .select("id", "name")) as { id: string; name: string }[];
    return rows.map((row) => {
      const mine = row.teacherId === this.accountId;
      const { id, name, term, meets, note, classmatesAnswer, version } = row;
      return {
        ...{ id, name, term, meets, note, classmatesAnswer, version, mine },
        teacher: teachers.find((t) => t.id === row.teacherId)?.name ?? "",
        code: mine ? row.code : "",
        members: members.filter((m) => m.classId === id && (mine || m.accountId === this.accountId)).map(memberReply),
      };
    });
  }

  async reply(row: ClassRow): Promise<SchoolClass> {
    const [reply] = await this.replies([row]);
    if (!reply) throw notFound("class");
    return reply;
  }
}

const memberReply = ({ accountId, name, group, shares, joinedAt }: MemberRow): ClassMember => ({
  ...{ accountId, name, group, shares },
  joinedAt: isoMoment(joinedAt),
});
