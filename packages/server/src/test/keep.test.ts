import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import request from "supertest";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { connect } from "../database/connect.js";
import { dropReplaced } from "../database/purge.js";
import { errorTold } from "../log.js";
import { administer, urlOf } from "./database.js";
import { type Harness, openHarness, visitor } from "./harness.js";

const LODRIN = fileURLToPath(new URL("../../../../lodrin", import.meta.url));

let h: Harness;
const folder = mkdtempSync(join(tmpdir(), "lodrin-keep-"));
const file = join(folder, "all.backup");
const other = `lodrin_test_restored_${process.pid}`;
beforeAll(async () => {
  h = await openHarness();
  await administer(`drop database if exists ${other} with (force)`);
  await administer(`create database ${other}`);
});
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await h.close();
  await administer(`drop database if exists ${other} with (force)`);
});

function lodrin(database: string, ...typed: string[]): { code: number; out: string } {
  const { status, stdout, stderr } = spawnSync(LODRIN, typed, { encoding: "utf8", env: { ...process.env, DATABASE_URL: database } });
  return { code: status ?? -1, out: stdout + stderr };
}

const all = async (knex: Harness["knex"]): Promise<unknown> => ({
  accounts: await knex("accounts").orderBy("id"),
  people: await knex("people").orderBy("id"),
  sets: await knex("measurement_sets").orderBy("id"),
  drafts: await knex("drafts").orderBy("id"),
  systems: await knex("system_versions").orderBy("id"),
});

/** What is in a database, over a connection of its own: a restore ends those that there are. */
async function contents(database: string): Promise<unknown> {
  const knex = connect(urlOf(database));
  return all(knex).finally(() => knex.destroy());
}

/** How many damaged files are restored; LODRIN_DAMAGES=200 in the long run. */
const DAMAGES = Number(process.env["LODRIN_DAMAGES"] ?? 8);

describe("backup and restore", () => {
  const place = `lodrin_test_place_${process.pid}`;
  let before: unknown;
  beforeAll(async () => {
    await administer(`drop database if exists ${place} with (force)`);
    const v = await visitor(h.app, "kept@backup.example");
    const person = (await v.send("post", "/api/people", { name: "Ånsel ½″", isSelf: false, isChild: false, note: "'; drop table people;" }))
      .body as { id: string };
    await v.send("post", `/api/people/${person.id}/sets`, { takenOn: "2026-10-01", unit: "cm", written: { chest: "104 ½" }, note: "" });
    before = await all(h.knex);
    expect(lodrin(urlOf(h.name), "backup", file).out).toContain("keep it where only you can read it");
    await administer(`create database ${place}`);
  });
  afterAll(async () => {
    const rows = await administer(`select datname from pg_database where datname like '${place}%'`);
    for (const { datname } of rows) await administer(`drop database if exists "${datname}" with (force)`);
  });

  it("bring everything into an empty place, and over a full one only when that is said; what was there is kept and named", async () => {
    expect(lodrin(urlOf(place), "restore", file)).toMatchObject({ code: 0 });
    expect(await contents(place)).toEqual(before);
    const refused = lodrin(urlOf(place), "restore", file);
    expect(refused).toMatchObject({ code: 1 });
    expect(refused.out).toContain("There are 1 accounts here already");
    const knex = connect(urlOf(place));
    await knex("people").delete();
    await knex.destroy();
    const over = lodrin(urlOf(place), "restore", file, "--over");
    expect(over).toMatchObject({ code: 0 });
    expect(await contents(place)).toEqual(before);
    const kept = /database (\w+_before_\d{14})/.exec(over.out)?.[1] ?? "";
    expect(await contents(kept)).toMatchObject({ accounts: [{ email: "kept@backup.example" }], people: [] });
    const dropped = async (): Promise<number> => (await administer(`select 1 from pg_database where datname = '${kept}'`)).length;
    await dropReplacedOf(place);
    expect(await dropped()).toBe(1);
    const old = `${place}_before_20260101000000`;
    await administer(`alter database "${kept}" rename to "${old}"`);
    await dropReplacedOf(place);
    expect(await administer(`select 1 from pg_database where datname = '${old}'`)).toEqual([]);
  }, 60_000);

  it(
    `changes nothing when the file is damaged, cut or foreign (${DAMAGES} files)`,
    async () => {
      const whole = readFileSync(file);
      const there = await contents(place);
      const damaged = join(folder, "damaged.backup");
      const random = seeded(20261130);
      const between = (from: number, to: number): number => from + Math.floor(random() * (to - from));
      for (let n = 0; n < DAMAGES; n++) {
        const bytes = Buffer.from(whole);
        if (n % 2 === 0) for (let k = 0; k < 8; k++) bytes[between(0, bytes.length)] = between(0, 256);
        writeFileSync(damaged, n % 2 === 0 ? bytes : bytes.subarray(0, between(0, bytes.length - 1)));
        const { code, out } = lodrin(urlOf(place), "restore", damaged, "--over");
        // Where it hit what nobody reads (the file's padding), the backup's own data is there: never less than one of the two.
        if (code === 0) expect([n, await contents(place)]).toEqual([n, before]);
        else expect([n, out, await contents(place)]).toEqual([n, expect.stringContaining("Nothing was changed"), there]);
      }
      const foreign = join(folder, "foreign.dump");
      await administer(`create database ${place}_foreign`);
      spawnSync("bash", [
        "-c",
        `"$(ls -d /usr/lib/postgresql/*/bin | tail -n1)/pg_dump" -Fc "${urlOf(`${place}_foreign`)}" > "${foreign}"`,
      ]);
      const refused = lodrin(urlOf(place), "restore", foreign, "--over");
      expect(refused).toMatchObject({ code: 1, out: expect.stringContaining("has no checksum") as string });
      const unchecked = lodrin(urlOf(place), "restore", foreign, "--over", "--unchecked");
      expect(unchecked).toMatchObject({ code: 1, out: expect.stringContaining("holds no data of Lodrin") as string });
      expect(await contents(place)).toEqual(there);
    },
    60_000 + DAMAGES * 10_000,
  );

  it("say what is wrong: no file, no backup", () => {
    expect(lodrin(urlOf(other), "restore", join(folder, "none")).out).toContain("There is no file");
    expect(lodrin(urlOf(other), "restore", LODRIN).out).toContain("is no backup that Lodrin wrote");
    expect(lodrin(urlOf(other), "backup").out).toContain("./lodrin backup FILE");
  });
});

async function dropReplacedOf(database: string): Promise<void> {
  const knex = connect(urlOf(database));
  await dropReplaced(knex).finally(() => knex.destroy());
}

/** Numbers from 0 to 1 that are the same in every run (mulberry32, from memory). */
function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

describe("the people of the place, from the command line", () => {
  it("are listed, added, given a role, helped back in and deleted", async () => {
    const user = (...typed: string[]): { code: number; out: string } => lodrin(urlOf(h.name), "user", ...typed);
    const added = user("add", "Tove@Quillmoor.example", "Tove Lark", "instructor");
    const token = /#(\S+)/.exec(added.out)?.[1] ?? "";
    await request(h.app).post("/api/password-reset").send({ token, password: "lantern-night" }).expect(201);
    const signedIn = request.agent(h.app);
    expect((await signedIn.post("/api/session").send({ email: "tove@quillmoor.example", password: "lantern-night" })).body).toMatchObject({
      role: "instructor",
    });
    expect(user("list").out).toContain("instructor  tove@quillmoor.example");
    expect(user("role", "tove@quillmoor.example", "owner")).toMatchObject({ code: 0 });
    await signedIn.get("/api/session").expect(401);
    expect(user("reset-password", "tove@quillmoor.example").out).toContain("/new-password#");
    expect(user("add", "tove@quillmoor.example", "Again")).toMatchObject({ code: 2 });
    expect(user("role", "tove@quillmoor.example", "queen").out).toContain("A role is one of: student, instructor, owner.");
    expect(user("delete", "tove@quillmoor.example")).toMatchObject({ code: 0 });
    expect(user("delete", "tove@quillmoor.example")).toMatchObject({ code: 2 });
    expect(user().out).toContain("./lodrin user add");
  }, 60_000);
});

describe("the log", () => {
  it("keeps of a database's error its code, and nothing that was typed", () => {
    const error = Object.assign(new Error("insert into accounts … Key (email)=(pim@quillmoor.example) already exists"), {
      code: "23505",
      detail: "pim@quillmoor.example",
    });
    const told = errorTold(error);
    expect(told).toMatchObject({ type: "Error", code: "23505", message: undefined });
    expect(JSON.stringify(told)).not.toContain("pim@");
    expect(errorTold(new Error("a slip of ours")).message).toBe("a slip of ours");
  });
});

describe("while the database is away", () => {
  it("every call is answered 503 with when to come again", async () => {
    const away = await openHarness();
    const v = await visitor(away.app, "away@quillmoor.example");
    await administer(`alter database ${away.name} with allow_connections false`);
    await administer(`select pg_terminate_backend(pid) from pg_stat_activity where datname = '${away.name}'`);
    for (const path of ["/api/session", "/api/people", "/api/health"]) {
      const reply = await v.get(path);
      expect([path, reply.status, reply.headers["retry-after"]]).toEqual([path, 503, "2"]);
    }
    await request(away.app).post("/api/session").send({ email: "away@quillmoor.example", password: "long enough 1" }).expect(503);
    await administer(`alter database ${away.name} with allow_connections true`);
    expect((await v.get("/api/people")).status).toBe(200);
    await away.close();
  }, 60_000);
});
