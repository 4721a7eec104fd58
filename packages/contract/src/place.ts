import { type Static, Type } from "@sinclair/typebox";
import { closed, Done, Id, IdParams, Moment } from "./common.js";
import { Role, route } from "./route.js";

/** An invented person's login, offered in the demo alone. */
export const DemoLogin = Type.Object({ email: Type.String(), role: Role, password: Type.String() }, closed);
export type DemoLogin = Static<typeof DemoLogin>;

/** What anyone may know of a place before signing in. */
export const Place = Type.Object({ sendsMail: Type.Boolean(), logins: Type.Array(DemoLogin) }, closed);
export type Place = Static<typeof Place>;

/** A kind of thing that others depend on, and that is archived before it is deleted for good. */
export const DeletableKind = Type.Union([
  Type.Literal("class"),
  Type.Literal("lesson"),
  Type.Literal("assignment"),
  Type.Literal("work"),
  Type.Literal("chart"),
  Type.Literal("person"),
  Type.Literal("set"),
  Type.Literal("draft"),
]);
export type DeletableKind = Static<typeof DeletableKind>;

const ThingParams = Type.Object({ kind: DeletableKind, id: Id }, closed);

/** What was deleted and can still be restored. */
export const DeletedThing = Type.Object(
  {
    kind: DeletableKind,
    id: Id,
    title: Type.String(),
    deletedAt: Moment,
    /** Until when it can be restored. */
    until: Moment,
  },
  closed,
);
export type DeletedThing = Static<typeof DeletedThing>;

export const placeRoutes = {
  place: route("GET", "/api/place", { who: "anyone", reply: Place }),
  /** What goes with a thing when it is deleted: counts by noun, those of none left out. */
  dependents: route("GET", "/api/dependents/:kind/:id", {
    who: "student",
    params: ThingParams,
    reply: Type.Object(
      { counts: Type.Array(Type.Object({ one: Type.String(), many: Type.String(), count: Type.Integer() }, closed)), until: Moment },
      closed,
    ),
  }),
  /** Everything the account deleted and can still restore, newest first. */
  deleted: route("GET", "/api/deleted", { who: "student", reply: Type.Array(DeletedThing) }),
  /** Deletes for good what was deleted before. */
  eraseDeleted: route("POST", "/api/deleted/:kind/:id/erase", { who: "student", params: ThingParams, reply: Done }),
  /** How many files are made before one that waits; null when it does not wait. */
  filePlace: route("GET", "/api/file-queue/:id", {
    who: "student",
    params: IdParams,
    reply: Type.Object({ ahead: Type.Union([Type.Integer({ minimum: 0 }), Type.Null()]) }, closed),
  }),
  /** Keeps in the log what went wrong in a browser, under the id that its user was shown. */
  fault: route("POST", "/api/faults", {
    who: "anyone",
    body: Type.Object(
      { id: Id, what: Type.String({ maxLength: 400 }), where: Type.String({ maxLength: 200 }), stack: Type.String({ maxLength: 4_000 }) },
      closed,
    ),
    reply: Done,
  }),
};
