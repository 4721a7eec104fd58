import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import request from "supertest";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
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

describe("backup and restore", () => {
  it("bring everything into an empty place, and over a full one only when that is said", async () => {
    const v = await visitor(h.app, "kept@backup.example");
    const person = (await v.send("post", "/api/people", { name: "Ånsel ½″", isSelf: false, isChild: false, note: "'; drop table people;" }))
      .body as { id: string };
    await v.send("post", `/api/people/${person.id}/sets`, { takenOn: "2026-10-01", unit: "cm", written: { chest: "104 ½" }, note: "" });
    const before = await all(h.knex);
    const wrote = lodrin(urlOf(h.name), "backup", file);
    expect(wrote.out).toContain("keep it where only you can read it");
    expect(lodrin(urlOf(other), "restore", file)).toMatchObject({ code: 0 });
    const refused = lodrin(urlOf(h.name), "restore", file);
    expect(refused).toMatchObject({ code: 1 });
    expect(refused.out).toContain("There are 1 accounts here already");
    await v.send("delete", `/api/people/${person.id}`);
    await h.knex("people").delete();
    expect(lodrin(urlOf(h.name), "restore", file, "--over")).toMatchObject({ code: 0 });
    expect(await all(h.knex)).toEqual(before);
    await request(h.app).post("/api/session").send({ email: "kept@backup.example", password: "long enough 1" }).expect(200);
  }, 60_000);

  it("say what is wrong: no file, no backup", () => {
    expect(lodrin(urlOf(other), "restore", join(folder, "none")).out).toContain("There is no file");
    expect(lodrin(urlOf(other), "restore", LODRIN).out).toContain("is no backup that Lodrin wrote");
    expect(lodrin(urlOf(other), "backup").out).toContain("./lodrin backup FILE");
  });
});

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
