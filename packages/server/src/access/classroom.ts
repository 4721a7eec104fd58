import type { ClassMember, SchoolClass } from "@lodrin/contract";
import type { Knex } from "knex";
import type { QueryBuilder } from "objection";
import { isoMoment } from "../database/base-model.js";
import { ClassRow } from "../classes/class-row.js";
import { notFound } from "../http/problem.js";

interface MemberRow {
  readonly classId: string;
  readonly accountId: string;
  readonly name: string;
  readonly group: string;
  readonly shares: boolean;
  readonly joinedAt: Date;
}

/** The class's teacher may teach now: one whose role was taken away has no class any more. SQL over `classes`. */
const TAUGHT_NOW = "exists (select 1 from accounts where accounts.id = classes.teacher_id and accounts.role <> 'student')";

/**
 * The one place that says who may enter which class: its teacher, while she is one, and those who joined it. It is asked of the
 * database each time. A class that is not there and one that is another's look alike: 404.
 */
export class Classroom {
  constructor(
    private readonly knex: Knex,
    private readonly accountId: string,
  ) {}

  /** A class the account teaches. */
  async requireTeacher(id: string, removed = false): Promise<ClassRow> {
    const row = await this.taught().findById(id);
    if (!row || (row.deletedAt !== null) !== removed) throw notFound("class");
    return row;
  }

  /** A class the account teaches or is in, and which of the two. */
  async requireMember(id: string): Promise<{ readonly row: ClassRow; readonly teaches: boolean }> {
    const taught = await this.taught().findById(id).whereNull("deletedAt");
    return taught ? { row: taught, teaches: true } : { row: await this.requireStudent(id), teaches: false };
  }

  /** A class the account is in as a student. */
  async requireStudent(id: string): Promise<ClassRow> {
    const joined = this.knex("class_members").where({ classId: id, accountId: this.accountId }).select("classId");
    const row = await ClassRow.query(this.knex).findById(id).whereIn("id", joined).whereNull("deletedAt");
    if (!row) throw notFound("class");
    return row;
  }

  /** Every class the account teaches or is in. */
  async all(): Promise<ClassRow[]> {
    return ClassRow.query(this.knex)
      .whereNull("deletedAt")
      .where((q) => {
        void q.whereIn("id", this.taught().select("id"));
        void q.orWhereIn("id", this.knex("class_members").where({ accountId: this.accountId }).select("classId"));
      })
      .orderBy("name");
  }

  /** Classes as they are answered: a student sees nobody but themselves in them. */
  async replies(rows: readonly ClassRow[]): Promise<SchoolClass[]> {
    const ids = rows.map((row) => row.id);
    const taught = new Set((await this.taught().findByIds(ids).select("id")).map(({ id }) => id));
    const named = (table: string): Knex.QueryBuilder =>
      this.knex(table)
        .join("accounts", "accounts.id", `${table}.accountId`)
        .whereIn(`${table}.classId`, ids)
        .orderBy("accounts.name")
        .select(`${table}.*`, "accounts.name");
    const members = (await named("class_members")) as MemberRow[];
    const removed = (await named("class_removals")) as Pick<MemberRow, "classId" | "accountId" | "name">[];
    const teachers = (await this.knex("accounts")
      .whereIn(
        "id",
        rows.map((row) => row.teacherId),
      )
      .select("id", "name")) as { id: string; name: string }[];
    return rows.map((row) => {
      const mine = taught.has(row.id);
      const { id, name, term, meets, note, classmatesAnswer, codeClosed, mostMembers, version } = row;
      return {
        ...{ id, name, term, meets, note, classmatesAnswer, codeClosed, mostMembers, version, mine },
        teacher: teachers.find((t) => t.id === row.teacherId)?.name ?? "",
        code: mine ? row.code : "",
        members: members.filter((m) => m.classId === id && (mine || m.accountId === this.accountId)).map(memberReply),
        removed: removed.filter((r) => mine && r.classId === id).map((r) => ({ accountId: r.accountId, name: r.name })),
      };
    });
  }

  async reply(row: ClassRow): Promise<SchoolClass> {
    const [reply] = await this.replies([row]);
    if (!reply) throw notFound("class");
    return reply;
  }

  private taught(): QueryBuilder<ClassRow, ClassRow[]> {
    return ClassRow.query(this.knex).where({ teacherId: this.accountId }).whereRaw(TAUGHT_NOW);
  }
}

/** True when an account is in a class that another teaches. */
export async function isTaughtBy(knex: Knex, accountId: string, teacherId: string): Promise<boolean> {
  const row = await ClassRow.query(knex)
    .where({ teacherId })
    .whereNull("deletedAt")
    .whereRaw(TAUGHT_NOW)
    .whereIn("id", knex("class_members").where({ accountId }).select("classId"))
    .first();
  return row !== undefined;
}

/** The students of a teacher's classes, by id: those whom she may help to a new password. */
export const taughtBy = (knex: Knex, teacherId: string): Knex.QueryBuilder =>
  knex("class_members")
    .whereIn("classId", ClassRow.query(knex).where({ teacherId }).whereNull("deletedAt").whereRaw(TAUGHT_NOW).select("id").toKnexQuery())
    .select("accountId");

const memberReply = ({ accountId, name, group, shares, joinedAt }: MemberRow): ClassMember => ({
  ...{ accountId, name, group, shares },
  joinedAt: isoMoment(joinedAt),
});
