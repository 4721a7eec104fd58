import type { Knex } from "knex";
import * as accounts from "./migrations/001-accounts.js";
import * as bodies from "./migrations/002-bodies.js";
import * as systemsAndDrafts from "./migrations/003-systems-and-drafts.js";
import * as buildingOnOthers from "./migrations/004-systems-that-build-on-others.js";
import * as serverThatHolds from "./migrations/005-server-that-holds.js";
import * as rolesAndResets from "./migrations/006-roles-and-resets.js";
import * as events from "./migrations/007-events.js";
import * as systemsInWork from "./migrations/008-systems-in-work.js";
import * as chartsAndShelf from "./migrations/009-charts-and-shelf.js";
import * as tableAndClass from "./migrations/010-table-and-class.js";
import * as sessionsTold from "./migrations/011-sessions-told.js";
import * as consent from "./migrations/012-consent.js";
import * as rightsAndBounds from "./migrations/013-rights-and-bounds.js";
import * as cards from "./migrations/014-cards.js";

const MIGRATIONS: Readonly<Record<string, Knex.Migration>> = {
  "001-accounts": accounts,
  "002-bodies": bodies,
  "003-systems-and-drafts": systemsAndDrafts,
  "004-systems-that-build-on-others": buildingOnOthers,
  "005-server-that-holds": serverThatHolds,
  "006-roles-and-resets": rolesAndResets,
  "007-events": events,
  "008-systems-in-work": systemsInWork,
  "009-charts-and-shelf": chartsAndShelf,
  "010-table-and-class": tableAndClass,
  "011-sessions-told": sessionsTold,
  "012-consent": consent,
  "013-rights-and-bounds": rightsAndBounds,
  "014-cards": cards,
};

const source: Knex.MigrationSource<string> = {
  getMigrations: () => Promise.resolve(Object.keys(MIGRATIONS)),
  getMigrationName: (name) => name,
  getMigration: (name) => Promise.resolve(MIGRATIONS[name] as Knex.Migration),
};

/** Takes every change of shape back again, newest first. What was kept in the tables is lost. */
export async function unmigrate(knex: Knex): Promise<void> {
  await knex.migrate.rollback({ migrationSource: source }, true);
}

/** The names of every migration this program knows, oldest first. */
export const MIGRATION_NAMES: readonly string[] = Object.keys(MIGRATIONS);

/** Brings the database to the newest shape. Several processes may call it at once: Knex locks. */
export async function migrate(knex: Knex): Promise<void> {
  await knex.migrate.latest({ migrationSource: source });
}
