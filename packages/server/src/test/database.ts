import { fileURLToPath } from "node:url";
import knex from "knex";
import { connect } from "../database/connect.js";
import { migrate } from "../database/migrate.js";
import { loadLibrary } from "../systems/library.js";

/** The private cluster's address, from `./lodrin test`; databases of the tests are made and dropped in it. */
export const TEMPLATE = "lodrin_test_template";

function adminUrl(): string {
  const base = process.env["LODRIN_TEST_DATABASE"];
  if (!base) throw new Error("LODRIN_TEST_DATABASE is not set: run the tests with ./lodrin test, which starts the private database.");
  return base;
}

/** The address of one database of the cluster. */
export const urlOf = (name: string): string => adminUrl().replace(/\/[^/]*$/, `/${name}`);

/** Runs one statement on the cluster's maintenance database; gives its rows. */
export async function administer(sql: string): Promise<{ datname: string }[]> {
  const admin = knex({ client: "pg", connection: adminUrl() });
  try {
    return ((await admin.raw(sql)) as { rows?: { datname: string }[] }).rows ?? [];
  } finally {
    await admin.destroy();
  }
}

/** Vitest's global setup: a migrated template with the library on its shelf, copied by every test file. */
export default async function setup(): Promise<() => Promise<void>> {
  await administer(`drop database if exists ${TEMPLATE} with (force)`);
  await administer(`create database ${TEMPLATE}`);
  const template = connect(urlOf(TEMPLATE));
  await migrate(template);
  await loadLibrary(template, fileURLToPath(new URL("../../../../systems", import.meta.url)));
  await template.destroy();
  return async () => void (await administer(`drop database if exists ${TEMPLATE} with (force)`));
}
