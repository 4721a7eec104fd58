import { randomUUID } from "node:crypto";
import { classRoutes, DONE } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { insertOnce } from "../database/insert-once.js";
import { changeVersion } from "../database/versioned.js";
import { mount } from "../http/mount.js";
import { notFound, ProblemError } from "../http/problem.js";
import { Classroom, ClassRow, newCode } from "./class.js";
import { slipsIn, standingIn } from "./standing.js";

/** Classes: a teacher makes them, students join by a code, and each says whether the teacher may see the own figures. */
export function classesRoutes(router: Router, knex: Knex): void {
  const room = (accountId: string): Classroom => new Classroom(knex, accountId);

  mount(router, classRoutes.classes, async ({ accountId }) => room(accountId).replies(await room(accountId).all()));

  mount(router, classRoutes.aClass, async ({ accountId, params }) => room(accountId).reply(await room(accountId).entered(params.id)));

  mount(router, classRoutes.addClass, async ({ accountId, body }) => {
    const id = await insertOnce(ClassRow.query(knex), { ...body, id: body.id ?? randomUUID(), teacherId: accountId, code: newCode() });
    return room(accountId).reply(await room(accountId).taught(id));
  });

  mount(router, classRoutes.changeClass, async ({ accountId, params, body }) => {
    const { version, ...patch } = body;
    const change = ClassRow.query(knex)
      .patch({ ...patch, version: version + 1, updatedAt: new Date().toISOString() })
      .where({ id: params.id, teacherId: accountId, version })
      .whereNull("deletedAt")
      .returning("*")
      .first();
    const reply = (row: ClassRow): Promise<unknown> => room(accountId).reply(row);
    return room(accountId).reply(
      await changeVersion(change, patch, { what: "class", find: () => room(accountId).taught(params.id), reply }),
    );
  });

  mount(router, classRoutes.removeClass, async ({ accountId, params }) => {
    const row = await room(accountId).taught(params.id);
    await row.$query(knex).patch({ deletedAt: new Date().toISOString() });
    return DONE;
  });

  mount(router, classRoutes.restoreClass, async ({ accountId, params }) => {
    const row = await room(accountId).taught(params.id, true);
    await row.$query(knex).patch({ deletedAt: null });
    return room(accountId).reply(await room(accountId).taught(params.id));
  });

  membership(router, knex, room);

  mount(router, classRoutes.standing, async ({ accountId, params }) => {
    await room(accountId).taught(params.id);
    return standingIn(knex, params.id, accountId);
  });

  mount(router, classRoutes.slips, async ({ accountId, params }) => {
    await room(accountId).taught(params.id);
    return slipsIn(knex, params.id);
  });
}

/** Joining, sharing and leaving; the teacher groups and removes. */
function membership(router: Router, knex: Knex, room: (accountId: string) => Classroom): void {
  mount(router, classRoutes.joinClass, async ({ accountId, params }) => {
    const row = await ClassRow.query(knex).findOne({ code: params.code.toUpperCase() }).whereNull("deletedAt");
    if (!row) throw new ProblemError(404, "No such class", "No class has this code. Ask your teacher for it again.");
    if (row.teacherId === accountId) throw new ProblemError(409, "Your own class", "You teach this class.");
    await knex("class_members").insert({ classId: row.id, accountId }).onConflict(["class_id", "account_id"]).ignore();
    return room(accountId).reply(row);
  });

  mount(router, classRoutes.share, async ({ accountId, params, body }) => {
    const row = await room(accountId).joined(params.id);
    await knex("class_members").where({ classId: row.id, accountId }).update(body);
    return room(accountId).reply(row);
  });

  mount(router, classRoutes.leaveClass, async ({ accountId, params }) => {
    const row = await room(accountId).joined(params.id);
    await knex("class_members").where({ classId: row.id, accountId }).delete();
    return DONE;
  });

  mount(router, classRoutes.groupMember, async ({ accountId, params, body }) => {
    const row = await room(accountId).taught(params.id);
    const changed = await knex("class_members").where({ classId: row.id, accountId: params.accountId }).update(body);
    if (changed === 0) throw notFound("student in this class");
    return room(accountId).reply(row);
  });

  mount(router, classRoutes.removeMember, async ({ accountId, params }) => {
    const row = await room(accountId).taught(params.id);
    const gone = await knex("class_members").where({ classId: row.id, accountId: params.accountId }).delete();
    if (gone === 0) throw notFound("student in this class");
    return DONE;
  });
}
