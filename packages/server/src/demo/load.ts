import type { Knex } from "knex";
import { AccountRow } from "../auth/account.js";
import { hashPassword } from "../auth/password.js";
import { DraftRow } from "../drafts/draft.js";
import { PersonRow } from "../people/person.js";
import { SetRow } from "../people/set.js";
import { newestVersion } from "../systems/library.js";
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
    for (const account of DEMO_ACCOUNTS) await loadAccount(trx, account, passwordHash);
  });
}

async function loadAccount(trx: Knex.Transaction, account: DemoAccount, passwordHash: string): Promise<void> {
  const { email, name, role, unit } = account;
  const { id: ownerId } = await AccountRow.query(trx).insert({ email, name, role, unit, passwordHash });
  for (const person of account.people) {
    const { id: personId } = await PersonRow.query(trx).insert({
      ownerId,
      name: person.name,
      isSelf: person.isSelf ?? false,
      isChild: person.isChild ?? false,
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
