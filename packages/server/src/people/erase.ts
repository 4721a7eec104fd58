import type { Knex } from "knex";
import { eraseHandIns } from "../classes/erase-hand-ins.js";

/** Erases a person for good: their measurements, every draft of theirs, and what they are in hand-ins. */
export async function erasePerson(knex: Knex, id: string): Promise<void> {
  await knex.transaction(async (trx) => {
    await eraseHandIns(trx, { personId: id });
    await trx("drafts").where({ personId: id }).delete();
    await trx("people").where({ id }).delete();
  });
}
