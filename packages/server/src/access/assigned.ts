import type { Knex } from "knex";
import { AssignmentRow } from "../classes/assignment-row.js";
import type { ClassRow } from "../classes/class-row.js";
import { HandInRow } from "../classes/hand-in-row.js";
import { recordLook } from "../auth/events.js";
import { notFound } from "../http/problem.js";
import { Classroom } from "./classroom.js";

/** An assignment with its class, and whether the account teaches it. */
export interface Assigned {
  readonly assignment: AssignmentRow;
  readonly klass: ClassRow;
  readonly teaches: boolean;
}

/**
 * The one place that says which assignments and hand-ins an account may see. What somebody else handed in is only given out here,
 * and each look at it is recorded for whose it is: a route cannot forget it. 404 for everyone else.
 */
export class AssignedWork {
  constructor(
    private readonly knex: Knex,
    private readonly accountId: string,
  ) {}

  /** An assignment of a class that the account teaches. */
  async requireTeacher(id: string, removed = false): Promise<Assigned> {
    const assignment = await this.find(id, removed);
    return { assignment, klass: await this.room().requireTeacher(assignment.classId), teaches: true };
  }

  /** An assignment of a class that the account teaches or is in. */
  async requireMember(id: string): Promise<Assigned> {
    const assignment = await this.find(id, false);
    const { row, teaches } = await this.room().requireMember(assignment.classId);
    return { assignment, klass: row, teaches };
  }

  /** An assignment of a class that the account is in as a student. */
  async requireStudent(id: string): Promise<AssignmentRow> {
    const assignment = await this.find(id, false);
    await this.room().requireStudent(assignment.classId);
    return assignment;
  }

  /** What was handed in for an assignment: all of it for its teacher, a student's own. */
  async handIns({ assignment, klass, teaches }: Assigned): Promise<HandInRow[]> {
    const rows = await HandInRow.query(this.knex)
      .where({ assignmentId: assignment.id })
      .modify((q) => void (teaches || q.where({ accountId: this.accountId })))
      .orderBy("handedAt");
    await this.look(rows, assignment, klass);
    return rows;
  }

  /** One's own hand-in, whether or not one is still in its class; or one that was handed in to the account. */
  async handIn(id: string): Promise<HandInRow> {
    const row = await HandInRow.query(this.knex).findById(id);
    if (!row) throw notFound("handed-in draft");
    if (row.accountId === this.accountId) return row;
    await this.handedInTo(row);
    return row;
  }

  /** A hand-in of a class that the account teaches, with its assignment. */
  async handInTaught(id: string): Promise<{ readonly row: HandInRow; readonly assignment: AssignmentRow }> {
    const row = await HandInRow.query(this.knex).findById(id);
    if (!row) throw notFound("handed-in draft");
    return { row, assignment: await this.handedInTo(row) };
  }

  /** A hand-in that the account may talk about: it is still in the class, or teaches it. */
  async handInDiscussed(id: string): Promise<HandInRow> {
    const row = await this.handIn(id);
    await this.requireMember(row.assignmentId);
    return row;
  }

  /** One's own hand-in. */
  async ownHandIn(id: string): Promise<HandInRow> {
    const row = await HandInRow.query(this.knex).findById(id).where({ accountId: this.accountId });
    if (!row) throw notFound("handed-in draft");
    return row;
  }

  private async handedInTo(row: HandInRow): Promise<AssignmentRow> {
    const assignment = await this.find(row.assignmentId, false).catch(() => Promise.reject(notFound("handed-in draft")));
    const klass = await this.room()
      .requireTeacher(assignment.classId)
      .catch(() => Promise.reject(notFound("handed-in draft")));
    await this.look([row], assignment, klass);
    return assignment;
  }

  private async look(rows: readonly HandInRow[], { title }: AssignmentRow, { name }: ClassRow): Promise<void> {
    const about = new Set(rows.map((row) => row.accountId).filter((id) => id !== this.accountId));
    await recordLook(this.knex, { aboutIds: [...about], what: "hand-in-seen", byId: this.accountId, detail: `${title}, ${name}` });
  }

  private async find(id: string, removed: boolean): Promise<AssignmentRow> {
    const row = await AssignmentRow.query(this.knex).findById(id);
    if (!row || (row.deletedAt !== null) !== removed) throw notFound("assignment");
    return row;
  }

  private readonly room = (): Classroom => new Classroom(this.knex, this.accountId);
}
