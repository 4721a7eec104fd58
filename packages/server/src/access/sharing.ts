import type { Knex } from "knex";
import { recordLook } from "../auth/events.js";
import type { ClassRow } from "../classes/class-row.js";

/**
 * The students of a class who share their drafts with its teacher, by id; only those who have any. That the teacher looks is
 * recorded for each of them here, before anything is given out.
 */
export async function sharersOf(knex: Knex, { id, name }: ClassRow, teacherId: string): Promise<string[]> {
  const rows = (await knex("class_members")
    .where({ classId: id, shares: true })
    .whereExists(knex("drafts").whereRaw("drafts.owner_id = class_members.account_id").whereNull("deletedAt"))
    .select("accountId")) as { accountId: string }[];
  const aboutIds = rows.map(({ accountId }) => accountId);
  await recordLook(knex, { aboutIds, what: "figures-seen", byId: teacherId, detail: name });
  return aboutIds;
}
