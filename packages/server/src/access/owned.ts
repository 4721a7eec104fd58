import type { Knex } from "knex";
import { ChartRow } from "../charts/chart.js";
import { DraftRow } from "../drafts/draft.js";
import { notFound } from "../http/problem.js";
import { PersonRow } from "../people/person.js";
import { SetRow } from "../people/set.js";
import { WorkRow } from "../works/work.js";

/**
 * The one place that says what an account may touch: its own people, their sets, its own drafts, the systems it writes and its size charts. A row that is not
 * there and a row that is another's look alike: 404. With `removed` a deleted row is found too, to be restored.
 */
export class Owned {
  constructor(
    private readonly knex: Knex,
    private readonly accountId: string,
  ) {}

  async person(id: string, removed = false): Promise<PersonRow> {
    const row = await PersonRow.query(this.knex).findById(id).where({ ownerId: this.accountId });
    if (!row || (row.deletedAt !== null) !== removed) throw notFound("person");
    return row;
  }

  async set(id: string, removed = false): Promise<SetRow> {
    const mine = PersonRow.query(this.knex).select("id").where({ ownerId: this.accountId }).whereNull("deletedAt");
    const row = await SetRow.query(this.knex).findById(id).whereIn("personId", mine);
    if (!row || (row.deletedAt !== null) !== removed) throw notFound("measurement set");
    return row;
  }

  async work(id: string, removed = false): Promise<WorkRow> {
    const row = await WorkRow.query(this.knex).findById(id).where({ ownerId: this.accountId });
    if (!row || (row.deletedAt !== null) !== removed) throw notFound("system");
    return row;
  }

  async chart(id: string, removed = false): Promise<ChartRow> {
    const row = await ChartRow.query(this.knex).findById(id).where({ ownerId: this.accountId });
    if (!row || (row.deletedAt !== null) !== removed) throw notFound("size chart");
    return row;
  }

  async draft(id: string, removed = false): Promise<DraftRow> {
    const row = await DraftRow.query(this.knex).findById(id).where({ ownerId: this.accountId });
    if (!row || (row.deletedAt !== null) !== removed) throw notFound("draft");
    return row;
  }
}
