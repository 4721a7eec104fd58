import type { Knex } from "knex";
import { collision } from "../http/problem.js";
import { BaseModel } from "./base-model.js";

/** A row that counts its changes, so that a change made from an old copy is noticed. */
export class VersionedModel extends BaseModel {
  declare id: string;
  declare version: number;
}

/**
 * Changes a row only if it still has the version the change was made from; otherwise a 409 problem that carries what
 * is stored now. One statement, so two processes cannot both win.
 */
export async function changeVersion(
  row: VersionedModel,
  knex: Knex,
  version: number,
  patch: Readonly<Record<string, unknown>>,
  told: { readonly what: string; readonly current: () => Promise<unknown> },
): Promise<void> {
  const changed = await row
    .$query(knex)
    .where({ version })
    .patch({ ...patch, version: version + 1 });
  if (changed === 0) throw collision(told.what, await told.current());
}
