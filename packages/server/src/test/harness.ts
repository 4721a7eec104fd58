import { createHmac, randomBytes, randomUUID } from "node:crypto";
import { fileURLToPath } from "node:url";
import type { Express } from "express";
import type { Knex } from "knex";
import { pino } from "pino";
import request, { type Response } from "supertest";
import { type AppContext, createApp } from "../app.js";
import type { Role } from "@lodrin/contract";
import { AccountRow } from "../auth/account.js";
import { KnownSessions } from "../auth/known-sessions.js";
import { hashPassword } from "../auth/password.js";
import { LiveHub } from "../classes/live-hub.js";
import { connect, poolFor } from "../database/connect.js";
import { Listener } from "../database/listener.js";
import { FileMaker } from "../files/file-maker.js";
import { WaitingFiles } from "../files/waiting-files.js";
import { asPromised } from "./as-promised.js";
import { administer, TEMPLATE, urlOf } from "./database.js";

/** The worker as `./lodrin test` has bundled it. */
const WORKER = fileURLToPath(new URL("../../build/file-worker.mjs", import.meta.url));

/** An application on a database of its own, copied from the migrated template. */
export interface Harness {
  readonly app: Express;
  readonly knex: Knex;
  /** Of its database. */
  readonly name: string;
  readonly logged: string[];
  readonly live: LiveHub;
  readonly close: () => Promise<void>;
}

/** Opens a fresh harness; the template has the library on its shelf. */
export async function openHarness(more: Partial<AppContext> = {}): Promise<Harness> {
  const name = `lodrin_test_${randomBytes(6).toString("hex")}`;
  await administer(`create database ${name} template ${TEMPLATE}`);
  const url = urlOf(name);
  const knex = connect(url);
  const pool = poolFor(url);
  const logged: string[] = [];
  const log = pino({ level: "info" }, { write: (line: string) => void logged.push(line) });
  const files = new FileMaker(WORKER, undefined, new WaitingFiles(knex));
  const listener = new Listener(pool, log);
  const live = new LiveHub(pool, listener, log);
  const knownSessions = new KnownSessions(listener);
  listener.begin();
  const app = createApp({ knex, pool, log, files, live, knownSessions, sessionSecret: SECRET, webRoot: undefined, ...more });
  const close = async (): Promise<void> => {
    live.close();
    knownSessions.close();
    listener.close();
    await Promise.all([knex.destroy(), pool.end(), files.close()]);
    await administer(`drop database if exists ${name} with (force)`);
  };
  return { app, knex, name, logged, live, close };
}

/** A signed-in person: calls carry the session cookie. */
export interface Visitor {
  readonly get: (path: string) => Promise<Response>;
  /** Asks for a stream, and lets it go as soon as it has begun. */
  readonly begin: (path: string) => Promise<Response>;
  readonly send: (method: "post" | "patch" | "delete", path: string, body?: object) => Promise<Response>;
}

const SECRET = "for tests only";
const PASSWORD = "long enough 1";
const passwordHash = hashPassword(PASSWORD);

/**
 * Puts an account of a role into the database with a session, as a sign-up and a sign-in would: most tests are not about those, and
 * hashing passwords would take most of their time. Gives its id too.
 */
export async function enter(
  h: Harness,
  email: string,
  role: Role = "student",
  name = "Somebody",
): Promise<Visitor & { readonly id: string }> {
  const { id } = await AccountRow.query(h.knex).insert({ email, name, role, passwordHash: await passwordHash });
  const sid = randomUUID();
  const expires = new Date(Date.now() + A_DAY_MS);
  const cookie = { originalMaxAge: A_DAY_MS, expires, httpOnly: true, path: "/", sameSite: "strict" };
  const sess = JSON.stringify({ cookie, accountId: id, role, since: new Date().toISOString(), device: "" });
  await h.knex("sessions").insert({ sid, sess, expire: expires });
  // As express-session signs its cookies: "s:", the id, and an HMAC of it.
  const signed = createHmac("sha256", SECRET).update(sid).digest("base64").replace(/=+$/, "");
  const agent = request.agent(h.app);
  agent.jar.setCookie(`lodrin=${encodeURIComponent(`s:${sid}.${signed}`)}; path=/`, "127.0.0.1");
  return { id, ...visitorWith(agent) };
}
const A_DAY_MS = 86_400_000;

/** Signs a new account up, or in when its password is given, and gives its visitor. What is answered is held against the contract. */
export async function visitor(app: Express, email: string, password?: string): Promise<Visitor> {
  const agent = request.agent(app);
  if (password === undefined) await agent.post("/api/accounts").send({ email, name: "Somebody", password: "long enough 1" }).expect(201);
  else await agent.post("/api/session").send({ email, password }).expect(200);
  return visitorWith(agent);
}

function visitorWith(agent: ReturnType<typeof request.agent>): Visitor {
  return {
    // A ZIP is not read as text.
    get: async (path) => asPromised("get", path, await (path.endsWith("/data") ? agent.get(path).responseType("blob") : agent.get(path))),
    begin: (path) =>
      agent
        .get(path)
        .buffer(false)
        .parse((response, done) => {
          response.once("data", () => {
            done(null, undefined);
            (response as unknown as { destroy: () => void }).destroy();
          });
          response.once("end", () => done(null, undefined));
        }),
    send: async (method, path, body) =>
      asPromised(method, path, await (method === "delete" ? agent.delete(path) : agent[method](path).send(body ?? {}))),
  };
}
