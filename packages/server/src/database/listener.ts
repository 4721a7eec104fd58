import type { Pool, PoolClient } from "pg";
import type { Logger } from "pino";

/** What hears a channel of the database. */
interface Hearer {
  readonly heard: (payload: string) => void;
  /** What was said meanwhile is not known: the connection went away. */
  readonly lost: () => void;
}

/** How soon a lost connection to the database is made again. */
const AGAIN_MS = 500;

/** One connection of a process that listens at the database (LISTEN), for all that want to hear. Lost, it is made again by itself. */
export class Listener {
  private readonly hearers = new Map<string, readonly Hearer[]>();
  private client: PoolClient | undefined;
  private opening: Promise<void> | undefined;
  private closed = false;

  constructor(
    private readonly pool: Pool,
    private readonly log: Logger,
  ) {}

  /** Hears a channel from the next `ready()` on. To be called before the first. */
  on(channel: string, hearer: Hearer): void {
    this.hearers.set(channel, [...(this.hearers.get(channel) ?? []), hearer]);
  }

  /** True while nothing that is said can be missed. */
  get listening(): boolean {
    return this.client !== undefined;
  }

  /** Listens when this comes back. Rejects while the database is away. */
  ready(): Promise<void> {
    if (this.client || this.closed) return Promise.resolve();
    this.opening ??= this.open().finally(() => (this.opening = undefined));
    return this.opening;
  }

  /** Listens as soon as the database lets it, and does not wait. */
  begin(): void {
    if (!this.closed) void this.ready().catch(() => setTimeout(() => this.begin(), AGAIN_MS).unref());
  }

  /** Hears nothing any more. */
  close(): void {
    this.closed = true;
    this.client?.release(true);
    this.client = undefined;
  }

  private async open(): Promise<void> {
    const client = await this.pool.connect();
    try {
      client.on("notification", ({ channel, payload }) => this.hearers.get(channel)?.forEach(({ heard }) => heard(payload ?? "")));
      client.on("error", (error) => this.lost(client, error));
      for (const channel of this.hearers.keys()) await client.query(`listen ${channel}`);
    } catch (error) {
      client.release(true);
      throw error;
    }
    if (this.closed) client.release(true);
    else this.client = client;
  }

  private lost(client: PoolClient, error: Error): void {
    if (this.client !== client) return;
    this.log.warn({ error: error.message }, "The listening connection to the database was lost.");
    this.client = undefined;
    client.release(true);
    for (const { lost } of [...this.hearers.values()].flat()) lost();
    this.begin();
  }
}
