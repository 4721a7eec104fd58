import type { LiveMessage } from "@lodrin/contract";
import type { Response } from "express";
import type { Pool } from "pg";
import type { Listener } from "../database/listener.js";
import { ProblemError } from "../http/problem.js";

/** Somebody who watches a class over one connection. */
interface Watcher {
  readonly response: Response;
  readonly accountId: string;
  /** Who leads the class is told who follows. */
  readonly teaches: boolean;
}

const CHANNEL = "lodrin_live";
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
  private closed = false;
  private readonly beat: NodeJS.Timeout;

  constructor(
    private readonly pool: Pool,
    private readonly listener: Listener,
  ) {
    // Whoever watches is let go when the database goes away, and comes again, so that nothing between is missed.
    listener.on(CHANNEL, { heard: (payload) => this.heard(payload), lost: () => this.each((w) => w.response.end()) });
    this.beat = setInterval(() => this.each((w) => w.response.write(":\n\n")), BEAT_MS).unref();
  }

  /** Watches a class until the connection ends. The database is listened to before this comes back: nothing is missed after it. */
  async watch(classId: string, watcher: Watcher): Promise<void> {
    // Whoever comes while the process is being stopped is to come to another.
    if (this.closed) throw new ProblemError(503, "Just stopping", "Lodrin is being started anew. Try again in a moment.");
    await this.listener.ready();
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
  }

  private each(act: (watcher: Watcher) => void): void {
    for (const here of this.watchers.values()) for (const watcher of here) act(watcher);
  }

  private heard(payload: string): void {
    const { classId, message } = JSON.parse(payload) as { classId: string; message: LiveMessage };
    for (const { response, teaches } of this.watchers.get(classId) ?? [])
      if (teaches || message.kind === "step") response.write(eventOf(message));
  }
}

/** A message as server-sent events carry it. */
export const eventOf = (message: LiveMessage): string => `data: ${JSON.stringify(message)}\n\n`;
