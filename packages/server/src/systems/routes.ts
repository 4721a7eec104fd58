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
    callerOf(request, systemRoutes.shelf);
    const { stamp, json, gzip } = await keeper.shelf();
    // Nobody's data: the browser keeps it, and asks each time whether it is still so.
    response.set({ etag: stamp, "cache-control": "private, no-cache", vary: "accept-encoding" }).type("application/json");
    if (request.fresh) return void response.status(304).end();
    const packs = request.acceptsEncodings("gzip") === "gzip";
    if (packs) response.set("content-encoding", "gzip");
    response.send(packs ? gzip : json);
  });

  mount(router, systemRoutes.system, async ({ params }) => {
    const row = await SystemVersionRow.withNames(knex)
      .where({ slug: params.slug, version: Number(params.version) })
      .first();
    if (!row) throw notFound("system");
    return row.toReply();
  });
}
