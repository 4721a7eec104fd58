import type { Pool } from "pg";
import { RateLimiterPostgres, RateLimiterRes } from "rate-limiter-flexible";
import { ProblemError } from "../http/problem.js";

/** Wrong tries of one account from one address in a quarter of an hour. */
const MOST_TRIES = 8;
/** New accounts from one address in an hour: a class that signs up together is let through. */
const MOST_SIGN_UPS = 60;
/** Letters to one address of mail in an hour, and asked for from one address of the net. */
const MOST_LETTERS = 3;
const MOST_LETTERS_ASKED = 30;
/** Wrong class codes one account tries in an hour. */
const MOST_CODES = 20;
/** Questions one account asks in an hour, and faults that browsers report from one address. */
const MOST_QUESTIONS = 60;
const MOST_FAULTS = 60;

/** Counts tries in PostgreSQL, so that every process counts alike, and counts before it is looked whether they are right. */
export class Attempts {
  private readonly signIns: RateLimiterPostgres;
  private readonly signUps: RateLimiterPostgres;
  private readonly letters: RateLimiterPostgres;
  private readonly lettersAsked: RateLimiterPostgres;
  private readonly codes: RateLimiterPostgres;
  private readonly questions: RateLimiterPostgres;
  private readonly faults: RateLimiterPostgres;

  constructor(pool: Pool) {
    // The table is made by a migration.
    const kept = { storeClient: pool, tableName: "rate_limits", tableCreated: true } as const;
    this.signIns = new RateLimiterPostgres({ ...kept, keyPrefix: "sign-in", points: MOST_TRIES, duration: 15 * 60 });
    this.signUps = new RateLimiterPostgres({ ...kept, keyPrefix: "sign-up", points: MOST_SIGN_UPS, duration: 60 * 60 });
    this.letters = new RateLimiterPostgres({ ...kept, keyPrefix: "letter", points: MOST_LETTERS, duration: 60 * 60 });
    this.lettersAsked = new RateLimiterPostgres({ ...kept, keyPrefix: "letter-asked", points: MOST_LETTERS_ASKED, duration: 60 * 60 });
    this.codes = new RateLimiterPostgres({ ...kept, keyPrefix: "class-code", points: MOST_CODES, duration: 60 * 60 });
    this.questions = new RateLimiterPostgres({ ...kept, keyPrefix: "question", points: MOST_QUESTIONS, duration: 60 * 60 });
    this.faults = new RateLimiterPostgres({ ...kept, keyPrefix: "fault", points: MOST_FAULTS, duration: 60 * 60 });
  }

  /**
   * Counts one try to sign in. It is counted for this account from this address: guesses from elsewhere never keep its owner
   * out. Throws ProblemError 429.
   */
  async signIn(email: string, address: string): Promise<void> {
    await counted(this.signIns, `${email} ${address}`, "That was wrong too often.");
  }

  /** A right password: what was counted is forgotten. */
  async signedIn(email: string, address: string): Promise<void> {
    await this.signIns.delete(`${email} ${address}`);
  }

  async signUp(address: string): Promise<void> {
    await counted(this.signUps, address, "Many accounts were made from here in the last hour.");
  }

  /** Counts a class code that an account tries, before it is known whether it is right. Throws ProblemError 429. */
  async classCode(accountId: string): Promise<void> {
    await counted(this.codes, accountId, "Many codes were tried in the last hour.");
  }

  /** A right class code: what was counted is forgotten. */
  async rightClassCode(accountId: string): Promise<void> {
    await this.codes.delete(accountId);
  }

  /** Counts a question or an answer of an account. Throws ProblemError 429. */
  async question(accountId: string): Promise<void> {
    await counted(this.questions, accountId, "You asked or answered many questions in the last hour.");
  }

  /** Counts a fault that a browser reports. Throws ProblemError 429. */
  async fault(address: string): Promise<void> {
    await counted(this.faults, address, "Many faults were reported from here in the last hour.");
  }

  /** Counts a letter that is asked for; false when its reader was sent enough of them already, which nobody is told. Throws ProblemError 429. */
  async letter(email: string, address: string): Promise<boolean> {
    await counted(this.lettersAsked, address, "Many letters were asked for from here in the last hour.");
    return this.letterTo(email);
  }

  /** Counts a letter to somebody; false when its reader was sent enough of them already. */
  async letterTo(email: string): Promise<boolean> {
    try {
      await this.letters.consume(email);
      return true;
    } catch (refused) {
      if (refused instanceof RateLimiterRes) return false;
      throw refused;
    }
  }
}

async function counted(limiter: RateLimiterPostgres, key: string, why: string): Promise<void> {
  try {
    await limiter.consume(key);
  } catch (refused) {
    if (!(refused instanceof RateLimiterRes)) throw refused;
    const seconds = Math.max(1, Math.ceil(refused.msBeforeNext / 1_000));
    throw new ProblemError(429, "Too many tries", `${why} ${waitText(seconds)}`, {}, seconds);
  }
}

const waitText = (seconds: number): string => {
  const minutes = Math.ceil(seconds / 60);
  return minutes === 1 ? "Wait a minute and try again." : `Wait ${minutes} minutes and try again.`;
};
