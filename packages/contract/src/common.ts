import { Type } from "@sinclair/typebox";

export const closed = { additionalProperties: false } as const;

export const Id = Type.String({ pattern: "^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$" });
/** A new thing may be given its id by who makes it: a call that is made again because its answer got lost makes nothing twice. */
export const OwnId = { id: Type.Optional(Id) };
export const IdParams = Type.Object({ id: Id }, closed);
/** As far as PostgreSQL's integer counts. */
export const Version = Type.Integer({ minimum: 1, maximum: 2 ** 31 - 1 });
export const Moment = Type.String({ format: "date-time" });
/** A day of somebody's life: ISO 8601, from 1900 on. */
export const Day = Type.String({ format: "date", pattern: "^(19|20|21)" });
export const Unit = Type.Union([Type.Literal("in"), Type.Literal("cm")]);
export const Name = Type.String({ minLength: 1, maxLength: 120, pattern: "\\S" });
export const Note = Type.String({ maxLength: 4_000 });
export const Done = Type.Object({ done: Type.Literal(true) }, closed);
export const DONE = { done: true } as const;

/** Body measurements as they were written, by key: `{"chest": "40 1/2"}`. A figure without a unit is in the set's unit. */
export const Written = Type.Record(Type.String({ pattern: "^[a-z_][a-z0-9_]{0,59}$" }), Type.String({ minLength: 1, maxLength: 40 }), {
  maxProperties: 80,
  additionalProperties: false,
});

/** RFC 9457 problem details: every error of the API has this shape. */
export const Problem = Type.Object({
  type: Type.String(),
  title: Type.String(),
  status: Type.Integer(),
  detail: Type.Optional(Type.String()),
  /** Where in the body, query or path, as JSON pointers, with what is wrong there. */
  errors: Type.Optional(Type.Array(Type.Object({ at: Type.String(), message: Type.String() }))),
  /** After a collision: what is stored now, so that both can be shown. */
  current: Type.Optional(Type.Unknown()),
  /** What somebody must agree to first (RFC 6585, 428): the titles, by slug, of private systems that become readable. */
  discloses: Type.Optional(Type.Record(Type.String(), Type.String())),
  /** After a fault of the server: what the log knows it by. */
  fault: Type.Optional(Type.String()),
});
