import { type ParamsOf, systemRoutes } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { callerOf } from "../auth/session.js";
import { mount } from "../http/mount.js";
import { notFound } from "../http/problem.js";
import { sendPicture } from "../http/send-picture.js";
import { validate } from "../http/validate.js";
import type { FactsKeeper } from "./version-facts.js";
import { ShelfKeeper } from "./shelf.js";
import { SystemVersionRow } from "./system-version.js";

/** The shelf: the newest version of every system, and any version by number. */
export function systemsRoutes(router: Router, knex: Knex, facts: FactsKeeper): void {
  const keeper = new ShelfKeeper(knex, facts);
  router.get(systemRoutes.shelf.path, async (request, response) => {
    const accountId = callerOf(request, systemRoutes.shelf);
    const { stamp, forEveryone, json, gzip } = await keeper.shelf(accountId);
    // Nobody's data: the browser keeps it, and asks each time whether it is still so. What is for some alone is kept by no browser.
    response.set({ "cache-control": forEveryone ? "private, no-cache" : "private, no-store", vary: "accept-encoding" });
    if (forEveryone) response.set("etag", stamp);
    response.type("application/json");
    if (request.fresh) return void response.status(304).end();
    const packs = request.acceptsEncodings("gzip") === "gzip";
    if (packs) response.set("content-encoding", "gzip");
    response.send(packs ? gzip : json);
  });

  mount(router, systemRoutes.versions, async ({ accountId, params }) => {
    const rows = await SystemVersionRow.onShelf(knex, accountId).where({ slug: params.slug }).orderBy("version", "desc");
    if (rows.length === 0) throw notFound("system");
    return rows.map((row) => row.toLine());
  });

  const readable = async (accountId: string, { slug, version }: ParamsOf<typeof systemRoutes.system>): Promise<SystemVersionRow> => {
    const row = await SystemVersionRow.readable(knex, accountId)
      .where({ slug, version: Number(version) })
      .first();
    if (!row) throw notFound("system");
    return row;
  };

  mount(router, systemRoutes.system, async ({ accountId, params }) => (await readable(accountId, params)).toReply());

  router.get(systemRoutes.systemPicture.path, async (request, response) => {
    const accountId = callerOf(request, systemRoutes.systemPicture);
    validate(systemRoutes.systemPicture.params, request.params, "path");
    const row = await readable(accountId, request.params as ParamsOf<typeof systemRoutes.systemPicture>);
    sendPicture(request, response, row.picture ?? (await facts.of(row.id)).picture);
  });
}
