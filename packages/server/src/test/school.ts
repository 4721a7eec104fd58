import { randomUUID } from "node:crypto";
import type { Knex } from "knex";

/** A class, and what is in it, by id. */
export interface School {
  readonly klass: string;
  readonly lesson: string;
  readonly assignment: string;
  readonly handIn: string;
  readonly question: string;
}

/** The code of a class that is made here. */
export const codeOf = (klass: string): string => klass.slice(0, 8).toUpperCase();

/** A class of the account's own with a lesson, an assignment that a stranger handed something in to, and a question. */
export async function schoolOf(knex: Knex, slug: string, teacherId: string): Promise<School> {
  const [klass, lesson, assignment, handIn, question] = Array.from({ length: 5 }, () => randomUUID()) as [
    string,
    string,
    string,
    string,
    string,
  ];
  const version = await knex("system_versions").where({ slug }).first<{ id: string }>("id");
  const student = await knex("accounts").whereNot({ id: teacherId }).first<{ id: string }>("id");
  await knex("classes").insert({ id: klass, teacherId, name: "Mine", code: codeOf(klass) });
  await knex("class_members").insert({ classId: klass, accountId: student.id });
  await knex("lessons").insert({ id: lesson, classId: klass, title: "One", pages: "[]" });
  const empty = { body: '{"kind":"own"}', settings: "{}", free: "[]", readings: "[]", rubric: "[]" };
  await knex("assignments").insert({
    id: assignment,
    classId: klass,
    title: "Draft it",
    systemVersionId: version.id,
    toleranceMm: 3,
    ...empty,
  });
  const handed = { measurements: "{}", settings: "{}", readings: "[]", marksOnPicture: "[]", picture: "data:image/jpeg;base64,AA==" };
  await knex("hand_ins").insert({ id: handIn, assignmentId: assignment, accountId: student.id, attempt: 1, unit: "cm", ...handed });
  await knex("questions").insert({ id: question, classId: klass, byId: student.id, slug, step: "#4", text: "Why?" });
  return { klass, lesson, assignment, handIn, question };
}
