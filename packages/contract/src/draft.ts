import { type Static, Type } from "@sinclair/typebox";
import { closed, Done, Id, IdParams, Moment, Name, Note, OwnId, Unit, Version, Written } from "./common.js";
import { route } from "./route.js";

/** Settings and choices as they were set, by key; lengths as written. */
export const Settings = Type.Record(Type.String({ pattern: "^[a-z_][a-zA-Z0-9_]{0,59}$" }), Type.String({ minLength: 1, maxLength: 60 }), {
  maxProperties: 200,
  additionalProperties: false,
});

export const Draft = Type.Object(
  {
    id: Id,
    name: Name,
    note: Note,
    /** The system and the version it was drafted with. */
    slug: Type.String(),
    systemVersion: Version,
    systemTitle: Type.String(),
    /** The body as it was: whose, from which set, in which unit, and every figure. A later change to the set does not reach it. */
    personId: Type.Union([Id, Type.Null()]),
    personName: Type.String({ maxLength: 120 }),
    setId: Type.Union([Id, Type.Null()]),
    unit: Unit,
    measurements: Written,
    settings: Settings,
    /** The step the student stands at, and the steps ticked. */
    step: Type.Integer({ minimum: 0, maximum: 2_000 }),
    version: Version,
    createdAt: Moment,
    updatedAt: Moment,
  },
  closed,
);
export type Draft = Static<typeof Draft>;

/** What a card says of a draft: its steps, its checks and those that fail or are doubtful, and the measurements it lacks. */
export const DraftCard = Type.Object(
  {
    steps: Type.Integer({ minimum: 0 }),
    checks: Type.Integer({ minimum: 0 }),
    misses: Type.Integer({ minimum: 0 }),
    missing: Type.Integer({ minimum: 0 }),
  },
  closed,
);
export type DraftCard = Static<typeof DraftCard>;

const NewDraft = Type.Pick(Draft, ["name", "note", "slug", "personId", "personName", "setId", "unit", "measurements", "settings", "step"]);
const Change = Type.Partial(
  Type.Pick(Draft, ["name", "note", "personId", "personName", "setId", "unit", "measurements", "settings", "step"]),
);

export const draftRoutes = {
  drafts: route("GET", "/api/drafts", { who: "student", reply: Type.Array(Draft) }),
  draft: route("GET", "/api/drafts/:id", { who: "student", params: IdParams, reply: Draft }),
  addDraft: route("POST", "/api/drafts", { who: "student", body: Type.Object({ ...NewDraft.properties, ...OwnId }, closed), reply: Draft }),
  changeDraft: route("PATCH", "/api/drafts/:id", {
    who: "student",
    params: IdParams,
    body: Type.Composite([Type.Object({ version: Version }), Change], closed),
    reply: Draft,
  }),
  /** Takes a draft to another version of its system; what was measured and set stays. */
  moveDraft: route("POST", "/api/drafts/:id/version", {
    who: "student",
    params: IdParams,
    body: Type.Object({ version: Version, systemVersion: Version }, closed),
    reply: Draft,
  }),
  /** Where the student stands in a draft. It changes nothing of the draft itself, and so neither its version nor its time. */
  standAt: route("PATCH", "/api/drafts/:id/step", {
    who: "student",
    params: IdParams,
    body: Type.Object({ step: Draft.properties.step }, closed),
    reply: Done,
  }),
  duplicateDraft: route("POST", "/api/drafts/:id/duplicate", {
    who: "student",
    params: IdParams,
    body: Type.Object(OwnId, closed),
    reply: Draft,
  }),
  /** A file of a draft: its bytes, not JSON. */
  draftFile: route("GET", "/api/drafts/:id/files/:file", {
    who: "student",
    params: Type.Object({ id: Id, file: Type.String({ maxLength: 40 }) }, closed),
    reply: Type.Any(),
  }),
  draftCard: route("GET", "/api/drafts/:id/card", { who: "student", params: IdParams, reply: DraftCard }),
  /** The board of a draft, small: an SVG picture, not JSON. */
  draftPicture: route("GET", "/api/drafts/:id/picture", { who: "student", params: IdParams, reply: Type.Any() }),
  removeDraft: route("DELETE", "/api/drafts/:id", { who: "student", params: IdParams, reply: Done }),
  restoreDraft: route("POST", "/api/drafts/:id/restore", { who: "student", params: IdParams, reply: Draft }),
};
