import type { LiveMessage } from "@lodrin/contract";
import type { Response } from "express";
import type { Pool } from "pg";
import type { Logger } from "pino";
import type { Listener } from "../database/listener.js";
import { ProblemError } from "../http/problem.js";

/** Somebody who watches a class over one connection. */
export interface Watcher {
  readonly response: Response;
  readonly accountId: string;
  /** The name of the session it was opened with. */
  readonly session: string;
  /** What the account may see of the class now; rejects when it may see nothing any more. */
  readonly access: () => Promise<{ readonly teaches: boolean }>;
}

/** A watcher while it is connected. */
interface Connection extends Watcher {
  readonly classId: string;
  /** Who leads the class receives who follows. */
  teaches: boolean;
}

const CHANNEL = "lodrin_live";
const RIGHTS = "lodrin_rights";
const SESSIONS = "lodrin_sessions";
/** An event now and then keeps the connection from being taken for dead; a browser that receives none opens another. */
const BEAT_MS = 20_000;
const BEAT = "event: beat\ndata: 1\n\n";
/** How many streams one account may have open in each process, over all its classes. */
const MOST_STREAMS = 8;
/** PostgreSQL carries so many bytes in a notification. */
const MOST_BYTES = 7_500;
/** A reader that has so much unread (bytes) has stalled. */
const MOST_UNREAD = 256 * 1_024;

/**
 * Brings what happens in a class to everyone who watches it, over any number of server processes: each listens to the
 * database and passes on to its own watchers. Who may watch is asked again whenever rights or sessions change.
 */
export class LiveHub {
  private readonly connections = new Set<Connection>();
  private closed = false;
  private readonly beat: NodeJS.Timeout;

  constructor(
    private readonly pool: Pool,
    private readonly listener: Listener,
    private readonly log: Logger,
  ) {
    // Whoever watches is let go when the database goes away, and comes again, so that nothing between is missed.
    const lost = (): void => this.letGo(() => true);
    listener.on(CHANNEL, { heard: (payload) => this.passOn(payload), lost });
    listener.on(RIGHTS, { heard: (payload) => this.rightsChanged(payload), lost });
    listener.on(SESSIONS, { heard: (name) => this.checkAgain((c) => c.session === name), lost });
    this.beat = setInterval(() => this.connections.forEach((c) => this.send(c, BEAT)), BEAT_MS).unref();
  }

  /** Watches a class until the connection ends. The database is listened to before this comes back: nothing is missed after it. */
  async watch(classId: string, watcher: Watcher): Promise<void> {
    // Whoever comes while the process is being stopped is to come to another.
    if (this.closed) throw new ProblemError(503, "Just stopping", "Lodrin is restarting. Try again in a moment.");
    await this.listener.ready();
    const { response, accountId } = watcher;
    // Nobody has so many screens: the oldest of too many is let go.
    const own = [...this.connections].filter((c) => c.accountId === accountId);
    for (const oldest of own.slice(0, Math.max(0, own.length - MOST_STREAMS + 1))) this.end(oldest);
    const connection: Connection = { ...watcher, classId, teaches: false };
    // Known first, asked then: a right that ends between the two ends the stream.
    this.connections.add(connection);
    response.once("close", () => this.connections.delete(connection));
    try {
      connection.teaches = (await watcher.access()).teaches;
    } catch (error) {
      this.connections.delete(connection);
      throw error;
    }
  }

  /** Sends to everyone who watches a class, in whichever process. */
  async publish(classId: string, message: LiveMessage): Promise<void> {
    const text = JSON.stringify({ classId, message });
    if (Buffer.byteLength(text) <= MOST_BYTES) await this.pool.query("select pg_notify($1, $2)", [CHANNEL, text]);
  }

  /** Ends every connection: whoever watches comes again, to another process. */
  close(): void {
    this.closed = true;
    clearInterval(this.beat);
    this.letGo(() => true);
  }

  /** How many connections there are in this process. */
  get size(): number {
    return this.connections.size;
  }

  private passOn(payload: string): void {
    const said = this.parsed(payload) as { classId?: string; message?: LiveMessage } | undefined;
    const { message } = said ?? {};
    if (message === undefined) return;
    for (const c of this.connections)
      if (c.classId === said?.classId && (c.teaches || message.kind === "step")) this.send(c, eventOf(message));
  }

  private rightsChanged(payload: string): void {
    const { accountId, classId } = (this.parsed(payload) ?? {}) as { accountId?: string; classId?: string };
    this.checkAgain((c) => c.accountId === accountId || c.classId === classId);
  }

  /** A notification that is no JSON is somebody's mistake, and no reason to stop. */
  private parsed(payload: string): unknown {
    try {
      return JSON.parse(payload);
    } catch (error) {
      this.log.warn({ error: (error as Error).message }, "A notification of the database is no JSON.");
      return undefined;
    }
  }

  private checkAgain(concerns: (connection: Connection) => boolean): void {
    for (const connection of this.connections)
      if (concerns(connection))
        connection.access().then(
          ({ teaches }) => (connection.teaches = teaches),
          // No right any more, or none that could be read: whoever still has one comes again.
          () => this.end(connection),
        );
  }

  private send(connection: Connection, text: string): void {
    const { response } = connection;
    if (!isOpen(response)) return this.end(connection);
    if (response.writableLength > MOST_UNREAD) {
      this.connections.delete(connection);
      return void response.destroy();
    }
    response.write(text);
  }

  private letGo(which: (connection: Connection) => boolean): void {
    for (const connection of [...this.connections]) if (which(connection)) this.end(connection);
  }

  /** Removed first: nothing is written after the end. */
  private end(connection: Connection): void {
    this.connections.delete(connection);
    if (isOpen(connection.response)) connection.response.end();
  }
}

/** A response that can still be written to; one that waits behind others on its connection has none of its own yet. */
const isOpen = (response: Response): boolean =>
  !response.writableEnded && !response.destroyed && !(response.req.socket as { destroyed?: boolean }).destroyed;

/** A message as server-sent events carry it. */
export const eventOf = (message: LiveMessage): string => `data: ${JSON.stringify(message)}\n\n`;
