import { type Static, Type } from "@sinclair/typebox";
import { closed, Done, Id, IdParams, Moment, OwnId, Version } from "./common.js";
import { route } from "./route.js";

/** As much notation as is read. */
const Notation = Type.String({ maxLength: 400_000 });

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
    version: Version,
    updatedAt: Moment,
  },
  closed,
);
export type Work = Static<typeof Work>;

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
    body: Type.Object({ version: Version, note: Type.String({ maxLength: 400 }) }, closed),
    reply: Work,
  }),
  removeWork: route("DELETE", "/api/works/:id", { who: "instructor", params: IdParams, reply: Done }),
  restoreWork: route("POST", "/api/works/:id/restore", { who: "instructor", params: IdParams, reply: Work }),
};
