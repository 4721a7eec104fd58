import { promisify } from "node:util";
import { gzip } from "node:zlib";
import type { SystemSheet } from "@lodrin/contract";
import type { Knex } from "knex";
import { SystemVersionRow } from "./system-version.js";

const packed = promisify(gzip);

/** The shelf as it is sent: half a megabyte of notation, put together and packed once for everyone. */
export interface Shelf {
  /** Changes whenever a version is published or taken away. */
  readonly stamp: string;
  readonly json: Buffer;
  readonly gzip: Buffer;
}

/** Keeps the shelf of one database as it was last sent. */
export class ShelfKeeper {
  private kept: Shelf | undefined;

  constructor(private readonly knex: Knex) {}

  async shelf(): Promise<Shelf> {
    const stamp = await this.stamp();
    if (this.kept?.stamp === stamp) return this.kept;
    const json = Buffer.from(JSON.stringify(await this.newest()));
    this.kept = { stamp, json, gzip: await packed(json) };
    return this.kept;
  }

  /** The shelf of an account that sees systems which not everyone sees; undefined for everyone else. */
  async ownOf(accountId: string): Promise<SystemSheet[] | undefined> {
    const one = await SystemVersionRow.onShelf(this.knex, accountId).whereNot({ audience: "everyone" }).first();
    return one && this.newest(accountId);
  }

  /** What the shelf was made of: the versions, and the names of who published them. */
  private async stamp(): Promise<string> {
    const [row] = (await this.knex("system_versions")
      .leftJoin("accounts", "accounts.id", "system_versions.owner_id")
      .where({ withdrawn: false, audience: "everyone" })
      .select(
        this.knex.raw("count(*) as many, extract(epoch from max(system_versions.created_at)) as newest"),
        this.knex.raw("md5(coalesce(string_agg(accounts.name, ',' order by system_versions.id), '')) as names"),
      )) as { many: string; newest: string | null; names: string }[];
    return `"${row?.many ?? 0}-${row?.newest ?? 0}-${row?.names ?? ""}"`;
  }

  private async newest(accountId?: string): Promise<SystemSheet[]> {
    const rows = await SystemVersionRow.onShelf(this.knex, accountId)
      .distinctOn("slug")
      .orderBy([{ column: "slug" }, { column: "version", order: "desc" }]);
    return rows.map((row) => row.toReply());
  }
}
