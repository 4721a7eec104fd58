import { randomUUID } from "node:crypto";
import { type Question, questionRoutes } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { isoMoment } from "../database/base-model.js";
import { mount } from "../http/mount.js";
import { notFound, ProblemError } from "../http/problem.js";
import { Classroom, type ClassRow } from "./class.js";

interface QuestionRow {
  readonly id: string;
  readonly classId: string;
  readonly byId: string;
  readonly name: string;
  readonly slug: string;
  readonly step: string;
  readonly text: string;
  readonly at: Date;
}

interface AnswerRow {
  readonly id: string;
  readonly questionId: string;
  readonly byId: string;
  readonly name: string;
  readonly text: string;
  readonly at: Date;
}

/** Questions at a step, asked and answered in a class. */
export function questionsRoutes(router: Router, knex: Knex): void {
  const asked = (where: Readonly<Record<string, string>>): Promise<QuestionRow[]> =>
    knex("questions")
      .join("accounts", "accounts.id", "questions.byId")
      .where(where)
      .orderBy("questions.at")
      .select("questions.*", "accounts.name") as unknown as Promise<QuestionRow[]>;

  mount(router, questionRoutes.questions, async ({ accountId, params }) => {
    const row = await new Classroom(knex, accountId).entered(params.id);
    return replies(knex, row, accountId, await asked({ "questions.classId": row.id }));
  });

  mount(router, questionRoutes.ask, async ({ accountId, params, body }) => {
    const row = await new Classroom(knex, accountId).entered(params.id);
    const id = body.id ?? randomUUID();
    await knex("questions")
      .insert({ ...body, id, classId: row.id, byId: accountId })
      .onConflict("id")
      .ignore();
    return first(await replies(knex, row, accountId, await asked({ "questions.id": id, "questions.classId": row.id })));
  });

  mount(router, questionRoutes.answer, async ({ accountId, params, body }) => {
    const [question] = await asked({ "questions.id": params.id });
    if (!question) throw notFound("question");
    const row = await new Classroom(knex, accountId).entered(question.classId);
    if (row.teacherId !== accountId && !row.classmatesAnswer)
      throw new ProblemError(403, "Not yours to do", "In this class the teacher answers.");
    await knex("answers")
      .insert({ id: body.id ?? randomUUID(), questionId: question.id, byId: accountId, text: body.text })
      .onConflict("id")
      .ignore();
    return first(await replies(knex, row, accountId, [question]));
  });
}

function first(list: readonly Question[]): Question {
  const [question] = list;
  if (!question) throw notFound("question");
  return question;
}

async function replies(knex: Knex, { teacherId }: ClassRow, accountId: string, rows: readonly QuestionRow[]): Promise<Question[]> {
  const answers = (await knex("answers")
    .join("accounts", "accounts.id", "answers.byId")
    .whereIn(
      "answers.questionId",
      rows.map((row) => row.id),
    )
    .orderBy("answers.at")
    .select("answers.*", "accounts.name")) as AnswerRow[];
  return rows.map(({ id, classId, byId, name, slug, step, text, at }) => ({
    ...{ id, classId, slug, step, text, by: name, mine: byId === accountId },
    at: isoMoment(at),
    answers: answers
      .filter((a) => a.questionId === id)
      .map((a) => ({ id: a.id, by: a.name, teacher: a.byId === teacherId, text: a.text, at: isoMoment(a.at) })),
  }));
}
