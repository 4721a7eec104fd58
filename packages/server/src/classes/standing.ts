import type { SlipCount, Standing } from "@lodrin/contract";
import type { Knex } from "knex";
import { sharersOf } from "../access/sharing.js";
import { isoMoment } from "../database/base-model.js";
import { newestReadings, plainReading } from "../drafts/table.js";
import type { ClassRow } from "./class-row.js";

/** A draft of a student of the class who shares, with what was done at the table. */
interface DraftOfClass {
  readonly accountId: string;
  readonly name: string;
  readonly draftId: string;
  readonly draftName: string;
  readonly slug: string;
  readonly systemVersion: number;
  readonly systemTitle: string;
  readonly step: number;
  readonly ticked: readonly string[] | null;
  readonly seconds: number | null;
  readonly updatedAt: Date;
}

const MOST_DRAFTS = 400;

/** The drafts of those who share, newest first. */
export async function standingIn(knex: Knex, klass: ClassRow, teacherId: string): Promise<Standing[]> {
  const drafts = (await knex("accounts")
    .join("drafts", "drafts.ownerId", "accounts.id")
    .join("system_versions", "system_versions.id", "drafts.systemVersionId")
    .leftJoin("draft_tables", "draft_tables.draftId", "drafts.id")
    .whereIn("accounts.id", await sharersOf(knex, klass, teacherId))
    .whereNull("drafts.deletedAt")
    .orderBy("drafts.updatedAt", "desc")
    .limit(MOST_DRAFTS)
    .select(
      { accountId: "accounts.id", name: "accounts.name", draftId: "drafts.id", draftName: "drafts.name", step: "drafts.step" },
      { slug: "system_versions.slug", systemVersion: "system_versions.version", systemTitle: "system_versions.title" },
      { ticked: "draft_tables.ticked", seconds: "draft_tables.seconds" },
      knex.raw("greatest(drafts.updated_at, draft_tables.updated_at) as updated_at"),
    )) as DraftOfClass[];
  const readings = await newestReadings(
    knex,
    drafts.map((d) => d.draftId),
  );
  return drafts.map(({ ticked, seconds, updatedAt, ...draft }) => {
    const taken = readings.filter((r) => r.draftId === draft.draftId);
    return {
      ...draft,
      ticked: ticked?.length ?? 0,
      seconds: seconds ?? 0,
      readings: taken.length,
      off: taken.filter((r) => r.verdict === "off").map(plainReading),
      updatedAt: isoMoment(updatedAt),
    };
  });
}

/** Which slips those who share have made, and how many of them, most first. Every reading that ever was off counts. */
export async function slipsIn(knex: Knex, klass: ClassRow, teacherId: string): Promise<SlipCount[]> {
  const rows = (await knex("draft_readings")
    .join("drafts", "drafts.id", "draft_readings.draftId")
    .join("system_versions", "system_versions.id", "drafts.systemVersionId")
    .whereIn("drafts.ownerId", await sharersOf(knex, klass, teacherId))
    .where({ "draft_readings.verdict": "off" })
    .whereNull("drafts.deletedAt")
    .whereNot({ "draft_readings.step": "" })
    .groupBy("system_versions.slug", "draft_readings.step", "draft_readings.code")
    .select({ slug: "system_versions.slug", step: "draft_readings.step", code: "draft_readings.code" })
    .select(
      knex.raw("min(draft_readings.says) as says"),
      knex.raw("count(distinct drafts.owner_id)::int as students"),
      knex.raw("count(*)::int as times"),
    )
    .orderBy([
      { column: "students", order: "desc" },
      { column: "times", order: "desc" },
    ])) as SlipCount[];
  return rows;
}
