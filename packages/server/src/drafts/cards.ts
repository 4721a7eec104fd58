import { type DraftCard, draftRoutes, type ParamsOf } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { Owned } from "../access/owned.js";
import { callerOf } from "../auth/session.js";
import type { FileMaker } from "../files/file-maker.js";
import { mount } from "../http/mount.js";
import { sendPicture } from "../http/send-picture.js";
import { validate } from "../http/validate.js";
import { SystemVersionRow } from "../systems/system-version.js";
import type { DraftRow } from "./draft.js";

/** A draft's card as it is kept. */
interface KeptCard {
  readonly version: number;
  readonly facts: DraftCard;
  readonly picture: string;
}

/** What the cards of drafts say and show: made when it is first looked at after a change, in a worker, and kept with the draft. */
export function draftCards(router: Router, knex: Knex, files: FileMaker): void {
  /** A card that is asked for twice at once is made once. */
  const underWay = new Map<string, Promise<KeptCard>>();

  async function made({ id, version, systemVersionId, measurements, settings, unit }: DraftRow, accountId: string): Promise<KeptCard> {
    const { notation, bases } = await SystemVersionRow.query(knex).findById(systemVersionId).throwIfNotFound();
    const { facts, picture } = await files.draftCard({ systemVersionId, notation, bases, unit, measurements, settings }, accountId);
    const card = { version, facts, picture };
    await knex("draft_cards")
      .insert({ draftId: id, ...card, facts: JSON.stringify(facts) })
      .onConflict("draftId")
      .merge();
    return card;
  }

  async function cardOf(row: DraftRow, accountId: string): Promise<KeptCard> {
    const kept = (await knex("draft_cards").where({ draftId: row.id, version: row.version }).first()) as KeptCard | undefined;
    if (kept) return kept;
    const key = `${row.id} ${row.version}`;
    const making = underWay.get(key) ?? made(row, accountId).finally(() => underWay.delete(key));
    underWay.set(key, making);
    return making;
  }

  mount(router, draftRoutes.draftCard, async ({ accountId, params }) => {
    const row = await new Owned(knex, accountId).draft(params.id);
    return (await cardOf(row, accountId)).facts;
  });

  router.get(draftRoutes.draftPicture.path, async (request, response) => {
    const accountId = callerOf(request, draftRoutes.draftPicture);
    validate(draftRoutes.draftPicture.params, request.params, "path");
    const { id } = request.params as ParamsOf<typeof draftRoutes.draftPicture>;
    const row = await new Owned(knex, accountId).draft(id);
    sendPicture(request, response, (await cardOf(row, accountId)).picture);
  });
}
