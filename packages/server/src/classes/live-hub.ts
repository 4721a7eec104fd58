import type { LiveMessage } from "@lodrin/contract";
import type { Response } from "express";
import type { Pool, PoolClient } from "pg";
import type { Logger } from "pino";
import { ProblemError } from "../http/problem.js";

/** Somebody who watches a class over one connection. */
interface Watcher {
  readonly response: Response;
  readonly accountId: string;
  /** Who leads the class is told who follows. */
  readonly teaches: boolean;
}

const CHANNEL = "lodrin_live";
/** How soon a lost connection to the database is made again. */
const AGAIN_MS = 500;
/** A word now and then keeps the connection from being taken for dead. */
const BEAT_MS = 20_000;
/** So many screens one account may follow a class on, in each process. */
const MOST_SCREENS = 8;
/** PostgreSQL carries so many bytes in a notification. */
const MOST_BYTES = 7_500;

/**
 * Brings what happens in a class to everyone who watches it, over any number of server processes: each listens at the
 * database and hands on to its own watchers.
 */
export class LiveHub {
  private readonly watchers = new Map<string, Set<Watcher>>();
  private client: PoolClient | undefined;
  private opening: Promise<void> | undefined;
  private closed = false;
  private readonly beat: NodeJS.Timeout;

  constructor(
    private readonly pool: Pool,
    private readonly log: Logger,
  ) {
    this.beat = setInterval(() => this.each((w) => w.response.write(":\n\n")), BEAT_MS).unref();
  }

  /** Watches a class until the connection ends. The database is listened to before this comes back: nothing is missed after it. */
  async watch(classId: string, watcher: Watcher): Promise<void> {
    // Whoever comes while the process is being stopped is to come to another.
    if (this.closed) throw new ProblemError(503, "Just stopping", "Lodrin is being started anew. Try again in a moment.");
    await this.listen();
    const here = this.watchers.get(classId) ?? new Set();
    // Nobody has so many screens: the oldest of too many is let go.
    const own = [...here].filter((w) => w.accountId === watcher.accountId);
    if (own.length >= MOST_SCREENS) own[0]?.response.end();
    this.watchers.set(classId, here.add(watcher));
    watcher.response.on("close", () => {
      here.delete(watcher);
      if (here.size === 0) this.watchers.delete(classId);
    });
  }

  /** Tells everyone who watches a class, in whichever process. */
  async tell(classId: string, message: LiveMessage): Promise<void> {
    const text = JSON.stringify({ classId, message });
    if (Buffer.byteLength(text) <= MOST_BYTES) await this.pool.query("select pg_notify($1, $2)", [CHANNEL, text]);
  }

  /** Ends every connection: whoever watches comes again, to another process. */
  close(): void {
    this.closed = true;
    clearInterval(this.beat);
    this.each((w) => w.response.end());
    this.client?.release(true);
    this.client = undefined;
  }

  private each(act: (watcher: Watcher) => void): void {
    for (const here of this.watchers.values()) for (const watcher of here) act(watcher);
  }

  private listen(): Promise<void> {
    if (this.client) return Promise.resolve();
    this.opening ??= this.open().finally(() => (this.opening = undefined));
    return this.opening;
  }

  private async open(): Promise<void> {
    const client = await this.pool.connect();
    client.on("notification", ({ payload }) => this.heard(payload));
    client.on("error", (error) => this.lost(client, error));
    await client.query(`listen ${CHANNEL}`);
    if (this.closed) client.release(true);
    else this.client = client;
  }

  /** The database went away: whoever watches is let go and comes again, so that nothing between is missed. */
  private lost(client: PoolClient, error: Error): void {
    if (this.client !== client) return;
    this.log.warn({ error: error.message }, "The listening connection to the database was lost.");
    this.client = undefined;
    client.release(true);
    this.each((w) => w.response.end());
    if (!this.closed) setTimeout(() => void this.listen().catch(() => undefined), AGAIN_MS).unref();
  }

  private heard(payload: string | undefined): void {
    if (payload === undefined) return;
    const { classId, message } = JSON.parse(payload) as { classId: string; message: LiveMessage };
    for (const { response, teaches } of this.watchers.get(classId) ?? [])
      if (teaches || message.kind === "step") response.write(eventOf(message));
  }
}

/** A message as server-sent events carry it. */
export const eventOf = (message: LiveMessage): string => `data: ${JSON.stringify(message)}\n\n`;
