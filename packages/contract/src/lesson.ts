import { type Static, Type } from "@sinclair/typebox";
import { closed, Day, Done, Id, IdParams, Name, OwnId, Version } from "./common.js";
import { route } from "./route.js";
import { StepName } from "./table.js";

const Words = Type.String({ maxLength: 20_000 });

/** A page of a lesson. Texts are Markdown. */
export const LessonPage = Type.Union([
  Type.Object({ kind: Type.Literal("text"), text: Words }, closed),
  /** A system to draw, or the steps of it from one to another. */
  Type.Object(
    {
      kind: Type.Literal("steps"),
      slug: Type.String({ maxLength: 80 }),
      from: Type.Union([StepName, Type.Null()]),
      to: Type.Union([StepName, Type.Null()]),
      text: Words,
    },
    closed,
  ),
  /** Words of the trade, by what they are called in the glossary. */
  Type.Object({ kind: Type.Literal("words"), words: Type.Array(Name, { maxItems: 60 }) }, closed),
  Type.Object({ kind: Type.Literal("materials"), text: Words }, closed),
  Type.Object({ kind: Type.Literal("caution"), text: Words }, closed),
]);
export type LessonPage = Static<typeof LessonPage>;

/** A lesson of a class: its pages in order, when it is held and how long it is expected to take. */
export const Lesson = Type.Object(
  {
    id: Id,
    classId: Id,
    title: Name,
    /** Its place among the lessons of the class. */
    place: Type.Integer({ minimum: 0, maximum: 1_000 }),
    on: Type.Union([Day, Type.Null()]),
    minutes: Type.Integer({ minimum: 0, maximum: 6_000 }),
    done: Type.Boolean(),
    pages: Type.Array(LessonPage, { maxItems: 60 }),
    version: Version,
  },
  closed,
);
export type Lesson = Static<typeof Lesson>;

const Kept = Type.Pick(Lesson, ["title", "place", "on", "minutes", "done", "pages"]);

export const lessonRoutes = {
  lessons: route("GET", "/api/classes/:id/lessons", { who: "student", params: IdParams, reply: Type.Array(Lesson) }),
  addLesson: route("POST", "/api/classes/:id/lessons", {
    who: "instructor",
    params: IdParams,
    body: Type.Object({ ...OwnId, ...Kept.properties }, closed),
    reply: Lesson,
  }),
  changeLesson: route("PATCH", "/api/lessons/:id", {
    who: "instructor",
    params: IdParams,
    body: Type.Composite([Type.Object({ version: Version }), Type.Partial(Kept)], closed),
    reply: Lesson,
  }),
  removeLesson: route("DELETE", "/api/lessons/:id", { who: "instructor", params: IdParams, reply: Done }),
  restoreLesson: route("POST", "/api/lessons/:id/restore", { who: "instructor", params: IdParams, reply: Lesson }),
};
