import { randomUUID } from "node:crypto";
import { chartRoutes, DONE, type SizeChart } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import type { QueryBuilder } from "objection";
import { Owned } from "../access/owned.js";
import { insertOnce } from "../database/insert-once.js";
import { changeVersion } from "../database/versioned.js";
import { mount } from "../http/mount.js";
import { ChartRow } from "./chart.js";

/** Size charts: everyone here drafts on their sizes, an instructor writes them. */
export function chartsRoutes(router: Router, knex: Knex): void {
  const withNames = (): QueryBuilder<ChartRow, ChartRow[]> =>
    ChartRow.query(knex).leftJoin("accounts", "accounts.id", "sizeCharts.ownerId").select("sizeCharts.*", "accounts.name as by");
  const find = async (accountId: string, id: string): Promise<ChartRow> => new Owned(knex, accountId).chart(id);
  const reply = async (accountId: string, row: ChartRow): Promise<SizeChart> => {
    const [named] = await withNames().where("sizeCharts.id", row.id);
    return (named ?? row).toReply(accountId);
  };

  mount(router, chartRoutes.charts, async ({ accountId }) => {
    const rows = await withNames().whereNull("sizeCharts.deletedAt").orderBy("sizeCharts.name");
    return rows.map((row) => row.toReply(accountId));
  });

  mount(router, chartRoutes.addChart, async ({ accountId, body }) => {
    const id = await insertOnce(ChartRow.query(knex), { ...body, id: body.id ?? randomUUID(), ownerId: accountId });
    return reply(accountId, await find(accountId, id));
  });

  mount(router, chartRoutes.changeChart, async ({ accountId, params, body }) => {
    const { version, ...patch } = body;
    const change = ChartRow.query(knex)
      .patch({ ...patch, version: version + 1, updatedAt: new Date().toISOString() })
      .where({ id: params.id, ownerId: accountId, version })
      .whereNull("deletedAt")
      .returning("*")
      .first();
    const now = { what: "size chart", find: () => find(accountId, params.id), reply: (row: ChartRow) => reply(accountId, row) };
    return reply(accountId, await changeVersion(change, patch, now));
  });

  mount(router, chartRoutes.removeChart, async ({ accountId, params }) => {
    const row = await find(accountId, params.id);
    await row.$query(knex).patch({ deletedAt: new Date().toISOString() });
    return DONE;
  });

  mount(router, chartRoutes.restoreChart, async ({ accountId, params }) => {
    const row = await new Owned(knex, accountId).chart(params.id, true);
    await row.$query(knex).patch({ deletedAt: null });
    return reply(accountId, await find(accountId, params.id));
  });
}
