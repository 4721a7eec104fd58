import { type Static, Type } from "@sinclair/typebox";
import { closed, Id, IdParams, Moment, Name, Note, OwnId } from "./common.js";
import { route } from "./route.js";
import { StepName } from "./table.js";

const Text = Type.String({ minLength: 1, maxLength: 4_000, pattern: "\\S" });

/** An answer to a question at a step. */
const Answer = Type.Object({ id: Id, by: Name, teacher: Type.Boolean(), text: Note, at: Moment }, closed);

/** A question asked in a class at a step of a system. */
export const Question = Type.Object(
  {
    id: Id,
    classId: Id,
    slug: Type.String(),
    step: StepName,
    by: Name,
    mine: Type.Boolean(),
    text: Note,
    at: Moment,
    answers: Type.Array(Answer),
  },
  closed,
);
export type Question = Static<typeof Question>;

export const questionRoutes = {
  questions: route("GET", "/api/classes/:id/questions", { who: "student", params: IdParams, reply: Type.Array(Question) }),
  ask: route("POST", "/api/classes/:id/questions", {
    who: "student",
    params: IdParams,
    body: Type.Object({ ...OwnId, slug: Type.String({ maxLength: 80 }), step: StepName, text: Text }, closed),
    reply: Question,
  }),
  answer: route("POST", "/api/questions/:id/answers", {
    who: "student",
    params: IdParams,
    body: Type.Object({ ...OwnId, text: Text }, closed),
    reply: Question,
  }),
};
