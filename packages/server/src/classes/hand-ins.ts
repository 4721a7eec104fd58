import { randomUUID } from "node:crypto";
import { assignmentRoutes, type BodyOf, type Comment, DONE, type HandIn, type OwnHandIn } from "@lodrin/contract";
import { parseTape, type HomeUnit } from "@lodrin/core";
import type { Router } from "express";
import type { Knex } from "knex";
import { AssignedWork } from "../access/assigned.js";
import { Owned } from "../access/owned.js";
import { note, recordLook } from "../auth/events.js";
import { isoMoment } from "../database/base-model.js";
import { PAGE } from "../database/page.js";
import { isTaken } from "../database/taken.js";
import type { DraftRow } from "../drafts/draft.js";
import { newestReadings, plainReading } from "../drafts/table.js";
import { mount } from "../http/mount.js";
import { mountPaged } from "../http/paged.js";
import { notFound, ProblemError } from "../http/problem.js";
import type { AssignmentRow } from "./assignment-row.js";
import { eraseHandIns, HAS_RESULT } from "./erase-hand-ins.js";
import { HandInRow } from "./hand-in-row.js";
import { cleanPicture } from "./picture.js";

/** Nobody needs more tries at one assignment, nor says more about one. */
const MOST_ATTEMPTS = 30;
const MOST_COMMENTS = 300;

/** Handing in, looking through, judging and talking about it. */
export function handInsRoutes(router: Router, knex: Knex): void {
  const access = (accountId: string): AssignedWork => new AssignedWork(knex, accountId);

  mount(router, assignmentRoutes.handIns, async ({ accountId, params }) =>
    replies(knex, accountId, await access(accountId).handIns(await access(accountId).requireMember(params.id))),
  );

  mount(router, assignmentRoutes.aHandIn, async ({ accountId, params }) => one(knex, accountId, await access(accountId).handIn(params.id)));

  mountPaged(router, assignmentRoutes.ownHandIns, async ({ accountId, after }) => ownHandIns(knex, accountId, after));

  mount(router, assignmentRoutes.handIn, async ({ accountId, params, body }) => {
    const assignment = await access(accountId).requireStudent(params.id);
    const known = body.id === undefined ? undefined : await HandInRow.query(knex).findById(body.id);
    // Sent again because its answer was lost; another's id is nobody's to take.
    if (known) return one(knex, accountId, await access(accountId).ownHandIn(known.id));
    const draft = await new Owned(knex, accountId).draft(body.draftId);
    if (draft.systemVersionId !== assignment.systemVersionId)
      throw new ProblemError(422, "Another system", "This draft was not made with the version of the system that was asked for.");
    asAsked(assignment, draft);
    const id = await handIn(knex, assignment, draft, body);
    return one(knex, accountId, await access(accountId).ownHandIn(id));
  });

  mount(router, assignmentRoutes.withdraw, async ({ accountId, params }) => {
    const { id } = await access(accountId).ownHandIn(params.id);
    await knex.transaction((trx) => eraseHandIns(trx, { id }));
    return DONE;
  });

  mount(router, assignmentRoutes.picture, async ({ accountId, params }) => {
    const { picture } = await access(accountId).handIn(params.id);
    if (picture === null) throw notFound("picture");
    return { picture };
  });

  mount(router, assignmentRoutes.judge, async ({ accountId, params, body }) => {
    const { row, assignment } = await access(accountId).handInTaught(params.id);
    if (body.marks) withinRubric(assignment, body.marks);
    if (Object.keys(body).length > 0) await row.$query(knex).patch(body);
    await note(knex, row.accountId, "hand-in-judged", accountId, assignment.title);
    return one(knex, accountId, row);
  });

  mount(router, assignmentRoutes.takeOut, async ({ accountId, params }) => {
    const { assignment, klass } = await access(accountId).requireTeacher(params.id);
    const rows = await HandInRow.query(knex).where({ assignmentId: params.id }).distinct("accountId");
    const aboutIds = rows.map((row) => row.accountId);
    await recordLook(knex, { aboutIds, what: "results-taken-out", byId: accountId, detail: `${assignment.title}, ${klass.name}` });
    return DONE;
  });

  mount(router, assignmentRoutes.comment, async ({ accountId, params, body }) => {
    const row = await access(accountId).handInDiscussed(params.id);
    const [{ many = "0" } = {}] = (await knex("comments").where({ handInId: row.id }).count("* as many")) as { many?: string }[];
    if (Number(many) >= MOST_COMMENTS) throw tooMany(`There are ${MOST_COMMENTS} comments on this already. Talk about it in class.`);
    await knex("comments")
      .insert({ id: body.id ?? randomUUID(), handInId: row.id, byId: accountId, place: body.place, text: body.text })
      .onConflict("id")
      .ignore();
    return one(knex, accountId, row);
  });
}

const tooMany = (why: string): ProblemError => new ProblemError(422, "Too many", why);

/** Keeps a draft as it is now, as the student's next attempt; gives its id. */
async function handIn(
  knex: Knex,
  assignment: AssignmentRow,
  draft: DraftRow,
  body: BodyOf<typeof assignmentRoutes.handIn>,
): Promise<string> {
  if (body.picture !== null && !assignment.picture)
    throw new ProblemError(422, "No picture is needed", "This assignment does not ask for a picture. Hand in without one.");
  const picture = body.picture === null ? null : await cleanPicture(body.picture);
  const { ownerId: accountId, personId, unit, personName, measurements, settings } = draft;
  const readings = (await newestReadings(knex, [draft.id])).map(plainReading);
  const id = body.id ?? randomUUID();
  await knex.transaction(async (trx) => {
    // Two at once are two attempts, one behind the other.
    await trx.raw("select pg_advisory_xact_lock(hashtext(?))", [`${assignment.id} ${accountId}`]);
    const [{ last } = { last: null }] = (await trx("hand_ins")
      .where({ assignmentId: assignment.id, accountId })
      .max("attempt as last")) as {
      last: number | null;
    }[];
    const attempt = (last ?? 0) + 1;
    if (attempt > MOST_ATTEMPTS)
      throw tooMany(`You have handed this in ${MOST_ATTEMPTS} times. Ask your teacher before you hand it in again.`);
    await HandInRow.query(trx)
      .insert({
        ...{ id, assignmentId: assignment.id, accountId, personId, attempt, unit, personName, measurements, settings, readings, picture },
        ...{ note: body.note, marksOnPicture: body.marksOnPicture, marks: assignment.rubric.map(() => null) },
      })
      .catch((error: unknown) => Promise.reject(isTaken(error) ? notFound("handed-in draft") : (error as Error)));
  });
  return id;
}

/** Throws a 422 problem where a draft was set otherwise than was asked for, or drawn on another body than was given. */
function asAsked({ body, settings, free }: AssignmentRow, draft: Pick<DraftRow, "measurements" | "settings" | "unit">): void {
  const keys = Object.keys({ ...settings, ...draft.settings }).filter((key) => !free.includes(key));
  // A setting without a unit is in its system's, here and there.
  const set = keys.find((key) => !sameFigure(draft.settings[key], "in", settings[key], "in"));
  if (set !== undefined)
    throw new ProblemError(
      422,
      "Set otherwise",
      `In this assignment ${set.replace(/_/g, " ")} stays as it was given. Set it back and hand in again.`,
    );
  if (body.kind === "own") return;
  const names = Object.keys({ ...body.measurements, ...draft.measurements });
  const other = names.find((key) => !sameFigure(draft.measurements[key], draft.unit, body.measurements[key], body.unit));
  if (other !== undefined)
    throw new ProblemError(422, "Another body", `This assignment is drawn on ${body.name}. Begin the draft from the assignment.`);
}

/** Nearer than this two figures are the same length, written in two units (mm). */
const SAME_MM = 0.05;

/** True for two figures of the same length, however each is written: 16 in is 40.64 cm, and 40 in is not 40 cm. */
function sameFigure(one: string | undefined, oneUnit: HomeUnit, other: string | undefined, otherUnit: HomeUnit): boolean {
  if (one === undefined || other === undefined) return one === other;
  const [a, b] = [parseTape(one, oneUnit), parseTape(other, otherUnit)];
  return a.ok && b.ok ? Math.abs(a.mm - b.mm) < SAME_MM : one === other;
}

/** Throws a 422 problem for marks that the rubric does not have. */
function withinRubric({ rubric }: AssignmentRow, marks: HandIn["marks"]): void {
  if (marks.length !== rubric.length || marks.some((mark, i) => (mark ?? 0) > (rubric[i]?.marks ?? 0)))
    throw new ProblemError(
      422,
      "Not in the rubric",
      "These marks are more than the rubric gives, or for other points. Open the hand-in again.",
    );
}

async function one(knex: Knex, accountId: string, row: HandInRow): Promise<HandIn> {
  const [reply] = await replies(knex, accountId, [row]);
  if (!reply) throw notFound("handed-in draft");
  return reply;
}

interface OwnRow extends Omit<OwnHandIn, "handedAt" | "erasedAt"> {
  readonly handedAt: Date;
  readonly erasedAt: Date | null;
}

const OWN = `
  select h.id, h.assignment_id as "assignmentId", h.attempt, h.person_name as "personName", h.picture is not null as picture,
    h.handed_at as "handedAt", h.state, h.erased_at as "erasedAt", a.title, c.id as "classId", c.name as "className",
    a.deleted_at is null and c.deleted_at is null and m.account_id is not null as open,
    ${HAS_RESULT} as marked
  from hand_ins h join assignments a on a.id = h.assignment_id join classes c on c.id = a.class_id
    left join class_members m on m.class_id = c.id and m.account_id = h.account_id
  where h.account_id = :me
    and (:after::uuid is null or (h.handed_at, h.id) < (select handed_at, id from hand_ins where id = :after::uuid and account_id = :me))
  order by h.handed_at desc, h.id desc limit ${PAGE + 1}`;

async function ownHandIns(knex: Knex, accountId: string, after: string | undefined): Promise<{ key: string; item: OwnHandIn }[]> {
  const { rows } = (await knex.raw(OWN, { me: accountId, after: after ?? null })) as { rows: OwnRow[] };
  return rows.map(({ handedAt, erasedAt, ...row }) => ({
    key: row.id,
    item: { ...row, handedAt: isoMoment(handedAt), erasedAt: erasedAt && isoMoment(erasedAt) },
  }));
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
      ...{ id, assignmentId, accountId: row.accountId, attempt, unit, personName },
      ...{ measurements, settings, readings, marksOnPicture, state, marks },
      student: names.find((n) => n.id === row.accountId)?.name ?? "",
      note: row.note,
      picture: row.picture !== null,
      handedAt: isoMoment(row.handedAt),
      erasedAt: row.erasedAt === null ? null : isoMoment(row.erasedAt),
      comments: comments.filter((c) => c.handInId === id).map((c) => commentReply(c, accountId)),
    };
  });
}

const commentReply = ({ id, byId, name, place, text, at }: CommentRow, accountId: string): Comment => ({
  ...{ id, by: name, mine: byId === accountId, place, text },
  at: isoMoment(at),
});
