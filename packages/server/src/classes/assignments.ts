import { randomUUID } from "node:crypto";
import { type Assignment, assignmentRoutes, DONE } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { AssignedWork } from "../access/assigned.js";
import { Classroom } from "../access/classroom.js";
import { insertOnce } from "../database/insert-once.js";
import { changeVersion } from "../database/versioned.js";
import { mount } from "../http/mount.js";
import { notFound, ProblemError } from "../http/problem.js";
import { summariesOf } from "../systems/summary.js";
import { SystemVersionRow } from "../systems/system-version.js";
import { AssignmentRow } from "./assignment-row.js";

/** The assignments of a class. */
export function assignmentsRoutes(router: Router, knex: Knex): void {
  const reply = async (row: AssignmentRow): Promise<Assignment> =>
    row.toReply((await summariesOf(knex, [row.systemVersionId]))(row.systemVersionId));
  const taught = async (accountId: string, id: string, removed = false): Promise<AssignmentRow> =>
    (await new AssignedWork(knex, accountId).requireTeacher(id, removed)).assignment;

  mount(router, assignmentRoutes.assignments, async ({ accountId, params }) => {
    await new Classroom(knex, accountId).requireMember(params.id);
    const rows = await AssignmentRow.query(knex).where({ classId: params.id }).whereNull("deletedAt").orderBy(["dueOn", "createdAt"]);
    const of = await summariesOf(
      knex,
      rows.map((row) => row.systemVersionId),
    );
    return rows.map((row) => row.toReply(of(row.systemVersionId)));
  });

  mount(router, assignmentRoutes.addAssignment, async ({ accountId, params, body }) => {
    await new Classroom(knex, accountId).requireTeacher(params.id);
    const { slug, systemVersion, ...fields } = body;
    const system = await SystemVersionRow.onShelf(knex, accountId).findOne({ slug, version: systemVersion });
    if (!system) throw notFound("version of the system");
    const id = await insertOnce(AssignmentRow.query(knex), {
      ...fields,
      ...{ id: body.id ?? randomUUID(), classId: params.id, systemVersionId: system.id },
    });
    return reply(await taught(accountId, id));
  });

  mount(router, assignmentRoutes.changeAssignment, async ({ accountId, params, body }) => {
    const row = await taught(accountId, params.id);
    const { version, ...patch } = body;
    if (patch.rubric && (await handedIn(knex, row.id)) && !keepsMarks(row.rubric, patch.rubric)) throw marksGiven();
    const change = AssignmentRow.query(knex)
      .patch({ ...patch, version: version + 1 })
      .where({ id: params.id, version })
      .whereNull("deletedAt")
      .returning("*")
      .first();
    const now = { what: "assignment", find: () => taught(accountId, params.id), reply };
    return reply(await changeVersion(change, patch, now));
  });

  mount(router, assignmentRoutes.removeAssignment, async ({ accountId, params }) => {
    const row = await taught(accountId, params.id);
    await row.$query(knex).patch({ deletedAt: new Date().toISOString() });
    return DONE;
  });

  mount(router, assignmentRoutes.restoreAssignment, async ({ accountId, params }) => {
    const row = await taught(accountId, params.id, true);
    await row.$query(knex).patch({ deletedAt: null });
    return reply(await taught(accountId, params.id));
  });
}

const handedIn = async (knex: Knex, assignmentId: string): Promise<boolean> =>
  (await knex("hand_ins").where({ assignmentId }).first<object | undefined>("id")) !== undefined;

/** Marks are kept point by point: no point goes, and none gets worth less than may have been given for it. */
const keepsMarks = (before: Assignment["rubric"], after: Assignment["rubric"]): boolean =>
  before.every((point, i) => (after[i]?.marks ?? -1) >= point.marks);

const marksGiven = (): ProblemError =>
  new ProblemError(
    422,
    "Work was handed in",
    "Something was handed in already: points can be reworded, added or made worth more, but not removed or made worth less.",
  );
