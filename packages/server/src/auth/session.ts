import connectPgSimple from "connect-pg-simple";
import type { Request, RequestHandler } from "express";
import session from "express-session";
import type { Pool } from "pg";
import { signInFirst } from "../http/problem.js";

declare module "express-session" {
  interface SessionData {
    accountId: string;
  }
}

const A_FORTNIGHT_MS = 14 * 24 * 60 * 60 * 1000;

/** The session cookie, kept in PostgreSQL so that any process can read it. */
export function sessions(pool: Pool, secret: string): RequestHandler {
  const Store = connectPgSimple(session);
  return session({
    name: "lodrin",
    secret,
    store: new Store({ pool, tableName: "sessions", pruneSessionInterval: 3600 }),
    resave: false,
    saveUninitialized: false,
    rolling: true,
    cookie: { httpOnly: true, sameSite: "strict", secure: false, maxAge: A_FORTNIGHT_MS },
  });
}

/** The signed-in account, or a 401 problem. */
export function accountIdOf(request: Request): string {
  const id = request.session.accountId;
  if (!id) throw signInFirst();
  return id;
}

/** Starts a fresh session for an account: a new identifier, so that an old one cannot be carried over. */
export function startSession(request: Request, accountId: string): Promise<void> {
  return new Promise((resolve, reject) => {
    request.session.regenerate((error: unknown) => {
      if (error) return reject(error as Error);
      request.session.accountId = accountId;
      request.session.save((saveError: unknown) => (saveError ? reject(saveError as Error) : resolve()));
    });
  });
}

/** Ends the session. */
export function endSession(request: Request): Promise<void> {
  return new Promise((resolve, reject) => request.session.destroy((error: unknown) => (error ? reject(error as Error) : resolve())));
}
