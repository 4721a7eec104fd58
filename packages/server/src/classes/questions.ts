import { randomUUID } from "node:crypto";
import { type Question, questionRoutes } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { Classroom } from "../access/classroom.js";
import type { Attempts } from "../auth/attempts.js";
import { isoMoment } from "../database/base-model.js";
import { PAGE } from "../database/page.js";
import { mount } from "../http/mount.js";
import { mountPaged } from "../http/paged.js";
import { notFound, ProblemError } from "../http/problem.js";
import type { ClassRow } from "./class-row.js";

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

/** A question has no more answers than anyone reads. */
const MOST_ANSWERS = 100;

/** Questions at a step, asked and answered in a class. */
export function questionsRoutes(router: Router, knex: Knex, attempts: Attempts): void {
  const asked = (where: Readonly<Record<string, string>>): Knex.QueryBuilder =>
    knex("questions")
      .join("accounts", "accounts.id", "questions.byId")
      .where(where)
      .orderBy([
        { column: "questions.at", order: "desc" },
        { column: "questions.id", order: "desc" },
      ])
      .select("questions.*", "accounts.name");
  const room = (accountId: string): Classroom => new Classroom(knex, accountId);

  mountPaged(router, questionRoutes.questions, async ({ accountId, params, after }) => {
    const { row } = await room(accountId).requireMember(params.id);
    const query = asked({ "questions.classId": row.id }).limit(PAGE + 1);
    if (after !== undefined)
      void query.whereRaw("(questions.at, questions.id) < (select at, id from questions where id = ? and class_id = ?)", [after, row.id]);
    const rows = (await query) as QuestionRow[];
    return (await replies(knex, row, accountId, rows)).map((item) => ({ key: item.id, item }));
  });

  mount(router, questionRoutes.ask, async ({ accountId, params, body }) => {
    const { row } = await room(accountId).requireMember(params.id);
    await attempts.question(accountId);
    const id = body.id ?? randomUUID();
    await knex("questions")
      .insert({ ...body, id, classId: row.id, byId: accountId })
      .onConflict("id")
      .ignore();
    return first(await replies(knex, row, accountId, (await asked({ "questions.id": id, "questions.classId": row.id })) as QuestionRow[]));
  });

  mount(router, questionRoutes.answer, async ({ accountId, params, body }) => {
    const [question] = (await asked({ "questions.id": params.id })) as QuestionRow[];
    if (!question) throw notFound("question");
    const { row, teaches } = await room(accountId).requireMember(question.classId);
    if (!teaches && !row.classmatesAnswer) throw new ProblemError(403, "Not yours to do", "In this class the teacher answers.");
    await attempts.question(accountId);
    const [{ many = "0" } = {}] = (await knex("answers").where({ questionId: question.id }).count("* as many")) as { many?: string }[];
    if (Number(many) >= MOST_ANSWERS)
      throw new ProblemError(422, "Too many", `This question has ${MOST_ANSWERS} answers already. Ask a new one.`);
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
