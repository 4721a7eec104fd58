import { randomUUID } from "node:crypto";
import type { Knex } from "knex";

/**
 * The files that wait to be made, by the ticket of whoever waits. In the database, because the process that is asked for a place
 * need not be the one that makes the file.
 */
export class WaitingFiles {
  private readonly process = randomUUID();

  constructor(private readonly knex: Knex) {}

  async add(ticket: string, accountId: string): Promise<void> {
    await this.knex("files_waiting").insert({ ticket, accountId, process: this.process }).onConflict("ticket").ignore();
  }

  async remove(ticket: string): Promise<void> {
    await this.knex("files_waiting").where({ ticket }).delete();
  }

  /** How many files are made before this one; null when it does not wait. Owners take turns: each one's n-th file comes in the n-th round. */
  async ahead(ticket: string, accountId: string): Promise<number | null> {
    const { rows } = (await this.knex.raw(
      `with rounds as (
        select ticket, process, since, account_id, row_number() over (partition by process, account_id order by since) as round from files_waiting)
      select (select count(*)::int from rounds o where o.process = r.process and (o.round, o.since) < (r.round, r.since)) as ahead
      from rounds r where r.ticket = :ticket and r.account_id = :accountId`,
      { ticket, accountId },
    )) as { rows: { ahead: number }[] };
    return rows[0]?.ahead ?? null;
  }
}
