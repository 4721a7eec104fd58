import type { BodyOf, ParamsOf, ReplyOf, Route } from "@lodrin/contract";
import type { Request, Router } from "express";
import { callerOf } from "../auth/session.js";
import { validate } from "./validate.js";

/** What a handler is given, already validated. */
interface Call<T> {
  readonly params: ParamsOf<T>;
  readonly body: BodyOf<T>;
  readonly accountId: string;
  readonly request: Request;
}

/** A handler of a route; `accountId` is empty when anyone may call it and nobody is signed in. */
export type Handler<T> = (call: Call<T>) => Promise<ReplyOf<T>>;

/** Puts a route on the router: validates path and body, finds the account, sends the reply. */
export function mount<T extends Route>(router: Router, route: T, handler: Handler<T>): void {
  const method = route.method.toLowerCase() as "get" | "post" | "patch" | "delete";
  router[method](route.path, async (request, response) => {
    const accountId = callerOf(request, route);
    validate(route.params, request.params, "path");
    validate(route.body, request.body, "body");
    const reply = await handler({ params: request.params as ParamsOf<T>, body: request.body as BodyOf<T>, accountId, request });
    response.status(route.method === "POST" && !route.path.endsWith("session") ? 201 : 200).json(reply);
  });
}
