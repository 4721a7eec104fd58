import type { Knex } from "knex";
import { LRUCache } from "lru-cache";
import { ProblemError } from "../http/problem.js";

/** What a row costs beside its text (bytes), roughly: its columns, its indexes. */
const ROW_BYTES = 400;
/** A sum is taken again when it is so old, or so much was sent since. */
const AGE_MS = 10 * 60_000;
const SENT_BYTES = 512 * 1_024;
const MOST_KNOWN = 20_000;

const text = (...columns: string[]): string => columns.map((column) => `coalesce(pg_column_size(${column}), 0)`).join(" + ");
const sum = (from: string, size = "0"): string => `select coalesce(sum(${size} + ${ROW_BYTES}), 0)::bigint as n from ${from}`;

/** Everything an account keeps here. Columns as they are stored (compressed), without reading what lies outside of the row. */
const USED = [
  sum("people where owner_id = :id"),
  sum("measurement_sets s join people p on p.id = s.person_id where p.owner_id = :id", text("s.written", "s.note")),
  sum("drafts where owner_id = :id", text("measurements", "settings", "note")),
  sum("draft_readings r join drafts d on d.id = r.draft_id where d.owner_id = :id", text("r.says")),
  sum("draft_tables r join drafts d on d.id = r.draft_id where d.owner_id = :id", text("r.ticked")),
  sum("hand_ins where account_id = :id", text("picture", "measurements", "readings", "marks_on_picture", "note")),
  sum("comments where by_id = :id", text("text")),
  sum("questions where by_id = :id", text("text")),
  sum("answers where by_id = :id", text("text")),
  sum("works where owner_id = :id", text("notation")),
  sum("system_versions where owner_id = :id", text("notation", "bases")),
  sum("size_charts where owner_id = :id", text("columns", "sizes")),
  sum("lessons l join classes c on c.id = l.class_id where c.teacher_id = :id", text("l.pages")),
  sum("assignments a join classes c on c.id = a.class_id where c.teacher_id = :id", text("a.text", "a.body")),
  sum("classes where teacher_id = :id", text("note")),
].join(" union all ");

/** How much an account, and the place as a whole, may keep (bytes). */
export interface Quota {
  readonly account: number;
  readonly place: number;
}

export const USUAL_QUOTA: Quota = { account: 100 * 1_024 ** 2, place: 20 * 1_024 ** 3 };

interface Sum {
  readonly used: number;
  readonly sent: number;
}

/** Keeps accounts and the place within their space: what would go beyond it is refused before anything is written. */
export class Usage {
  private readonly accounts = new LRUCache<string, Sum>({ max: MOST_KNOWN, ttl: AGE_MS });
  private wholeAt = 0;
  private whole = 0;

  constructor(
    private readonly knex: Knex,
    readonly quota: Quota,
  ) {}

  /** What an account keeps just now (bytes). */
  async ofAccount(accountId: string): Promise<number> {
    const { rows } = (await this.knex.raw(`select sum(n)::bigint as used from (${USED}) s`, { id: accountId })) as {
      rows: { used: string }[];
    };
    const used = Number(rows[0]?.used ?? 0);
    this.accounts.set(accountId, { used, sent: 0 });
    return used;
  }

  /** What the whole place takes on the disk (bytes). */
  async ofPlace(): Promise<number> {
    if (Date.now() - this.wholeAt > AGE_MS) {
      const { rows } = (await this.knex.raw("select pg_database_size(current_database())::bigint as used")) as { rows: { used: string }[] };
      this.whole = Number(rows[0]?.used ?? 0);
      this.wholeAt = Date.now();
    }
    return this.whole;
  }

  /** Counts what an account sends. Throws ProblemError 507 when it, or the place, is full. */
  async count(accountId: string, bytes: number): Promise<void> {
    const known = this.accounts.get(accountId);
    if (known && known.sent < SENT_BYTES && known.used + known.sent + bytes <= this.quota.account) {
      this.accounts.set(accountId, { used: known.used, sent: known.sent + bytes }, { noUpdateTTL: true });
      return;
    }
    const used = await this.ofAccount(accountId);
    if (used + bytes > this.quota.account)
      throw full("Your space is full", "Delete what you no longer need, under “Deleted” for good, then try again.");
    if ((await this.ofPlace()) + bytes > this.quota.place)
      throw full("Lodrin is full", "Whoever looks after this Lodrin must make room. What you typed is kept on this screen.");
    this.accounts.set(accountId, { used, sent: bytes });
  }
}

const full = (title: string, detail: string): ProblemError => new ProblemError(507, title, detail);
