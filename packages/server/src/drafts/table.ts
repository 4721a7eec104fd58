import { type AtTable, type HandReading, tableRoutes } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { Owned } from "../access/owned.js";
import { isoMoment } from "../database/base-model.js";
import { ProblemError } from "../http/problem.js";
import type { FactsKeeper } from "../systems/version-facts.js";
import { summariesOf } from "../systems/summary.js";
import { DraftRow } from "./draft.js";
import { mount } from "../http/mount.js";

/** Readings kept of a draft; beyond it the oldest are let go. */
const MOST_READINGS = 400;

/** A draft at the table: steps ticked off and readings of the tape. It changes nothing of the draft itself. */
export function tableRoutesOf(router: Router, knex: Knex, facts: FactsKeeper): void {
  mount(router, tableRoutes.atTable, async ({ accountId, params }) => {
    await new Owned(knex, accountId).draft(params.id);
    return atTable(knex, params.id);
  });

  mount(router, tableRoutes.progress, async ({ accountId }) => {
    const rows = await DraftRow.query(knex).where({ ownerId: accountId }).whereNull("deletedAt").orderBy("createdAt");
    const of = await summariesOf(
      knex,
      rows.map((row) => row.systemVersionId),
    );
    const all = await Promise.all(rows.map(async (row) => ({ row, table: await atTable(knex, row.id) })));
    return all
      .filter(({ table }) => table.ticked.length + table.readings.length > 0)
      .map(({ row, table: { ticked, ...table } }) => {
        const { slug, title } = of(row.systemVersionId);
        return { draftId: row.id, name: row.name, slug, systemTitle: title, ticked: ticked.length, ...table };
      });
  });

  mount(router, tableRoutes.tick, async ({ accountId, params, body }) => {
    const { systemVersionId } = await new Owned(knex, accountId).draft(params.id);
    const { stepNames: known } = await facts.of(systemVersionId);
    const strange = body.ticked.find((step) => !known.has(step));
    if (strange !== undefined) throw new ProblemError(422, "No such step", `This version of the system has no step ${strange}.`);
    await knex.transaction(async (trx) => {
      await trx("draft_tables").insert({ draftId: params.id }).onConflict("draft_id").ignore();
      const row = await trx("draft_tables").where({ draftId: params.id }).forUpdate().first<{ ticked: string[]; seconds: number }>();
      const ticked = new Set([...row.ticked, ...body.ticked]);
      for (const step of body.unticked) ticked.delete(step);
      await trx("draft_tables")
        .where({ draftId: params.id })
        .update({ ticked: JSON.stringify([...ticked]), seconds: row.seconds + body.seconds, updatedAt: trx.fn.now() });
    });
    return atTable(knex, params.id);
  });

  mount(router, tableRoutes.read, async ({ accountId, params, body }) => {
    await new Owned(knex, accountId).draft(params.id);
    await knex("draft_readings").insert(body.readings.map((reading) => ({ draftId: params.id, ...reading })));
    const kept = knex("draft_readings").where({ draftId: params.id }).orderBy("id", "desc").limit(MOST_READINGS).select("id");
    await knex("draft_readings").where({ draftId: params.id }).whereNotIn("id", kept).delete();
    return atTable(knex, params.id);
  });
}

/** What was done at the table on one draft. */
async function atTable(knex: Knex, draftId: string): Promise<AtTable> {
  const row = await knex("draft_tables").where({ draftId }).first<{ ticked: string[]; seconds: number } | undefined>();
  const readings = (await knex("draft_readings").where({ draftId }).orderBy("id")) as (HandReading & { at: Date })[];
  return {
    ticked: row?.ticked ?? [],
    seconds: row?.seconds ?? 0,
    readings: readings.map(({ at, ...reading }) => ({ ...plainReading(reading), at: isoMoment(at) })),
  };
}

/** A reading as it is answered, without what the table keeps beside it. */
export const plainReading = ({ name, written, verdict, code, step, says }: HandReading): HandReading => ({
  name,
  written,
  verdict,
  code,
  step,
  says,
});

/** The newest reading of each name on some drafts. */
export async function newestReadings(knex: Knex, draftIds: readonly string[]): Promise<(HandReading & { draftId: string })[]> {
  return (await knex("draft_readings")
    .whereIn("draftId", draftIds)
    .distinctOn("draftId", "name")
    .orderBy([{ column: "draftId" }, { column: "name" }, { column: "id", order: "desc" }])) as (HandReading & { draftId: string })[];
}
