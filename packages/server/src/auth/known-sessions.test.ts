import type { Pool } from "pg";
import { pino } from "pino";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { poolFor } from "../database/connect.js";
import { Listener } from "../database/listener.js";
import { urlOf } from "../test/database.js";
import { type Harness, openHarness, visitor } from "../test/harness.js";
import { KnownSessions } from "./known-sessions.js";

// What another process of the same place knows of the sessions.
let h: Harness;
let pool: Pool;
let listener: Listener;
let known: KnownSessions;
beforeAll(async () => {
  h = await openHarness();
  pool = poolFor(urlOf(h.name));
  listener = new Listener(pool, pino({ level: "silent" }));
  known = new KnownSessions(listener);
  await listener.ready();
});
afterAll(async () => {
  known.close();
  listener.close();
  await pool.end();
  await h.close();
});

const sessionOf = async (email: string): Promise<string> => {
  const [row] = (await h
    .knex("sessions")
    .whereRaw("sess ->> 'accountId' = (select id::text from accounts where email = ?)", [email])
    .select("sid")) as { sid: string }[];
  return row?.sid ?? "";
};

describe("a session that a process knows", () => {
  it("is forgotten when another process ends it", async () => {
    const mine = await visitor(h.app, "ends@known.example");
    const sid = await sessionOf("ends@known.example");
    known.remember(sid)("{}");
    expect(known.get(sid)).toBe("{}");
    await mine.send("delete", "/api/session");
    await expect.poll(() => known.get(sid)).toBeUndefined();
  });

  it("is forgotten when it is changed, and when it is deleted in the database by whomever", async () => {
    await visitor(h.app, "changed@known.example");
    const sid = await sessionOf("changed@known.example");
    for (const change of [
      () =>
        h
          .knex("sessions")
          .where({ sid })
          .update({ sess: { a: 1 } }),
      () => h.knex("sessions").where({ sid }).delete(),
    ]) {
      known.remember(sid)("{}");
      await change();
      await expect.poll(() => known.get(sid)).toBeUndefined();
    }
  });

  it("is not known when it may have been ended while it was read", async () => {
    await visitor(h.app, "meanwhile@known.example");
    const sid = await sessionOf("meanwhile@known.example");
    const remember = known.remember(sid);
    known.remember(sid)("{}");
    await h.knex("sessions").where({ sid }).delete();
    await expect.poll(() => known.get(sid)).toBeUndefined();
    remember("{}");
    expect(known.get(sid)).toBeUndefined();
  });

  it("is read again while nobody listens, and known again when the connection is back", async () => {
    known.remember("somebody")("{}");
    await h.knex.raw(
      "select pg_terminate_backend(pid) from pg_stat_activity where datname = ? and query like 'listen%' and pid <> pg_backend_pid()",
      [h.name],
    );
    await expect.poll(() => known.get("somebody")).toBeUndefined();
    await expect.poll(() => listener.listening, { timeout: 5_000 }).toBe(true);
    expect(known.get("somebody")).toBeUndefined();
    known.remember("somebody")("{}");
    expect(known.get("somebody")).toBe("{}");
  });
});
