import { type Static, type TSchema, Type } from "@sinclair/typebox";

/** What an account may do, from least to most: a role may do all that those before it may. */
export const Role = Type.Union([Type.Literal("student"), Type.Literal("instructor"), Type.Literal("owner")]);
export type Role = Static<typeof Role>;

const RANK: Readonly<Record<Role, number>> = { student: 0, instructor: 1, owner: 2 };

/** True when one role may do more than another. */
export const ranksAbove = (role: Role, other: Role): boolean => RANK[role] > RANK[other];

/** One call of the API: the server validates with its schemas, the web client is typed by them. */
export interface Route<
  P extends TSchema | undefined = TSchema | undefined,
  B extends TSchema | undefined = TSchema | undefined,
  R extends TSchema = TSchema,
> {
  readonly method: "GET" | "POST" | "PATCH" | "DELETE";
  /** Express path, parameters as `:id`. */
  readonly path: string;
  /** Who may call it: anyone at all, or an account of this role or more. Whose things it may touch is the server's to say. */
  readonly who: "anyone" | Role;
  /** May be called while the account is locked because somebody else helped to a new password. */
  readonly whileLocked: boolean;
  readonly params: P;
  readonly body: B;
  readonly reply: R;
}

type Known<S extends TSchema | undefined> = S extends TSchema ? Static<S> : undefined;

export type ParamsOf<T> = T extends Route<infer P, TSchema | undefined> ? Known<P> : never;
export type BodyOf<T> = T extends Route<TSchema | undefined, infer B> ? Known<B> : never;
export type ReplyOf<T> = T extends Route<TSchema | undefined, TSchema | undefined, infer R> ? Static<R> : never;

/** Declares a route. */
export function route<R extends TSchema, P extends TSchema | undefined = undefined, B extends TSchema | undefined = undefined>(
  method: Route["method"],
  path: string,
  given: { who: Route["who"]; whileLocked?: boolean; params?: P; body?: B; reply: R },
): Route<P, B, R> {
  const { who, whileLocked = who === "anyone", params, body, reply } = given;
  return { method, path, who, whileLocked, params: params as P, body: body as B, reply };
}
