import type { Role, Route } from "@lodrin/contract";
import connectPgSimple from "connect-pg-simple";
import type { Request, RequestHandler } from "express";
import session from "express-session";
import { LRUCache } from "lru-cache";
import type { Pool } from "pg";
import { refuseBelow } from "../access/role.js";
import { ProblemError, signInFirst } from "../http/problem.js";
import type { KnownSessions } from "./known-sessions.js";
import { nameOfSession } from "./session-list.js";

declare module "express-session" {
  interface SessionData {
    accountId: string;
    /** As it was when the session began: a changed role ends the account's sessions. */
    role: Role;
    since: string;
    device: string;
    /** Somebody else helped to the password, and the holder has not agreed: little may be called. */
    locked?: true;
  }
}

const A_FORTNIGHT_MS = 14 * 24 * 60 * 60 * 1000;

const AN_HOUR_MS = 60 * 60 * 1000;
const MOST_REMEMBERED = 20_000;

const PgStore = connectPgSimple(session);

/** Sessions in PostgreSQL. A visit lengthens its session at most once an hour: reading changes nothing in the database. */
class SessionStore extends PgStore {
  private readonly lengthened = new LRUCache<string, true>({ max: MOST_REMEMBERED, ttl: AN_HOUR_MS });

  constructor(
    pool: Pool,
    private readonly known: KnownSessions,
  ) {
    super({ pool, tableName: "sessions", pruneSessionInterval: 3600 });
  }

  override get(sid: string, done: (error: unknown, data?: session.SessionData | null) => void): void {
    const known = this.known.get(sid);
    if (known !== undefined) return done(null, JSON.parse(known) as session.SessionData);
    const remember = this.known.remember(sid);
    void super.get(sid, (error: unknown, data?: session.SessionData | null) => {
      if (data) remember(JSON.stringify(data));
      done(error, data);
    });
  }

  override destroy(sid: string, done?: (error?: unknown) => void): void {
    this.known.forget(nameOfSession(sid));
    void super.destroy(sid, done);
  }

  override touch(sid: string, data: session.SessionData, done?: () => void): void {
    if (this.lengthened.has(sid)) return done?.();
    this.lengthened.set(sid, true);
    void super.touch(sid, data, done);
  }
}

interface Kept {
  readonly pool: Pool;
  readonly knownSessions: KnownSessions;
  readonly sessionSecret: string;
}

/** The session cookie, kept in PostgreSQL so that any process can read it; `secure` when it is only ever sent over TLS. */
export function sessions({ pool, knownSessions, sessionSecret }: Kept, secure: boolean): RequestHandler {
  return session({
    name: "lodrin",
    secret: sessionSecret,
    store: new SessionStore(pool, knownSessions),
    resave: false,
    saveUninitialized: false,
    rolling: true,
    cookie: { httpOnly: true, sameSite: "strict", secure, maxAge: A_FORTNIGHT_MS },
  });
}

/** The signed-in account, or a 401 problem. */
function accountIdOf(request: Request): string {
  const id = request.session.accountId;
  if (!id) throw signInFirst();
  return id;
}

/** The account a call is made by, as far as the route asks for one. Throws 401, 403 and 423 problems. */
export function callerOf(request: Request, route: Pick<Route, "who" | "whileLocked">): string {
  if (route.who === "anyone") return request.session.accountId ?? "";
  const accountId = accountIdOf(request);
  if (request.session.locked && !route.whileLocked)
    throw new ProblemError(
      423,
      "Locked",
      "A new password was chosen for you by somebody else's link. Say that it is yours, or take your account back.",
    );
  refuseBelow(request.session.role ?? "student", route);
  return accountId;
}

const LONGEST_DEVICE = 120;

/** Starts a fresh session for an account: a new identifier, so that an old one cannot be carried over. */
export function startSession(request: Request, { id, role }: { readonly id: string; readonly role: Role }, locked = false): Promise<void> {
  return new Promise((resolve, reject) => {
    request.session.regenerate((error: unknown) => {
      if (error) return reject(error as Error);
      const device = (request.get("user-agent") ?? "").slice(0, LONGEST_DEVICE);
      Object.assign(request.session, { accountId: id, role, since: new Date().toISOString(), device, ...(locked ? { locked } : {}) });
      request.session.save((saveError: unknown) => (saveError ? reject(saveError as Error) : resolve()));
    });
  });
}

/** Ends the session. */
export function endSession(request: Request): Promise<void> {
  return new Promise((resolve, reject) => request.session.destroy((error: unknown) => (error ? reject(error as Error) : resolve())));
}
