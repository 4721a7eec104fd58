import type { Pool } from "pg";
import { DraftRow } from "./draft.js";

// As the model has them; named here once, because building and planning these two statements again costs more than running them.
const FIELDS = {
  ...{ id: "id", version: "version", ownerId: "owner_id", systemVersionId: "system_version_id", personId: "person_id", setId: "set_id" },
  ...{ name: "name", note: "note", personName: "person_name", unit: "unit", measurements: "measurements", settings: "settings" },
  ...{ step: "step", createdAt: "created_at", updatedAt: "updated_at", deletedAt: "deleted_at" },
} as const;
const OPEN_TO_CHANGE = ["name", "note", "personId", "personName", "setId", "unit", "measurements", "settings", "step"] as const;

const ROW = Object.entries(FIELDS)
  .map(([field, column]) => `d.${column} as "${field}"`)
  .join(", ");
const CHANGED = OPEN_TO_CHANGE.map((field) => FIELDS[field]);

const FIND = { name: "draft-find", text: `select ${ROW} from drafts d where d.id = $1 and d.owner_id = $2 and d.deleted_at is null` };
const CHANGE = {
  name: "draft-change",
  text: `update drafts d set version = d.version + 1, updated_at = now(),
    (${CHANGED.join(", ")}) = (select ${CHANGED.map((c) => `p.${c}`).join(", ")} from jsonb_populate_record(d, $4) p)
    where d.id = $1 and d.owner_id = $2 and d.version = $3 and d.deleted_at is null returning ${ROW}`,
};

/** What is changed of a draft. */
export type DraftPatch = Partial<Pick<DraftRow, (typeof OPEN_TO_CHANGE)[number]>>;

/** The two calls that every student's screen makes all the time, as statements the database keeps prepared. */
export class PreparedDrafts {
  constructor(private readonly pool: Pool) {}

  /** A draft of an account's own that is not deleted. */
  find(accountId: string, id: string): Promise<DraftRow | undefined> {
    return this.first(FIND, [id, accountId]);
  }

  /** Changes a draft from its version on, in one statement, and gives it as it is then; nothing where it is not there, another's or no longer of that version. */
  change(accountId: string, id: string, version: number, patch: DraftPatch): Promise<DraftRow | undefined> {
    const columns = Object.fromEntries(Object.entries(patch).map(([field, value]) => [FIELDS[field as keyof DraftPatch], value]));
    return this.first(CHANGE, [id, accountId, version, JSON.stringify(columns)]);
  }

  private async first(statement: { name: string; text: string }, values: unknown[]): Promise<DraftRow | undefined> {
    const { rows } = await this.pool.query<object>({ ...statement, values });
    return rows[0] && Object.assign(new DraftRow(), rows[0]);
  }
}
