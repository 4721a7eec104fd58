import { randomUUID } from "node:crypto";
import { isDeepStrictEqual } from "node:util";
import { assignmentRoutes, type Comment, DONE, type HandIn } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { Owned } from "../access/owned.js";
import { note, noteSeen } from "../auth/events.js";
import { BaseModel, isoMoment } from "../database/base-model.js";
import type { DraftRow } from "../drafts/draft.js";
import { newestReadings, plainReading } from "../drafts/table.js";
import { mount } from "../http/mount.js";
import { notFound, ProblemError } from "../http/problem.js";
import { type AssignmentRow, assignmentOf } from "./assignments.js";
import { Classroom } from "./class.js";

/** What was handed in, as it was then. */
class HandInRow extends BaseModel {
  static override readonly tableName = "hand_ins";
  static override readonly jsonAttributes = ["measurements", "settings", "readings", "marksOnPicture", "marks"];
  declare id: string;
  declare assignmentId: string;
  declare accountId: string;
  declare attempt: number;
  declare unit: HandIn["unit"];
  declare personName: string;
  declare measurements: HandIn["measurements"];
  declare settings: HandIn["settings"];
  declare readings: HandIn["readings"];
  declare note: string;
  declare picture: string | null;
  declare marksOnPicture: HandIn["marksOnPicture"];
  declare handedAt: string;
  declare state: HandIn["state"];
  declare marks: HandIn["marks"];
}

/** Handing in, looking through, judging and talking about it. */
export function handInsRoutes(router: Router, knex: Knex): void {
  mount(router, assignmentRoutes.handIns, async ({ accountId, params }) => {
    const assignment = await assignmentOf(knex, accountId, params.id, { entered: true });
    const teaches = await isTeacher(knex, accountId, assignment);
    const rows = await HandInRow.query(knex)
      .where({ assignmentId: params.id })
      .modify((q) => void (teaches || q.where({ accountId })))
      .orderBy("handedAt");
    if (teaches) await noteSeen(knex, [...new Set(rows.map((row) => row.accountId))], "hand-in-seen", accountId);
    return replies(knex, accountId, rows);
  });

  mount(router, assignmentRoutes.handIn, async ({ accountId, params, body }) => {
    const assignment = await assignmentOf(knex, accountId, params.id, { entered: true });
    await new Classroom(knex, accountId).joined(assignment.classId);
    if (body.id !== undefined && (await HandInRow.query(knex).findOne({ id: body.id, accountId })))
      return one(knex, accountId, await found(knex, accountId, body.id));
    const draft = await new Owned(knex, accountId).draft(body.draftId);
    if (draft.systemVersionId !== assignment.systemVersionId)
      throw new ProblemError(422, "Another system", "This draft was not made with the version of the system that was asked for.");
    asAsked(assignment, draft);
    const { unit, personName, measurements, settings } = draft;
    const readings = (await newestReadings(knex, [draft.id])).map(plainReading);
    const id = body.id ?? randomUUID();
    await knex.transaction(async (trx) => {
      // Two at once are two attempts, one behind the other.
      await trx.raw("select pg_advisory_xact_lock(hashtext(?))", [`${assignment.id} ${accountId}`]);
      const [last] = (await trx("hand_ins").where({ assignmentId: assignment.id, accountId }).max("attempt as last")) as {
        last: number | null;
      }[];
      await HandInRow.query(trx).insert({
        ...{
          id,
          assignmentId: assignment.id,
          accountId,
          attempt: (last?.last ?? 0) + 1,
          unit,
          personName,
          measurements,
          settings,
          readings,
        },
        ...{ note: body.note, picture: body.picture, marksOnPicture: body.marksOnPicture, marks: assignment.rubric.map(() => null) },
      });
    });
    return one(knex, accountId, await found(knex, accountId, id));
  });

  mount(router, assignmentRoutes.picture, async ({ accountId, params }) => {
    const { picture } = await found(knex, accountId, params.id);
    if (picture === null) throw notFound("picture");
    return { picture };
  });

  mount(router, assignmentRoutes.judge, async ({ accountId, params, body }) => {
    const row = await found(knex, accountId, params.id);
    await assignmentOf(knex, accountId, row.assignmentId);
    await row.$query(knex).patch(body);
    await note(knex, row.accountId, "hand-in-judged", accountId);
    return one(knex, accountId, await found(knex, accountId, params.id));
  });

  mount(router, assignmentRoutes.takeOut, async ({ accountId, params }) => {
    await assignmentOf(knex, accountId, params.id);
    const rows = await HandInRow.query(knex).where({ assignmentId: params.id }).distinct("accountId");
    await noteSeen(
      knex,
      rows.map((row) => row.accountId),
      "results-taken-out",
      accountId,
    );
    return DONE;
  });

  mount(router, assignmentRoutes.comment, async ({ accountId, params, body }) => {
    const row = await found(knex, accountId, params.id);
    await knex("comments")
      .insert({ id: body.id ?? randomUUID(), handInId: row.id, byId: accountId, place: body.place, text: body.text })
      .onConflict("id")
      .ignore();
    return one(knex, accountId, row);
  });
}

/** Throws a 422 problem where a draft was set otherwise than was asked for, or drawn on another body than was given. */
function asAsked({ body, settings, free }: AssignmentRow, draft: Pick<DraftRow, "measurements" | "settings">): void {
  const set = Object.keys({ ...settings, ...draft.settings }).find((key) => !free.includes(key) && draft.settings[key] !== settings[key]);
  if (set !== undefined)
    throw new ProblemError(
      422,
      "Set otherwise",
      `In this assignment ${set.replace(/_/g, " ")} stays as it was given. Set it back and hand in again.`,
    );
  if (body.kind === "given" && !isDeepStrictEqual(draft.measurements, body.measurements))
    throw new ProblemError(422, "Another body", `This assignment is drawn on ${body.name}. Begin the draft from the assignment.`);
}

async function isTeacher(knex: Knex, accountId: string, { classId }: AssignmentRow): Promise<boolean> {
  const { teacherId } = await new Classroom(knex, accountId).entered(classId);
  return teacherId === accountId;
}

/** What the account handed in, or what was handed in to it. 404 for all others. */
async function found(knex: Knex, accountId: string, id: string): Promise<HandInRow> {
  const row = await HandInRow.query(knex).findById(id);
  if (!row) throw notFound("handed-in draft");
  const assignment = await assignmentOf(knex, accountId, row.assignmentId, { entered: true });
  if (row.accountId !== accountId && !(await isTeacher(knex, accountId, assignment))) throw notFound("handed-in draft");
  return row;
}

async function one(knex: Knex, accountId: string, row: HandInRow): Promise<HandIn> {
  const [reply] = await replies(knex, accountId, [row]);
  if (!reply) throw notFound("handed-in draft");
  return reply;
}

interface CommentRow {
  readonly id: string;
  readonly handInId: string;
  readonly byId: string;
  readonly name: string;
  readonly place: string;
  readonly text: string;
  readonly at: Date;
}

async function replies(knex: Knex, accountId: string, rows: readonly HandInRow[]): Promise<HandIn[]> {
  const names = (await knex("accounts")
    .whereIn(
      "id",
      rows.map((row) => row.accountId),
    )
    .select("id", "name")) as { id: string; name: string }[];
  const comments = (await knex("comments")
    .join("accounts", "accounts.id", "comments.byId")
    .whereIn(
      "comments.handInId",
      rows.map((row) => row.id),
    )
    .orderBy("comments.at")
    .select("comments.*", "accounts.name")) as CommentRow[];
  return rows.map((row) => {
    const { id, assignmentId, attempt, unit, personName, measurements, settings, readings, marksOnPicture, state, marks } = row;
    return {
      ...{
        id,
        assignmentId,
        accountId: row.accountId,
        attempt,
        unit,
        personName,
        measurements,
        settings,
        readings,
        marksOnPicture,
        state,
        marks,
      },
      student: names.find((n) => n.id === row.accountId)?.name ?? "",
      note: row.note,
      picture: row.picture !== null,
      handedAt: isoMoment(row.handedAt),
      comments: comments.filter((c) => c.handInId === id).map((c) => commentReply(c, accountId)),
    };
  });
}

const commentReply = ({ id, byId, name, place, text, at }: CommentRow, accountId: string): Comment => ({
  ...{ id, by: name, mine: byId === accountId, place, text },
  at: isoMoment(at),
});
