import { strFromU8, unzipSync } from "fflate";
import request from "supertest";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { AccountEvent } from "@lodrin/contract";
import { purgeDeleted } from "../database/purge.js";
import { migrate, unmigrate } from "../database/migrate.js";
import { type Harness, openHarness, type Visitor, visitor } from "../test/harness.js";
import { AccountRow } from "./account.js";

let h: Harness;
beforeAll(async () => {
  h = await openHarness();
});
afterAll(() => h.close());

const signIn = (email: string, password: string): request.Test => request(h.app).post("/api/session").send({ email, password });

describe("the first account of an empty place", () => {
  it("owns it; the next is a student", async () => {
    const first = await visitor(h.app, "first@place.example");
    const second = await visitor(h.app, "second@place.example");
    expect((await first.get("/api/session")).body).toMatchObject({ role: "owner" });
    expect((await second.get("/api/session")).body).toMatchObject({ role: "student" });
  });
});

describe("one's own account", () => {
  it("a new password ends every other session, and only the right old one changes it", async () => {
    const here = await visitor(h.app, "change@own.example");
    const elsewhere = await visitor(h.app, "change@own.example", "long enough 1");
    expect((await here.send("post", "/api/account/password", { old: "wrong", password: "another long one" })).status).toBe(403);
    expect((await here.send("post", "/api/account/password", { old: "long enough 1", password: "          " })).status).toBe(400);
    expect((await here.send("post", "/api/account/password", { old: "long enough 1", password: "another long one" })).status).toBe(201);
    expect((await here.get("/api/session")).status).toBe(200);
    expect((await elsewhere.get("/api/session")).status).toBe(401);
    await signIn("change@own.example", "long enough 1").expect(401);
    await signIn("change@own.example", "another long one").expect(200);
  });

  it("sees where it is signed in, and ends it elsewhere", async () => {
    const here = await visitor(h.app, "places@own.example");
    const elsewhere = await visitor(h.app, "places@own.example", "long enough 1");
    const places = (await here.get("/api/account/sessions")).body as { id: string; here: boolean; since: string }[];
    expect(places.map((p) => p.here).sort()).toEqual([false, true]);
    for (const { id } of places) expect(id).toMatch(/^[0-9a-f]{16}$/);
    await here.send("delete", "/api/account/sessions");
    expect((await elsewhere.get("/api/session")).status).toBe(401);
    expect((await here.get("/api/account/sessions")).body).toHaveLength(1);
  });

  it("takes all its data along, and nobody else's", async () => {
    const v = await visitor(h.app, "data@own.example");
    const person = (await v.send("post", "/api/people", { name: "Ansel", isSelf: false, isChild: false, note: "tall" })).body as {
      id: string;
    };
    await v.send("post", `/api/people/${person.id}/sets`, {
      takenOn: "2026-10-01",
      unit: "cm",
      written: { chest: "104", note_: "=1" },
      note: "",
    });
    const reply = await v.get("/api/account/data");
    expect(reply.headers["content-disposition"]).toContain("lodrin-my-data.zip");
    const files = unzipSync(new Uint8Array(reply.body as Buffer));
    const text = (name: string): string => strFromU8(files[name] as Uint8Array);
    const everything = JSON.parse(text("lodrin.json")) as { account: object; people: { name: string }[] };
    expect(everything.account).toMatchObject({ email: "data@own.example" });
    expect(everything.people).toMatchObject([{ name: "Ansel", note: "tall" }]);
    expect(text("measurements.csv")).toContain("Ansel,2026-10-01,chest,104,cm");
    for (const other of ["argon2", "change@own.example", "password"]) expect(text("lodrin.json")).not.toContain(other);
  });

  it("is gone with everything in it when it is deleted", async () => {
    const v = await visitor(h.app, "gone@own.example");
    const elsewhere = await visitor(h.app, "gone@own.example", "long enough 1");
    const person = (await v.send("post", "/api/people", { name: "Gone", isSelf: false, isChild: false, note: "" })).body as { id: string };
    await v.send("post", `/api/people/${person.id}/sets`, { takenOn: "2026-10-01", unit: "cm", written: { chest: "104" }, note: "" });
    expect((await v.send("post", "/api/account/remove", { password: "wrong" })).status).toBe(403);
    expect((await v.send("post", "/api/account/remove", { password: "long enough 1" })).status).toBe(201);
    for (const gone of [v, elsewhere]) expect((await gone.get("/api/session")).status).toBe(401);
    expect(await h.knex("people").where({ id: person.id })).toEqual([]);
    expect(await h.knex("measurement_sets").where({ personId: person.id })).toEqual([]);
    await signIn("gone@own.example", "long enough 1").expect(401);
  });
});

describe("a forgotten password", () => {
  const linkFor = async (helper: Visitor, email: string): Promise<string> => {
    const { id } = (await AccountRow.query(h.knex).findOne({ email })) as AccountRow;
    const { path } = (await helper.send("post", `/api/accounts/${id}/reset-link`)).body as { path: string };
    return path.split("#")[1] ?? "";
  };

  it("is set again by a link, once, and every session ends", async () => {
    const owner = await visitor(h.app, "first@place.example", "long enough 1");
    const v = await visitor(h.app, "forgot@own.example");
    const earlier = await linkFor(owner, "forgot@own.example");
    const token = await linkFor(owner, "forgot@own.example");
    const reset = (given: string, password: string): request.Test =>
      request(h.app).post("/api/password-reset").send({ token: given, password });
    await reset(earlier, "brand new word").expect(410);
    await reset(token, "1234567890").expect(400);
    await reset(token, "brand new word").expect(201);
    await reset(token, "brand new word").expect(410);
    expect((await v.get("/api/session")).status).toBe(401);
    await signIn("forgot@own.example", "brand new word").expect(200);
    expect(JSON.stringify(await h.knex("password_resets"))).not.toContain(token);
    const late = await linkFor(owner, "forgot@own.example");
    await h.knex("password_resets").update({ until: h.knex.raw("now() - interval '1 minute'") });
    await reset(late, "brand new word").expect(410);
  });
});

describe("what was done about an account", () => {
  it("is shown to whom it concerns, and to nobody else", async () => {
    const owner = await visitor(h.app, "first@place.example", "long enough 1");
    await visitor(h.app, "watched@own.example");
    const { id } = (await AccountRow.query(h.knex).findOne({ email: "watched@own.example" })) as AccountRow;
    const { path } = (await owner.send("post", `/api/accounts/${id}/reset-link`)).body as { path: string };
    await request(h.app)
      .post("/api/password-reset")
      .send({ token: path.split("#")[1], password: "long enough 2" })
      .expect(201);
    await owner.send("patch", `/api/accounts/${id}`, { role: "instructor" });
    const v = await visitor(h.app, "watched@own.example", "long enough 2");
    await v.send("post", "/api/account/password-notice");
    await v.get("/api/account/data");
    const told = (await v.get("/api/account/events")).body as AccountEvent[];
    expect(told.map(({ what, by }) => [what, by])).toEqual([
      ["data-taken-out", "you"],
      ["role-changed", "Somebody"],
      ["password-reset", "you"],
      ["reset-link-made", "Somebody"],
    ]);
    expect((await owner.get("/api/account/events")).body).not.toContainEqual(expect.objectContaining({ what: "role-changed" }));
  });
});

describe("what was deleted", () => {
  it("is gone for good after thirty days, or at once when that is asked", async () => {
    const v = await visitor(h.app, "purged@own.example");
    const add = async (name: string): Promise<string> =>
      ((await v.send("post", "/api/people", { name, isSelf: false, isChild: false, note: "" })).body as { id: string }).id;
    const [old, recent, erased, kept] = [await add("Old"), await add("Recent"), await add("Erased"), await add("Kept")];
    for (const id of [old, recent]) await v.send("delete", `/api/people/${id}`);
    await h
      .knex("people")
      .where({ id: old })
      .update({ deletedAt: h.knex.raw("now() - interval '31 days'") });
    // For good is the second act.
    expect((await v.send("post", `/api/deleted/person/${erased}/erase`)).status).toBe(404);
    await v.send("delete", `/api/people/${erased}`);
    expect((await v.send("post", `/api/deleted/person/${erased}/erase`)).status).toBe(201);
    await purgeDeleted(h.knex);
    const left = (await h.knex("people").whereIn("id", [old, recent, erased, kept]).orderBy("name")) as { name: string }[];
    expect(left.map((p) => p.name)).toEqual(["Kept", "Recent"]);
    expect((await v.send("post", `/api/people/${recent}/restore`)).status).toBe(201);
  });
});

describe("roles", () => {
  it("a changed role is asked for at the next call: the account signs in again", async () => {
    const owner = await visitor(h.app, "first@place.example", "long enough 1");
    const teacher = await visitor(h.app, "teacher@place.example");
    expect((await teacher.get("/api/accounts")).status).toBe(403);
    const { id } = (await AccountRow.query(h.knex).findOne({ email: "teacher@place.example" })) as AccountRow;
    expect((await owner.send("patch", `/api/accounts/${id}`, { role: "instructor" })).body).toMatchObject({ role: "instructor" });
    expect((await teacher.get("/api/accounts")).status).toBe(401);
    const again = await visitor(h.app, "teacher@place.example", "long enough 1");
    expect((await again.get("/api/accounts")).status).toBe(200);
  });

  it("the last owner stays while others are here", async () => {
    const owner = await visitor(h.app, "first@place.example", "long enough 1");
    expect((await owner.send("post", "/api/account/remove", { password: "long enough 1" })).status).toBe(409);
  });
});

describe("the shape of the database", () => {
  it("can be taken back to nothing and brought up again", async () => {
    const fresh = await openHarness();
    await unmigrate(fresh.knex);
    const tables = await fresh
      .knex("information_schema.tables")
      .where({ tableSchema: "public" })
      .select<{ tableName: string }[]>("tableName");
    expect(tables.map((t) => t.tableName).filter((name) => !name.startsWith("knex_"))).toEqual([]);
    await migrate(fresh.knex);
    await visitor(fresh.app, "again@place.example");
    await fresh.close();
  });
});
