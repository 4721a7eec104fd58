import { randomUUID } from "node:crypto";
import { classRoutes, DONE } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { Classroom } from "../access/classroom.js";
import type { Attempts } from "../auth/attempts.js";
import { insertOnce } from "../database/insert-once.js";
import { changeVersion } from "../database/versioned.js";
import { mount } from "../http/mount.js";
import { notFound, ProblemError } from "../http/problem.js";
import { ClassRow, newCode } from "./class-row.js";
import { slipsIn, standingIn } from "./standing.js";

/** Classes: a teacher makes them, students join by a code, and each says whether the teacher may see their figures. */
export function classesRoutes(router: Router, knex: Knex, attempts: Attempts): void {
  const room = (accountId: string): Classroom => new Classroom(knex, accountId);

  mount(router, classRoutes.classes, async ({ accountId }) => room(accountId).replies(await room(accountId).all()));

  mount(router, classRoutes.aClass, async ({ accountId, params }) =>
    room(accountId).reply((await room(accountId).requireMember(params.id)).row),
  );

  mount(router, classRoutes.addClass, async ({ accountId, body }) => {
    const id = await insertOnce(ClassRow.query(knex), { ...body, id: body.id ?? randomUUID(), teacherId: accountId, code: newCode() });
    return room(accountId).reply(await room(accountId).requireTeacher(id));
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
      await changeVersion(change, patch, { what: "class", find: () => room(accountId).requireTeacher(params.id), reply }),
    );
  });

  mount(router, classRoutes.removeClass, async ({ accountId, params }) => {
    const row = await room(accountId).requireTeacher(params.id);
    await row.$query(knex).patch({ deletedAt: new Date().toISOString() });
    return DONE;
  });

  mount(router, classRoutes.restoreClass, async ({ accountId, params }) => {
    const row = await room(accountId).requireTeacher(params.id, true);
    await row.$query(knex).patch({ deletedAt: null });
    return room(accountId).reply(await room(accountId).requireTeacher(params.id));
  });

  mount(router, classRoutes.newCode, async ({ accountId, params }) => {
    const row = await room(accountId).requireTeacher(params.id);
    await row.$query(knex).patch({ code: newCode(), codeClosed: false });
    return room(accountId).reply(await room(accountId).requireTeacher(params.id));
  });

  membership(router, knex, room, attempts);

  mount(router, classRoutes.standing, async ({ accountId, params }) => {
    return standingIn(knex, await room(accountId).requireTeacher(params.id), accountId);
  });

  mount(router, classRoutes.slips, async ({ accountId, params }) => {
    return slipsIn(knex, await room(accountId).requireTeacher(params.id), accountId);
  });
}

/** Joining, sharing and leaving; the teacher groups and removes. */
function membership(router: Router, knex: Knex, room: (accountId: string) => Classroom, attempts: Attempts): void {
  mount(router, classRoutes.joinClass, async ({ accountId, params }) => {
    await attempts.classCode(accountId);
    const row = await ClassRow.query(knex).findOne({ code: params.code.toUpperCase() }).whereNull("deletedAt");
    if (!row) throw new ProblemError(404, "No such class", "No class has this code. Ask your teacher for it again.");
    await attempts.rightClassCode(accountId);
    if (row.teacherId === accountId) throw new ProblemError(409, "Your own class", "You teach this class.");
    await knex.transaction((trx) => join(trx, row.id, accountId));
    return room(accountId).reply(row);
  });

  mount(router, classRoutes.share, async ({ accountId, params, body }) => {
    const row = await room(accountId).requireStudent(params.id);
    await knex("class_members").where({ classId: row.id, accountId }).update(body);
    return room(accountId).reply(row);
  });

  mount(router, classRoutes.leaveClass, async ({ accountId, params }) => {
    const row = await room(accountId).requireStudent(params.id);
    await knex("class_members").where({ classId: row.id, accountId }).delete();
    return DONE;
  });

  mount(router, classRoutes.groupMember, async ({ accountId, params, body }) => {
    const row = await room(accountId).requireTeacher(params.id);
    const changed = await knex("class_members").where({ classId: row.id, accountId: params.accountId }).update(body);
    if (changed === 0) throw notFound("student in this class");
    return room(accountId).reply(row);
  });

  mount(router, classRoutes.removeMember, async ({ accountId, params }) => {
    const row = await room(accountId).requireTeacher(params.id);
    const gone = await knex("class_members").where({ classId: row.id, accountId: params.accountId }).delete();
    if (gone === 0) throw notFound("student in this class");
    await knex("class_removals").insert({ classId: row.id, accountId: params.accountId }).onConflict(["class_id", "account_id"]).ignore();
    return DONE;
  });

  mount(router, classRoutes.readmit, async ({ accountId, params }) => {
    const row = await room(accountId).requireTeacher(params.id);
    const removed = await knex("class_removals").where({ classId: row.id, accountId: params.accountId }).delete();
    if (removed === 0) throw notFound("student among those who were removed");
    return room(accountId).reply(row);
  });
}

/** Takes an account into a class, if it may join. Two who come at once for the last place come one after the other. */
async function join(trx: Knex.Transaction, classId: string, accountId: string): Promise<void> {
  const row = await ClassRow.query(trx).findById(classId).forUpdate().throwIfNotFound();
  const of = { classId, accountId };
  if (await trx("class_members").where(of).first<object | undefined>("classId")) return;
  if (await trx("class_removals").where(of).first<object | undefined>("classId"))
    throw new ProblemError(403, "Ask your teacher", "You were removed from this class. Your teacher can let you join again.");
  if (row.codeClosed) throw new ProblemError(403, "Joining is closed", "Nobody can join this class just now. Ask your teacher.");
  const [{ many = "0" } = {}] = (await trx("class_members").where({ classId }).count("* as many")) as { many?: string }[];
  if (row.mostMembers !== null && Number(many) >= row.mostMembers)
    throw new ProblemError(403, "The class is full", "This class takes no more students. Ask your teacher.");
  await trx("class_members").insert(of);
}
