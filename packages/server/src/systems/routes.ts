import { systemRoutes } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { callerOf } from "../auth/session.js";
import { mount } from "../http/mount.js";
import { notFound } from "../http/problem.js";
import { ShelfKeeper } from "./shelf.js";
import { SystemVersionRow } from "./system-version.js";

/** The shelf: the newest version of every system, and any version by number. */
export function systemsRoutes(router: Router, knex: Knex): void {
  const keeper = new ShelfKeeper(knex);
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

  mount(router, systemRoutes.system, async ({ accountId, params }) => {
    const row = await SystemVersionRow.readable(knex, accountId)
      .where({ slug: params.slug, version: Number(params.version) })
      .first();
    if (!row) throw notFound("system");
    return row.toReply();
  });
}
