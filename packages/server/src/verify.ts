import type { Knex } from "knex";
import { migrate, MIGRATION_NAMES } from "./database/migrate.js";

/** Tables without which nothing is a place of Lodrin's. */
const NEEDED = ["accounts", "people", "measurement_sets", "drafts", "system_versions", "sessions"];

/**
 * Whether a restored database is a whole place of Lodrin's: its tables, no migration that this program does not know, and every
 * migration it still needs, which are made. Gives what is wrong in a sentence, or nothing.
 */
export async function verifyPlace(knex: Knex): Promise<string | undefined> {
  const { rows } = (await knex.raw("select table_name from information_schema.tables where table_schema = 'public'")) as {
    rows: { table_name: string }[];
  };
  const tables = new Set(rows.map((row) => row.table_name));
  const missing = [...NEEDED, "knex_migrations"].find((table) => !tables.has(table));
  if (missing !== undefined) return `The file holds no data of Lodrin: it has no table “${missing}”.`;
  const made = (await knex("knex_migrations").orderBy("id").select("name")) as { name: string }[];
  const unknown = made.find(({ name }) => !MIGRATION_NAMES.includes(name));
  if (unknown) return `The file was written by a newer Lodrin (it has the migration “${unknown.name}”). Update this one first.`;
  if (made.length === 0) return "The file holds no data of Lodrin: it says of no migration that it was made.";
  await migrate(knex);
  return undefined;
}
