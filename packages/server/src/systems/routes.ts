import { systemRoutes } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { mount } from "../http/mount.js";
import { notFound } from "../http/problem.js";
import { SystemVersionRow } from "./system-version.js";

/** The shelf: the newest version of every system, and any version by number. */
export function systemsRoutes(router: Router, knex: Knex): void {
  mount(router, systemRoutes.shelf, async () => {
    const rows = await SystemVersionRow.query(knex)
      .distinctOn("slug")
      .orderBy([{ column: "slug" }, { column: "version", order: "desc" }]);
    return rows.map((row) => row.toReply());
  });

  mount(router, systemRoutes.system, async ({ params }) => {
    const row = await SystemVersionRow.query(knex).findOne({ slug: params.slug, version: Number(params.version) });
    if (!row) throw notFound("system");
    return row.toReply();
  });
}
