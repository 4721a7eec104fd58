import { DONE, type Draft, draftRoutes } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import type { Pool } from "pg";
import { Owned } from "../access/owned.js";
import { insertOnce } from "../database/insert-once.js";
import { NEWEST_FIRST, page } from "../database/page.js";
import { changeVersion } from "../database/versioned.js";
import { mount } from "../http/mount.js";
import { mountPaged } from "../http/paged.js";
import { notFound } from "../http/problem.js";
import { openVersion } from "../systems/library.js";
import { summariesOf } from "../systems/summary.js";
import { SystemVersionRow } from "../systems/system-version.js";
import { DraftRow } from "./draft.js";
import { PreparedDrafts } from "./prepared.js";

/** Kept drafts: find, keep, change, duplicate, delete and restore. */
export function draftsRoutes(router: Router, knex: Knex, pool: Pool): void {
  const prepared = new PreparedDrafts(pool);
  const reply = async (row: DraftRow): Promise<Draft> => row.toReply((await summariesOf(knex, [row.systemVersionId]))(row.systemVersionId));
  const find = async (accountId: string, id: string): Promise<DraftRow> => {
    const row = await prepared.find(accountId, id);
    if (!row) throw notFound("draft");
    return row;
  };

  mountPaged(router, draftRoutes.drafts, async ({ accountId, after }) => {
    const rows = await page(DraftRow.query(knex).whereNull("deletedAt"), NEWEST_FIRST, { owner_id: accountId }, after);
    const of = await summariesOf(
      knex,
      rows.map((row) => row.systemVersionId),
    );
    return rows.map((row) => ({ key: row.id, item: row.toReply(of(row.systemVersionId)) }));
  });

  mount(router, draftRoutes.draft, async ({ accountId, params }) => reply(await find(accountId, params.id)));

  mount(router, draftRoutes.addDraft, async ({ accountId, body }) => {
    const system = await openVersion(knex, body.slug, accountId);
    if (!system) throw notFound("system");
    await onlyOwn(new Owned(knex, accountId), body);
    const { slug: _, ...fields } = body;
    const id = await insertOnce(DraftRow.query(knex), { ...fields, ownerId: accountId, systemVersionId: system.id });
    return reply(await find(accountId, id));
  });

  mount(router, draftRoutes.changeDraft, async ({ accountId, params, body }) => {
    await onlyOwn(new Owned(knex, accountId), body);
    const { version, ...patch } = body;
    const change = prepared.change(accountId, params.id, version, patch);
    return reply(await changeVersion(change, patch, { what: "draft", find: () => find(accountId, params.id), reply }));
  });

  mount(router, draftRoutes.moveDraft, async ({ accountId, params, body }) => {
    const { slug } = await reply(await find(accountId, params.id));
    const system = await SystemVersionRow.onShelf(knex, accountId).findOne({ slug, version: body.systemVersion });
    if (!system) throw notFound("version of the system");
    const patch = { systemVersionId: system.id };
    const change = DraftRow.query(knex)
      .patch({ ...patch, version: body.version + 1, updatedAt: new Date().toISOString() })
      .where({ id: params.id, ownerId: accountId, version: body.version })
      .whereNull("deletedAt")
      .returning("*")
      .first();
    return reply(await changeVersion(change, patch, { what: "draft", find: () => find(accountId, params.id), reply }));
  });

  mount(router, draftRoutes.standAt, async ({ accountId, params, body }) => {
    const stood = await DraftRow.query(knex).patch(body).where({ id: params.id, ownerId: accountId }).whereNull("deletedAt");
    if (stood === 0) throw notFound("draft");
    return DONE;
  });

  mount(router, draftRoutes.duplicateDraft, async ({ accountId, params, body }) => {
    const { id: _, version: __, createdAt: ___, updatedAt: ____, ...fields } = await find(accountId, params.id);
    const id = await insertOnce(DraftRow.query(knex), { ...fields, ...body, name: `${fields.name.slice(0, 112)}, copy` });
    return reply(await find(accountId, id));
  });

  mount(router, draftRoutes.removeDraft, async ({ accountId, params }) => {
    const row = await new Owned(knex, accountId).draft(params.id);
    await row.$query(knex).patch({ deletedAt: new Date().toISOString() });
    return DONE;
  });

  mount(router, draftRoutes.restoreDraft, async ({ accountId, params }) => {
    const row = await new Owned(knex, accountId).draft(params.id, true);
    await row.$query(knex).patch({ deletedAt: null });
    return reply(await find(accountId, params.id));
  });
}

/** A draft may point only at the account's own people and sets. */
async function onlyOwn(owned: Owned, links: { personId?: string | null; setId?: string | null }): Promise<void> {
  if (links.personId) await owned.person(links.personId);
  if (links.setId) await owned.set(links.setId);
}
