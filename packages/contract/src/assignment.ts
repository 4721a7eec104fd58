import { type Static, Type } from "@sinclair/typebox";
import { closed, Day, Done, Id, IdParams, Moment, Name, Note, OwnId, Unit, Version, Written } from "./common.js";
import { Settings } from "./draft.js";
import { route } from "./route.js";
import { HandReading } from "./table.js";

const Key = Type.String({ pattern: "^[a-z_][a-zA-Z0-9_]{0,59}$" });

/** Whose body an assignment is drafted on: each student's own, or one that is given to all. */
const AssignedBody = Type.Union([
  Type.Object({ kind: Type.Literal("own") }, closed),
  Type.Object({ kind: Type.Literal("given"), name: Name, unit: Unit, measurements: Written }, closed),
]);

/** A point of a rubric: what is looked at, and how many marks it may earn. */
const RubricPoint = Type.Object({ text: Name, marks: Type.Integer({ minimum: 1, maximum: 100 }) }, closed);

/** What a class is asked to draft and to hand in. */
export const Assignment = Type.Object(
  {
    id: Id,
    classId: Id,
    title: Name,
    text: Note,
    slug: Type.String({ maxLength: 80 }),
    systemVersion: Version,
    systemTitle: Type.String(),
    body: AssignedBody,
    /** Settings and choices as they are given; those in `free` are the student's to choose. */
    settings: Settings,
    free: Type.Array(Key, { maxItems: 200 }),
    /** What is handed in beside the run. */
    readings: Type.Array(Type.String({ minLength: 1, maxLength: 120 }), { maxItems: 60 }),
    picture: Type.Boolean(),
    note: Type.Boolean(),
    dueOn: Type.Union([Day, Type.Null()]),
    toleranceMm: Type.Number({ minimum: 0.5, maximum: 50 }),
    rubric: Type.Array(RubricPoint, { maxItems: 40 }),
    version: Version,
  },
  closed,
);
export type Assignment = Static<typeof Assignment>;

const Kept = Type.Omit(Assignment, ["id", "classId", "systemTitle", "version"]);

/** A word of teacher or student on a handed-in draft, pinned to a step, a point or an edge where it is about one. */
export const Comment = Type.Object({ id: Id, by: Name, mine: Type.Boolean(), place: Type.String(), text: Note, at: Moment }, closed);
export type Comment = Static<typeof Comment>;

/**
 * A place marked on a picture of the paper: which point of the draft, where in the picture (pixels), and whether the student is
 * sure that the point is right: from those the perspective is found.
 */
const PictureMark = Type.Object(
  { point: Type.String({ maxLength: 80 }), x: Type.Number(), y: Type.Number(), sure: Type.Boolean() },
  closed,
);

/** What was handed in, as it was then: it never changes; handing in again makes the next attempt. */
export const HandIn = Type.Object(
  {
    id: Id,
    assignmentId: Id,
    accountId: Id,
    student: Name,
    attempt: Type.Integer({ minimum: 1 }),
    unit: Unit,
    personName: Type.String(),
    measurements: Written,
    settings: Settings,
    readings: Type.Array(HandReading),
    note: Note,
    /** Whether there is a picture, and what is marked on it. */
    picture: Type.Boolean(),
    marksOnPicture: Type.Array(PictureMark),
    handedAt: Moment,
    state: Type.Union([Type.Literal("handed"), Type.Literal("seen"), Type.Literal("returned"), Type.Literal("done")]),
    /** When its body was erased: what is left is that it was handed in, and its marks. */
    erasedAt: Type.Union([Moment, Type.Null()]),
    /** Marks given, one a point of the rubric; null where none is given yet. */
    marks: Type.Array(Type.Union([Type.Integer({ minimum: 0, maximum: 100 }), Type.Null()])),
    comments: Type.Array(Comment),
  },
  closed,
);
export type HandIn = Static<typeof HandIn>;

/** What a class asks of an account: of a student to hand in, of its teacher to look through. Nothing of what was handed in. */
export const Ask = Type.Object(
  {
    ...Type.Pick(Assignment, ["id", "classId", "title", "dueOn"]).properties,
    className: Name,
    /** Whether the account teaches the class. */
    mine: Type.Boolean(),
    /** How many handed in what their teacher has not looked at. */
    fresh: Type.Integer({ minimum: 0 }),
    /** How the account's own last attempt stands; null where there is none. */
    last: Type.Union([HandIn.properties.state, Type.Null()]),
  },
  closed,
);
export type Ask = Static<typeof Ask>;

/** What an account handed in, wherever it was and whether it is still in that class. */
export const OwnHandIn = Type.Object(
  {
    ...Type.Pick(HandIn, ["id", "assignmentId", "attempt", "personName", "picture", "handedAt", "state", "erasedAt"]).properties,
    title: Name,
    classId: Id,
    className: Name,
    /** Whether the account is still in the class, and the assignment is still there. */
    open: Type.Boolean(),
    /** Whether marks were given: withdrawn, an unnamed mark stays with the teacher. */
    marked: Type.Boolean(),
  },
  closed,
);
export type OwnHandIn = Static<typeof OwnHandIn>;

export const assignmentRoutes = {
  /** Everything the account handed in, newest first. */
  ownHandIns: route("GET", "/api/hand-ins", { who: "student", reply: Type.Array(OwnHandIn) }),
  /** One handed-in draft: one's own, or one handed in to a class that the account teaches. */
  aHandIn: route("GET", "/api/hand-ins/:id", { who: "student", params: IdParams, reply: HandIn }),
  /** Withdraws one's own: it is gone, or, where marks were given, an unnamed mark stays. */
  withdraw: route("DELETE", "/api/hand-ins/:id", { who: "student", params: IdParams, reply: Done }),
  asks: route("GET", "/api/asks", { who: "student", reply: Type.Array(Ask) }),
  assignments: route("GET", "/api/classes/:id/assignments", { who: "student", params: IdParams, reply: Type.Array(Assignment) }),
  addAssignment: route("POST", "/api/classes/:id/assignments", {
    who: "instructor",
    params: IdParams,
    body: Type.Object({ ...OwnId, ...Kept.properties }, closed),
    reply: Assignment,
  }),
  changeAssignment: route("PATCH", "/api/assignments/:id", {
    who: "instructor",
    params: IdParams,
    body: Type.Composite([Type.Object({ version: Version }), Type.Partial(Type.Omit(Kept, ["slug", "systemVersion"]))], closed),
    reply: Assignment,
  }),
  removeAssignment: route("DELETE", "/api/assignments/:id", { who: "instructor", params: IdParams, reply: Done }),
  restoreAssignment: route("POST", "/api/assignments/:id/restore", { who: "instructor", params: IdParams, reply: Assignment }),
  /** For the teacher everything that was handed in, for a student their own. */
  handIns: route("GET", "/api/assignments/:id/hand-ins", { who: "student", params: IdParams, reply: Type.Array(HandIn) }),
  handIn: route("POST", "/api/assignments/:id/hand-ins", {
    who: "student",
    params: IdParams,
    body: Type.Object(
      {
        ...OwnId,
        draftId: Id,
        note: Note,
        /** A small picture as a data URL; none where the assignment asks for none. */
        picture: Type.Union([Type.String({ maxLength: 900_000, pattern: "^data:image/jpeg;base64,[A-Za-z0-9+/=]+$" }), Type.Null()]),
        marksOnPicture: Type.Array(PictureMark, { maxItems: 200 }),
      },
      closed,
    ),
    reply: HandIn,
  }),
  /** The picture itself. */
  picture: route("GET", "/api/hand-ins/:id/picture", {
    who: "student",
    params: IdParams,
    reply: Type.Object({ picture: Type.String() }, closed),
  }),
  judge: route("PATCH", "/api/hand-ins/:id", {
    who: "instructor",
    params: IdParams,
    body: Type.Partial(Type.Pick(HandIn, ["state", "marks"]), closed),
    reply: HandIn,
  }),
  /** Tells those whose results are taken out that they are. */
  takeOut: route("POST", "/api/assignments/:id/results", { who: "instructor", params: IdParams, reply: Done }),
  comment: route("POST", "/api/hand-ins/:id/comments", {
    who: "student",
    params: IdParams,
    body: Type.Object(
      { ...OwnId, place: Type.String({ maxLength: 80 }), text: Type.String({ minLength: 1, maxLength: 4_000, pattern: "\\S" }) },
      closed,
    ),
    reply: HandIn,
  }),
};
