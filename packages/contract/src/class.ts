import { type Static, Type } from "@sinclair/typebox";
import { closed, Done, Id, IdParams, Moment, Name, Note, OwnId, Version } from "./common.js";
import { route } from "./route.js";
import { HandReading } from "./table.js";

const Group = Type.String({ maxLength: 60 });

/** Somebody in a class, as the teacher sees it. */
export const ClassMember = Type.Object(
  {
    accountId: Id,
    name: Name,
    group: Group,
    /** Whether the teacher may see the figures of this student's drafts. */
    shares: Type.Boolean(),
    joinedAt: Moment,
  },
  closed,
);
export type ClassMember = Static<typeof ClassMember>;

/** A class: for its teacher with everyone in it, for a student with whether their own figures are shared. */
export const SchoolClass = Type.Object(
  {
    id: Id,
    name: Name,
    term: Type.String({ maxLength: 60 }),
    meets: Type.String({ maxLength: 200 }),
    note: Note,
    teacher: Name,
    /** Whether the account that asks teaches it. */
    mine: Type.Boolean(),
    /** What a student types to join; empty for who does not teach it. */
    code: Type.String(),
    /** Whether nobody may join by the code just now, and how many may at most; null for any number. */
    codeClosed: Type.Boolean(),
    mostMembers: Type.Union([Type.Integer({ minimum: 1, maximum: 1_000 }), Type.Null()]),
    /** Who was removed and needs the teacher to come in again; only for the teacher. */
    removed: Type.Array(Type.Object({ accountId: Id, name: Name }, closed)),
    /** Whether students may answer each other's questions. */
    classmatesAnswer: Type.Boolean(),
    members: Type.Array(ClassMember),
    version: Version,
  },
  closed,
);
export type SchoolClass = Static<typeof SchoolClass>;

const Kept = Type.Pick(SchoolClass, ["name", "term", "meets", "note", "classmatesAnswer"]);
const Changeable = Type.Pick(SchoolClass, ["name", "term", "meets", "note", "classmatesAnswer", "codeClosed", "mostMembers"]);
const MemberParams = Type.Object({ id: Id, accountId: Id }, closed);

/** Where a student of a class stands in one draft. Figures only where the student shares them. */
export const Standing = Type.Object(
  {
    accountId: Id,
    name: Name,
    draftId: Id,
    draftName: Name,
    slug: Type.String(),
    systemVersion: Version,
    systemTitle: Type.String(),
    step: Type.Integer({ minimum: 0 }),
    ticked: Type.Integer({ minimum: 0 }),
    seconds: Type.Integer({ minimum: 0 }),
    readings: Type.Integer({ minimum: 0 }),
    /** The newest reading of each name that is off, and what it was put down to. */
    off: Type.Array(HandReading),
    updatedAt: Moment,
  },
  closed,
);
export type Standing = Static<typeof Standing>;

/** How often a step of a system went wrong in a class, and by which slip. */
export const SlipCount = Type.Object(
  { slug: Type.String(), step: Type.String(), code: Type.String(), says: Type.String(), students: Type.Integer(), times: Type.Integer() },
  closed,
);
export type SlipCount = Static<typeof SlipCount>;

export const classRoutes = {
  /** The classes an account teaches or is in. */
  classes: route("GET", "/api/classes", { who: "student", reply: Type.Array(SchoolClass) }),
  aClass: route("GET", "/api/classes/:id", { who: "student", params: IdParams, reply: SchoolClass }),
  addClass: route("POST", "/api/classes", {
    who: "instructor",
    body: Type.Object({ ...OwnId, ...Kept.properties }, closed),
    reply: SchoolClass,
  }),
  changeClass: route("PATCH", "/api/classes/:id", {
    who: "instructor",
    params: IdParams,
    body: Type.Composite([Type.Object({ version: Version }), Type.Partial(Changeable)], closed),
    reply: SchoolClass,
  }),
  /** Gives the class another code; the one before is worth nothing any more. */
  newCode: route("POST", "/api/classes/:id/code", { who: "instructor", params: IdParams, reply: SchoolClass }),
  removeClass: route("DELETE", "/api/classes/:id", { who: "instructor", params: IdParams, reply: Done }),
  restoreClass: route("POST", "/api/classes/:id/restore", { who: "instructor", params: IdParams, reply: SchoolClass }),
  joinClass: route("POST", "/api/class-codes/:code", {
    who: "student",
    params: Type.Object({ code: Type.String({ pattern: "^[A-Za-z0-9]{4,12}$" }) }, closed),
    reply: SchoolClass,
  }),
  /** A student shares their figures with the class, or no longer. */
  share: route("PATCH", "/api/classes/:id/membership", {
    who: "student",
    params: IdParams,
    body: Type.Object({ shares: Type.Boolean() }, closed),
    reply: SchoolClass,
  }),
  leaveClass: route("DELETE", "/api/classes/:id/membership", { who: "student", params: IdParams, reply: Done }),
  groupMember: route("PATCH", "/api/classes/:id/members/:accountId", {
    who: "instructor",
    params: MemberParams,
    body: Type.Object({ group: Group }, closed),
    reply: SchoolClass,
  }),
  removeMember: route("DELETE", "/api/classes/:id/members/:accountId", { who: "instructor", params: MemberParams, reply: Done }),
  /** Lets somebody who was removed join again. */
  readmit: route("POST", "/api/classes/:id/members/:accountId/readmit", { who: "instructor", params: MemberParams, reply: SchoolClass }),
  /** Who is where in each draft; of students who share. */
  standing: route("GET", "/api/classes/:id/standing", { who: "instructor", params: IdParams, reply: Type.Array(Standing) }),
  /** Which steps most of the class gets wrong. No names. */
  slips: route("GET", "/api/classes/:id/slips", { who: "instructor", params: IdParams, reply: Type.Array(SlipCount) }),
};
