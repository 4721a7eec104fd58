import { type Static, Type } from "@sinclair/typebox";
import { closed, Id, IdParams, Moment, Name } from "./common.js";
import { route } from "./route.js";

/** A step of a draft as its handout names it: `#12`, `B3`, a value or a path. */
export const StepName = Type.String({ minLength: 1, maxLength: 80 });
/** What was read: a step, or a length like `dist(F3, F9)`. */
const ReadingName = Type.String({ minLength: 1, maxLength: 120, pattern: "\\S" });

/** A reading of the tape on the hand draft, as it was written, with what the program said of it then. */
export const HandReading = Type.Object(
  {
    name: ReadingName,
    written: Type.String({ minLength: 1, maxLength: 40, pattern: "\\S" }),
    verdict: Type.Union([Type.Literal("right"), Type.Literal("off")]),
    /** The slip it was put down to; empty for a right one. */
    code: Type.String({ maxLength: 40 }),
    /** The step of that slip, and what was said. */
    step: Type.String({ maxLength: 80 }),
    says: Type.String({ maxLength: 600 }),
  },
  closed,
);
export type HandReading = Static<typeof HandReading>;

/** A draft at the table: what is ticked off, how long each step took, and what was read, oldest first. */
const AtTableSum = {
  /** Whole seconds at the table, so far. */
  seconds: Type.Integer({ minimum: 0 }),
  readings: Type.Array(Type.Object({ ...HandReading.properties, at: Moment }, closed)),
};
export const AtTable = Type.Object({ ticked: Type.Array(StepName, { maxItems: 2_000 }), ...AtTableSum }, closed);
export type AtTable = Static<typeof AtTable>;

/** What was done at the table on one draft, for looking back over all of them. */
export const DraftProgress = Type.Object(
  { draftId: Id, name: Name, slug: Type.String(), systemTitle: Type.String(), ticked: Type.Integer(), ...AtTableSum },
  closed,
);
export type DraftProgress = Static<typeof DraftProgress>;

export const tableRoutes = {
  progress: route("GET", "/api/progress", { who: "student", reply: Type.Array(DraftProgress) }),
  atTable: route("GET", "/api/drafts/:id/table", { who: "student", params: IdParams, reply: AtTable }),
  /** Ticks steps, or takes ticks away, with the seconds since the last. */
  tick: route("PATCH", "/api/drafts/:id/table", {
    who: "student",
    params: IdParams,
    body: Type.Object(
      {
        ticked: Type.Array(StepName, { maxItems: 2_000 }),
        unticked: Type.Array(StepName, { maxItems: 2_000 }),
        seconds: Type.Integer({ minimum: 0, maximum: 86_400 }),
      },
      closed,
    ),
    reply: AtTable,
  }),
  read: route("POST", "/api/drafts/:id/readings", {
    who: "student",
    params: IdParams,
    body: Type.Object({ readings: Type.Array(HandReading, { minItems: 1, maxItems: 60 }) }, closed),
    reply: AtTable,
  }),
};
