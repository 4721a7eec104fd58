import { type Static, Type } from "@sinclair/typebox";
import { closed, Done, Id, IdParams, Moment, OwnId, Unit, Version, Written } from "./common.js";
import { route } from "./route.js";
import { VersionLine } from "./system.js";

/** As much notation as is read. */
const Notation = Type.String({ maxLength: 400_000 });

/** Who may see a system on the shelf. */
export const Audience = Type.Union([Type.Literal("me"), Type.Literal("classes"), Type.Literal("everyone")]);
export type Audience = Static<typeof Audience>;

/** A system an instructor is writing: the text is all there is to it. */
export const Work = Type.Object(
  {
    id: Id,
    slug: Type.String(),
    title: Type.String(),
    notation: Notation,
    /** The system and version it was copied from. */
    from: Type.Union([Type.Object({ slug: Type.String(), version: Version }, closed), Type.Null()]),
    /** The newest version that is published; 0 while there is none. */
    published: Type.Integer({ minimum: 0 }),
    audience: Audience,
    /** Put away: it is in no list of what is in work. */
    archived: Type.Boolean(),
    version: Version,
    updatedAt: Moment,
  },
  closed,
);
export type Work = Static<typeof Work>;

/** Private systems it builds on that the author agrees to make readable with it, by slug. */
const Discloses = { discloses: Type.Optional(Type.Array(Type.String({ maxLength: 80 }), { maxItems: 40 })) };

export const workRoutes = {
  works: route("GET", "/api/works", { who: "instructor", reply: Type.Array(Type.Omit(Work, ["notation"], closed)) }),
  work: route("GET", "/api/works/:id", { who: "instructor", params: IdParams, reply: Work }),
  /** Begins a new system, from a text or as a copy of a published version. */
  addWork: route("POST", "/api/works", {
    who: "instructor",
    body: Type.Object(
      {
        ...OwnId,
        notation: Notation,
        from: Type.Optional(Type.Object({ slug: Type.String({ maxLength: 80 }), version: Version }, closed)),
      },
      closed,
    ),
    reply: Work,
  }),
  changeWork: route("PATCH", "/api/works/:id", {
    who: "instructor",
    params: IdParams,
    body: Type.Object({ version: Version, notation: Notation }, closed),
    reply: Work,
  }),
  /** Puts the text, as it is saved, on the shelf as the next version. Refused while the text has a problem. */
  publishWork: route("POST", "/api/works/:id/publish", {
    who: "instructor",
    params: IdParams,
    body: Type.Object({ version: Version, note: Type.String({ maxLength: 400 }), ...Discloses }, closed),
    reply: Work,
  }),
  /** Tells that a hand is in the text, or leaves it, and is told how many others are. */
  handInWork: route("POST", "/api/works/:id/hand", {
    who: "instructor",
    params: IdParams,
    body: Type.Object({ hand: Id, leaves: Type.Optional(Type.Boolean()) }, closed),
    reply: Type.Object({ others: Type.Integer({ minimum: 0 }) }, closed),
  }),
  /** The system as a booklet, drawn on a body: a PDF, not JSON. */
  booklet: route("POST", "/api/works/:id/booklet", {
    who: "instructor",
    params: IdParams,
    body: Type.Object(
      {
        unit: Unit,
        paper: Type.Union([Type.Literal("A4"), Type.Literal("Letter")]),
        /** Formulas as rules, not as the body's sums. */
        rules: Type.Boolean(),
        /** Whose sums, for the cover; the figures are written in `writtenIn`. */
        name: Type.String({ maxLength: 160 }),
        measurements: Written,
        writtenIn: Unit,
        /** By which its place in the queue is asked for. */
        ticket: Type.Optional(Id),
      },
      closed,
    ),
    reply: Type.Any(),
  }),
  /** Every version that was published, with how many drafts were made with it. */
  workVersions: route("GET", "/api/works/:id/versions", {
    who: "instructor",
    params: IdParams,
    reply: Type.Array(Type.Composite([VersionLine, Type.Object({ drafts: Type.Integer({ minimum: 0 }) })], closed)),
  }),
  /** Takes a version off the shelf, or puts it back. Drafts that were made with it keep it. */
  withdrawVersion: route("PATCH", "/api/works/:id/versions/:number", {
    who: "instructor",
    params: Type.Object({ id: Id, number: Type.String({ pattern: "^[0-9]{1,6}$" }) }, closed),
    body: Type.Object({ withdrawn: Type.Boolean() }, closed),
    reply: Done,
  }),
  /** Says who may see it, and whether it is taken off the list. */
  placeWork: route("PATCH", "/api/works/:id/place", {
    who: "instructor",
    params: IdParams,
    body: Type.Object({ audience: Type.Optional(Audience), archived: Type.Optional(Type.Boolean()), ...Discloses }, closed),
    reply: Work,
  }),
  removeWork: route("DELETE", "/api/works/:id", { who: "instructor", params: IdParams, reply: Done }),
  restoreWork: route("POST", "/api/works/:id/restore", { who: "instructor", params: IdParams, reply: Work }),
};
