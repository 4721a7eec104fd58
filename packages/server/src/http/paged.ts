import type { ParamsOf, ReplyOf, Route } from "@lodrin/contract";
import type { Router } from "express";
import { type TObject, type TString, Type } from "@sinclair/typebox";
import { callerOf } from "../auth/session.js";
import { PAGE } from "../database/page.js";
import { validate } from "./validate.js";

/** A row of a list, by what the next page is asked for. */
export interface Listed<T> {
  readonly key: string;
  readonly item: T;
}

type ItemOf<T> = ReplyOf<T> extends readonly (infer I)[] ? I : never;

const behindOf = (key: TString): TObject => Type.Object({ after: Type.Optional(key) });
const BY_ID = behindOf(Type.String({ format: "uuid" }));
export const BY_NUMBER = behindOf(Type.String({ pattern: "^[0-9]{1,18}$" }));

/**
 * Puts a list on the router, which is sent page by page: the address of the next one is in the answer's Link header
 * (RFC 8288, relation "next"). `rows` gives one row more than a page holds where more follow.
 */
export function mountPaged<T extends Route>(
  router: Router,
  route: T,
  rows: (call: { accountId: string; params: ParamsOf<T>; after: string | undefined }) => Promise<Listed<ItemOf<T>>[]>,
  query: TObject = BY_ID,
): void {
  router.get(route.path, async (request, response) => {
    const accountId = callerOf(request, route);
    validate(route.params, request.params, "path");
    validate(query, request.query, "query");
    const { after } = request.query as { after?: string };
    const all = await rows({ accountId, params: request.params as ParamsOf<T>, after });
    const shown = all.slice(0, PAGE);
    if (all.length > PAGE) response.links({ next: `${request.path}?after=${shown.at(-1)?.key ?? ""}` });
    response.json(shown.map(({ item }) => item));
  });
}
