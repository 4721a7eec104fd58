import { DONE, type Draft, draftRoutes } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { Owned } from "../auth/owned.js";
import { changeVersion } from "../database/versioned.js";
import { mount } from "../http/mount.js";
import { notFound } from "../http/problem.js";
import { newestVersion } from "../systems/library.js";
import { DraftRow } from "./draft.js";

/** Kept drafts: find, keep, change, duplicate, delete and restore. */
export function draftsRoutes(router: Router, knex: Knex): void {
  const reply = async (accountId: string, id: string): Promise<Draft> => (await new Owned(knex, accountId).draft(id)).toReply();

  mount(router, draftRoutes.drafts, async ({ accountId }) => {
    const rows = await DraftRow.query(knex)
      .where({ ownerId: accountId })
      .whereNull("deletedAt")
      .orderBy("updatedAt", "desc")
      .withGraphFetched("system");
    return rows.map((row) => row.toReply());
  });

  mount(router, draftRoutes.draft, ({ accountId, params }) => reply(accountId, params.id));

  mount(router, draftRoutes.addDraft, async ({ accountId, body }) => {
    const system = await newestVersion(knex, body.slug);
    if (!system) throw notFound("system");
    await onlyOwn(new Owned(knex, accountId), body);
    const { slug: _, ...fields } = body;
    const row = await DraftRow.query(knex).insert({ ...fields, ownerId: accountId, systemVersionId: system.id });
    return reply(accountId, row.id);
  });

  mount(router, draftRoutes.changeDraft, async ({ accountId, params, body }) => {
    const owned = new Owned(knex, accountId);
    const row = await owned.draft(params.id);
    await onlyOwn(owned, body);
    const { version, ...patch } = body;
    await changeVersion(
      row,
      knex,
      version,
      { ...patch, updatedAt: new Date().toISOString() },
      { what: "draft", current: () => reply(accountId, params.id) },
    );
    return reply(accountId, params.id);
  });

  mount(router, draftRoutes.duplicateDraft, async ({ accountId, params }) => {
    const {
      id: _,
      version: __,
      createdAt: ___,
      updatedAt: ____,
      system: _____,
      ...fields
    } = await new Owned(knex, accountId).draft(params.id);
    const row = await DraftRow.query(knex).insert({ ...fields, name: `${fields.name.slice(0, 112)}, copy` });
    return reply(accountId, row.id);
  });

  mount(router, draftRoutes.removeDraft, async ({ accountId, params }) => {
    const row = await new Owned(knex, accountId).draft(params.id);
    await row.$query(knex).patch({ deletedAt: new Date().toISOString() });
    return DONE;
  });

  mount(router, draftRoutes.restoreDraft, async ({ accountId, params }) => {
    const row = await new Owned(knex, accountId).draft(params.id, true);
    await row.$query(knex).patch({ deletedAt: null });
    return reply(accountId, params.id);
  });
}

/** A draft may point only at the account's own people and sets. */
async function onlyOwn(owned: Owned, links: { personId?: string | null; setId?: string | null }): Promise<void> {
  if (links.personId) await owned.person(links.personId);
  if (links.setId) await owned.set(links.setId);
}
