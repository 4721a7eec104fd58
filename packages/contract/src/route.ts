import type { Static, TSchema } from "@sinclair/typebox";

/** One call of the API: the server validates with its schemas, the web client is typed by them. */
export interface Route<
  P extends TSchema | undefined = TSchema | undefined,
  B extends TSchema | undefined = TSchema | undefined,
  R extends TSchema = TSchema,
> {
  readonly method: "GET" | "POST" | "PATCH" | "DELETE";
  /** Express path, parameters as `:id`. */
  readonly path: string;
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
  given: { params?: P; body?: B; reply: R },
): Route<P, B, R> {
  return { method, path, params: given.params as P, body: given.body as B, reply: given.reply };
}
