import { randomUUID } from "node:crypto";
import { DONE, type Lesson, lessonRoutes } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { Classroom } from "../access/classroom.js";
import { insertOnce } from "../database/insert-once.js";
import { changeVersion, VersionedModel } from "../database/versioned.js";
import { mount } from "../http/mount.js";
import { notFound } from "../http/problem.js";

/** A lesson of a class. */
class LessonRow extends VersionedModel {
  static override readonly tableName = "lessons";
  static override readonly jsonAttributes = ["pages"];
  declare classId: string;
  declare title: string;
  declare place: number;
  declare on: string | null;
  declare minutes: number;
  declare done: boolean;
  declare pages: Lesson["pages"];
  declare deletedAt: string | null;

  toReply(): Lesson {
    const { id, classId, title, place, on, minutes, done, pages, version } = this;
    return { id, classId, title, place, on, minutes, done, pages, version };
  }
}

/** The lessons of a class: everyone in it reads them, its teacher writes them. */
export function lessonsRoutes(router: Router, knex: Knex): void {
  const room = (accountId: string): Classroom => new Classroom(knex, accountId);
  const taught = async (accountId: string, id: string, removed = false): Promise<LessonRow> => {
    const row = await LessonRow.query(knex).findById(id);
    if (!row || (row.deletedAt !== null) !== removed) throw notFound("lesson");
    await room(accountId).requireTeacher(row.classId);
    return row;
  };

  mount(router, lessonRoutes.lessons, async ({ accountId, params }) => {
    await room(accountId).requireMember(params.id);
    const rows = await LessonRow.query(knex).where({ classId: params.id }).whereNull("deletedAt").orderBy(["place", "createdAt"]);
    return rows.map((row) => row.toReply());
  });

  mount(router, lessonRoutes.addLesson, async ({ accountId, params, body }) => {
    await room(accountId).requireTeacher(params.id);
    const id = await insertOnce(LessonRow.query(knex), { ...body, id: body.id ?? randomUUID(), classId: params.id });
    return (await taught(accountId, id)).toReply();
  });

  mount(router, lessonRoutes.changeLesson, async ({ accountId, params, body }) => {
    await taught(accountId, params.id);
    const { version, ...patch } = body;
    const change = LessonRow.query(knex)
      .patch({ ...patch, version: version + 1 })
      .where({ id: params.id, version })
      .whereNull("deletedAt")
      .returning("*")
      .first();
    const now = { what: "lesson", find: () => taught(accountId, params.id), reply: (row: LessonRow) => row.toReply() };
    return (await changeVersion(change, patch, now)).toReply();
  });

  mount(router, lessonRoutes.removeLesson, async ({ accountId, params }) => {
    const row = await taught(accountId, params.id);
    await row.$query(knex).patch({ deletedAt: new Date().toISOString() });
    return DONE;
  });

  mount(router, lessonRoutes.restoreLesson, async ({ accountId, params }) => {
    const row = await taught(accountId, params.id, true);
    await row.$query(knex).patch({ deletedAt: null });
    return (await taught(accountId, params.id)).toReply();
  });
}
