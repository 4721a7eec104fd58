import { createHash } from "node:crypto";
import { promisify } from "node:util";
import { gzip } from "node:zlib";
import type { Knex } from "knex";
import { LRUCache } from "lru-cache";
import type { FactsKeeper } from "./version-facts.js";
import { SystemVersionRow } from "./system-version.js";

const packed = promisify(gzip);

/** A shelf as it is sent: half a megabyte of notation, put together and packed once for everyone who sees the same. */
export interface Shelf {
  /** Changes with what lies on it. */
  readonly stamp: string;
  /** Nothing on it is for some alone. */
  readonly forEveryone: boolean;
  readonly json: Buffer;
  readonly gzip: Buffer;
}

interface Lying {
  readonly id: string;
  readonly audience: string;
  readonly by: string | null;
}

/** As many as there are teachers who keep systems for themselves or their classes; the rest see the same shelf. */
const MOST_KEPT = 40;

/** Keeps the shelves of one database as they were last sent. */
export class ShelfKeeper {
  private readonly kept = new LRUCache<string, Shelf>({ max: MOST_KEPT });

  constructor(
    private readonly knex: Knex,
    private readonly facts: FactsKeeper,
  ) {}

  /** The newest of each system that an account sees. */
  async shelf(accountId: string): Promise<Shelf> {
    const lying = await this.lyingFor(accountId);
    const stamp = `"${createHash("sha1").update(JSON.stringify(lying)).digest("base64url")}"`;
    const known = this.kept.get(stamp);
    if (known) return known;
    const json = await this.written(lying);
    const shelf = { stamp, forEveryone: lying.every(({ audience }) => audience === "everyone"), json, gzip: await packed(json) };
    this.kept.set(stamp, shelf);
    return shelf;
  }

  private async lyingFor(accountId: string): Promise<Lying[]> {
    const rows = await SystemVersionRow.onShelf(this.knex, accountId)
      .clearSelect()
      .select("systemVersions.id", "systemVersions.audience", "accounts.name as by")
      .distinctOn("slug")
      .orderBy([{ column: "slug" }, { column: "version", order: "desc" }]);
    return rows.map(({ id, audience, by }) => ({ id, audience, by: by ?? "" }));
  }

  private async written(lying: readonly Lying[]): Promise<Buffer> {
    const rows = await SystemVersionRow.withNames(this.knex)
      .whereIn(
        "systemVersions.id",
        lying.map(({ id }) => id),
      )
      .orderBy("slug");
    const sheets = rows.map(async (row) => ({ ...row.toReply(), card: row.card ?? (await this.facts.of(row.id)).card }));
    return Buffer.from(JSON.stringify(await Promise.all(sheets)));
  }
}
