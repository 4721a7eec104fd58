import type { Knex } from "knex";
import { AccountRow } from "../auth/account.js";
import { hashPassword } from "../auth/password.js";
import { ChartRow } from "../charts/chart.js";
import { DraftRow } from "../drafts/draft.js";
import { PersonRow } from "../people/person.js";
import { SetRow } from "../people/set.js";
import { newestVersion } from "../systems/library.js";
import { SystemVersionRow } from "../systems/system-version.js";
import { WorkRow } from "../works/work.js";
import { DEMO_CHARTS } from "./charts.js";
import { CAPE_FIRST, CAPE_NOTES, CAPE_NOW, CAPE_SLUG } from "./cape.js";
import { loadClass } from "./load-class.js";
import { DEMO_ACCOUNTS, DEMO_PASSWORD, type DemoAccount } from "./workshop.js";

/** The logins printed when Lodrin starts. */
export const DEMO_LOGINS = DEMO_ACCOUNTS.map((a) => ({ email: a.email, role: a.role, password: DEMO_PASSWORD }));

/** Loads the festival workshop once: does nothing when any account is there already. */
export async function loadDemo(knex: Knex): Promise<void> {
  await knex.transaction(async (trx) => {
    // One process loads; another that starts at the same moment waits here and then finds it done.
    await trx.raw("select pg_advisory_xact_lock(41500)");
    if ((await AccountRow.query(trx).resultSize()) > 0) return;
    const passwordHash = await hashPassword(DEMO_PASSWORD);
    const instructors: string[] = [];
    await loadCapeFirst(trx);
    for (const account of DEMO_ACCOUNTS) {
      const id = await loadAccount(trx, account, passwordHash);
      if (account.role === "instructor") instructors.push(id);
    }
    await loadCapeNow(trx, instructors[0]);
    await loadCharts(trx, instructors[0]);
    await loadClass(trx, instructors[0], passwordHash);
  });
}

const CAPE = { slug: CAPE_SLUG, title: "Lantern bearer's cape", garment: "cape" } as const;

/** The first version lies on the shelf before the students' drafts are begun: one of them is made with it. */
async function loadCapeFirst(trx: Knex.Transaction): Promise<void> {
  await SystemVersionRow.query(trx).insert({ ...CAPE, version: 1, notation: CAPE_FIRST, bases: {}, changeNote: CAPE_NOTES[0] });
}

/** Then its author published the second, and works on. */
async function loadCapeNow(trx: Knex.Transaction, ownerId: string | undefined): Promise<void> {
  if (ownerId === undefined) return;
  await SystemVersionRow.query(trx).patch({ ownerId }).where({ slug: CAPE_SLUG });
  await SystemVersionRow.query(trx).insert({ ...CAPE, version: 2, notation: CAPE_NOW, bases: {}, ownerId, changeNote: CAPE_NOTES[1] });
  await WorkRow.query(trx).insert({ ownerId, slug: CAPE_SLUG, title: CAPE.title, notation: CAPE_NOW });
}

async function loadCharts(trx: Knex.Transaction, ownerId: string | undefined): Promise<void> {
  if (ownerId !== undefined) for (const chart of DEMO_CHARTS) await ChartRow.query(trx).insert({ ...chart, ownerId });
}

/** Gives the account's id. */
async function loadAccount(trx: Knex.Transaction, account: DemoAccount, passwordHash: string): Promise<string> {
  const { email, name, role, unit } = account;
  const { id: ownerId } = await AccountRow.query(trx).insert({ email, name, role, unit, passwordHash });
  for (const person of account.people) {
    const { id: personId } = await PersonRow.query(trx).insert({
      ownerId,
      name: person.name,
      isSelf: person.isSelf ?? false,
      isChild: person.isChild ?? false,
      consentAt: person.isChild ? new Date().toISOString() : null,
      note: person.note,
    });
    for (const set of person.sets) {
      const { id: setId } = await SetRow.query(trx).insert({
        personId,
        takenOn: set.takenOn,
        unit: set.unit,
        written: set.written,
        note: set.note,
      });
      if (set.draft) await loadDraft(trx, { ownerId, personId, setId, personName: person.name }, set, set.draft);
    }
  }
  return ownerId;
}

async function loadDraft(
  trx: Knex.Transaction,
  whose: { ownerId: string; personId: string; setId: string; personName: string },
  set: DemoAccount["people"][number]["sets"][number],
  draft: { slug: string; name: string; note: string; step: number },
): Promise<void> {
  const system = await newestVersion(trx, draft.slug);
  if (!system) return;
  const { name, note, step } = draft;
  await DraftRow.query(trx).insert({
    ...whose,
    systemVersionId: system.id,
    unit: set.unit,
    measurements: set.written,
    settings: {},
    name,
    note,
    step,
  });
}
