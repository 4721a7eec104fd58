import { randomUUID } from "node:crypto";
import { type Assignment, assignmentRoutes, DONE } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { insertOnce } from "../database/insert-once.js";
import { changeVersion, VersionedModel } from "../database/versioned.js";
import { mount } from "../http/mount.js";
import { notFound, ProblemError } from "../http/problem.js";
import { type SystemSummary, summariesOf } from "../systems/summary.js";
import { SystemVersionRow } from "../systems/system-version.js";
import { Classroom } from "./class.js";

/** What a class is asked to draft, bound to one version of a system. */
export class AssignmentRow extends VersionedModel {
  static override readonly tableName = "assignments";
  static override readonly jsonAttributes = ["body", "settings", "free", "readings", "rubric"];
  declare classId: string;
  declare systemVersionId: string;
  declare title: string;
  declare text: string;
  declare body: Assignment["body"];
  declare settings: Assignment["settings"];
  declare free: Assignment["free"];
  declare readings: Assignment["readings"];
  declare rubric: Assignment["rubric"];
  declare picture: boolean;
  declare note: boolean;
  declare dueOn: string | null;
  declare toleranceMm: number;
  declare deletedAt: string | null;

  toReply(system: SystemSummary): Assignment {
    const { id, classId, title, text, body, settings, free, readings, rubric, picture, note, dueOn, toleranceMm, version } = this;
    return {
      ...{ id, classId, title, text, body, settings, free, readings, rubric, picture, note, dueOn, toleranceMm, version },
      slug: system.slug,
      systemVersion: system.version,
      systemTitle: system.title,
    };
  }
}

/** An assignment of a class that the account teaches, or with `entered` is in. 404 for all others. */
export async function assignmentOf(
  knex: Knex,
  accountId: string,
  id: string,
  { entered = false, removed = false }: { readonly entered?: boolean; readonly removed?: boolean } = {},
): Promise<AssignmentRow> {
  const row = await AssignmentRow.query(knex).findById(id);
  if (!row || (row.deletedAt !== null) !== removed) throw notFound("assignment");
  const room = new Classroom(knex, accountId);
  await (entered ? room.entered(row.classId) : room.taught(row.classId));
  return row;
}

/** The assignments of a class. */
export function assignmentsRoutes(router: Router, knex: Knex): void {
  const reply = async (row: AssignmentRow): Promise<Assignment> =>
    row.toReply((await summariesOf(knex, [row.systemVersionId]))(row.systemVersionId));

  mount(router, assignmentRoutes.assignments, async ({ accountId, params }) => {
    await new Classroom(knex, accountId).entered(params.id);
    const rows = await AssignmentRow.query(knex).where({ classId: params.id }).whereNull("deletedAt").orderBy(["dueOn", "createdAt"]);
    const of = await summariesOf(
      knex,
      rows.map((row) => row.systemVersionId),
    );
    return rows.map((row) => row.toReply(of(row.systemVersionId)));
  });

  mount(router, assignmentRoutes.addAssignment, async ({ accountId, params, body }) => {
    await new Classroom(knex, accountId).taught(params.id);
    const { slug, systemVersion, ...fields } = body;
    const system = await SystemVersionRow.onShelf(knex, accountId).findOne({ slug, version: systemVersion });
    if (!system) throw notFound("version of the system");
    const id = await insertOnce(AssignmentRow.query(knex), {
      ...fields,
      ...{ id: body.id ?? randomUUID(), classId: params.id, systemVersionId: system.id },
    });
    return reply(await assignmentOf(knex, accountId, id));
  });

  mount(router, assignmentRoutes.changeAssignment, async ({ accountId, params, body }) => {
    const row = await assignmentOf(knex, accountId, params.id);
    const { version, ...patch } = body;
    if (patch.rubric && patch.rubric.length < row.rubric.length && (await handedIn(knex, row.id))) throw marksStand();
    const change = AssignmentRow.query(knex)
      .patch({ ...patch, version: version + 1 })
      .where({ id: params.id, version })
      .whereNull("deletedAt")
      .returning("*")
      .first();
    const now = { what: "assignment", find: () => assignmentOf(knex, accountId, params.id), reply };
    return reply(await changeVersion(change, patch, now));
  });

  mount(router, assignmentRoutes.removeAssignment, async ({ accountId, params }) => {
    const row = await assignmentOf(knex, accountId, params.id);
    await row.$query(knex).patch({ deletedAt: new Date().toISOString() });
    return DONE;
  });

  mount(router, assignmentRoutes.restoreAssignment, async ({ accountId, params }) => {
    const row = await assignmentOf(knex, accountId, params.id, { removed: true });
    await row.$query(knex).patch({ deletedAt: null });
    return reply(await assignmentOf(knex, accountId, params.id));
  });
}

const handedIn = async (knex: Knex, assignmentId: string): Promise<boolean> =>
  (await knex("hand_ins").where({ assignmentId }).first<object | undefined>("id")) !== undefined;

/** Marks are kept point by point. */
const marksStand = (): ProblemError =>
  new ProblemError(422, "Marks stand by it", "Something was handed in already: points may be worded anew or added, not taken out.");
