import { LRUCache } from "lru-cache";
import type { Listener } from "../database/listener.js";
import { endedHere, nameOfSession } from "./session-list.js";

const CHANNEL = "lodrin_sessions";
const MOST_KNOWN = 20_000;
/** Should a word of the database ever get lost, an ended session ends here after so long all the same. */
const LONGEST_MS = 30_000;

/**
 * The sessions a process has read lately, as the store keeps them. The database tells every process when one is changed or
 * ended (a trigger, so that whoever ends it, it is told); while nobody listens, none is known and each is read.
 */
export class KnownSessions {
  private readonly known = new LRUCache<string, string>({ max: MOST_KNOWN, ttl: LONGEST_MS });
  private changes = 0;

  constructor(private readonly listener: Listener) {
    listener.on(CHANNEL, { heard: this.forget, lost: () => this.forgetAll() });
    endedHere.on("ended", this.forget);
  }

  /** A session that was read before, as JSON. */
  get(sid: string): string | undefined {
    return this.listener.listening ? this.known.get(nameOfSession(sid)) : undefined;
  }

  /** Begins to read a session: what is given back remembers it, unless any session was changed meanwhile. */
  remember(sid: string): (json: string) => void {
    const { changes } = this;
    return (json) => void (this.listener.listening && changes === this.changes && this.known.set(nameOfSession(sid), json));
  }

  /** Reads every session again from now on. */
  close(): void {
    endedHere.off("ended", this.forget);
    this.forgetAll();
  }

  /** Takes a session for unknown, by its name. */
  readonly forget = (name: string): void => {
    this.changes++;
    this.known.delete(name);
  };

  private forgetAll(): void {
    this.changes++;
    this.known.clear();
  }
}
