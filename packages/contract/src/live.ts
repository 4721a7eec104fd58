import { type Static, Type } from "@sinclair/typebox";
import { closed, Done, Id, IdParams, Name, Version } from "./common.js";
import { route } from "./route.js";
import { StepName } from "./table.js";

/** Where the class is: the system, the step, and how often it has moved. */
export const LiveStep = Type.Object(
  {
    slug: Type.String({ maxLength: 80 }),
    systemVersion: Version,
    step: StepName,
    /** Counts on with every move: what comes late is not taken for newer. */
    move: Type.Integer({ minimum: 0 }),
  },
  closed,
);
export type LiveStep = Static<typeof LiveStep>;

/** How a student who follows stands, for the teacher. */
export const Follower = Type.Object(
  {
    accountId: Id,
    name: Name,
    step: StepName,
    /** Whether the step the class is at is ticked. */
    ticked: Type.Boolean(),
    /** The readings that are off, by name. */
    off: Type.Array(Type.String({ maxLength: 120 }), { maxItems: 60 }),
  },
  closed,
);
export type Follower = Static<typeof Follower>;

/** One message of the stream `GET /api/classes/:id/live/events`. */
export type LiveMessage =
  { readonly kind: "step"; readonly live: LiveStep | null } | { readonly kind: "follower"; readonly follower: Follower };

export const liveRoutes = {
  /** Where the class is, as server-sent events: the stand at once, then every move; for the teacher also who follows. */
  liveEvents: route("GET", "/api/classes/:id/live/events", { who: "student", params: IdParams, reply: Type.Any() }),
  /** Starts a lesson live, or goes on to another step of it. */
  lead: route("POST", "/api/classes/:id/live", {
    who: "instructor",
    params: IdParams,
    body: Type.Omit(LiveStep, ["move"], closed),
    reply: LiveStep,
  }),
  endLive: route("DELETE", "/api/classes/:id/live", { who: "instructor", params: IdParams, reply: Done }),
  /** A student who follows says where they are. */
  follow: route("POST", "/api/classes/:id/live/follower", {
    who: "student",
    params: IdParams,
    body: Type.Pick(Follower, ["step", "ticked", "off"], closed),
    reply: Done,
  }),
};
