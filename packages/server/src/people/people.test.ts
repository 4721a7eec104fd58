import type { MeasurementSet, Person } from "@lodrin/contract";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Harness, openHarness, type Visitor, visitor } from "../test/harness.js";

let h: Harness;
let mine: Visitor;
let other: Visitor;
beforeAll(async () => {
  h = await openHarness();
  mine = await visitor(h.app, "mine@quillmoor.example");
  other = await visitor(h.app, "other@quillmoor.example");
});
afterAll(() => h.close());

const newPerson = async (name = "Ansel"): Promise<Person> =>
  (await mine.send("post", "/api/people", { name, isSelf: false, isChild: false, note: "" })).body as Person;
const SET = { takenOn: "2026-10-01", unit: "cm", written: { chest: "97,8", neck: "38 1/2 in" }, note: "" };
const newSet = async (person: Person): Promise<MeasurementSet> =>
  (await mine.send("post", `/api/people/${person.id}/sets`, SET)).body as MeasurementSet;

describe("people", () => {
  it("a child is kept only when it was said that a parent or guardian agrees, and when is kept too", async () => {
    const child = { name: "Small", isSelf: false, isChild: true, note: "" };
    const refused = await mine.send("post", "/api/people", child);
    expect([refused.status, (refused.body as { detail: string }).detail]).toEqual([422, expect.stringContaining("parent or guardian")]);
    const kept = (await mine.send("post", "/api/people", { ...child, consent: true })).body as Person;
    expect(Date.parse(kept.consentAt ?? "")).toBeGreaterThan(Date.now() - 60_000);
    const grown = await newPerson("Taken for grown");
    expect(grown.consentAt).toBeNull();
    const change = { version: grown.version, isChild: true };
    expect((await mine.send("patch", `/api/people/${grown.id}`, change)).status).toBe(422);
    expect((await mine.send("patch", `/api/people/${grown.id}`, { ...change, consent: true })).body).toMatchObject({ isChild: true });
  });

  it("are added, changed and listed, me first", async () => {
    const person = await newPerson("Zed");
    const me = (await mine.send("post", "/api/people", { name: "Me", isSelf: true, isChild: false, note: "" })).body as Person;
    const changed = await mine.send("patch", `/api/people/${person.id}`, { version: 1, name: "Zed, stilts" });
    expect(changed.body).toMatchObject({ name: "Zed, stilts", version: 2 });
    const list = (await mine.get("/api/people")).body as Person[];
    expect(list[0]?.id).toBe(me.id);
    expect(list.map((p) => p.name)).toContain("Zed, stilts");
  });

  it("are deleted and brought back with their sets", async () => {
    const person = await newPerson();
    await newSet(person);
    expect((await mine.send("delete", `/api/people/${person.id}`)).body).toEqual({ done: true });
    expect(((await mine.get("/api/people")).body as Person[]).some((p) => p.id === person.id)).toBe(false);
    expect((await mine.send("patch", `/api/people/${person.id}`, { version: 1, name: "X" })).status).toBe(404);
    const back = await mine.send("post", `/api/people/${person.id}/restore`);
    expect((back.body as Person).sets).toHaveLength(1);
    expect((await mine.send("post", `/api/people/${person.id}/restore`)).status).toBe(404);
  });
});

describe("measurement sets", () => {
  it("keep every figure exactly as it was written, and the day as it was", async () => {
    const set = await newSet(await newPerson());
    expect(set).toMatchObject({ written: SET.written, takenOn: "2026-10-01", unit: "cm", version: 1 });
  });

  it("are copied to another day, newest first", async () => {
    const person = await newPerson("Copied");
    const set = await newSet(person);
    const copy = (await mine.send("post", `/api/sets/${set.id}/copy`, { takenOn: "2026-11-20" })).body as MeasurementSet;
    expect(copy).toMatchObject({ written: SET.written, takenOn: "2026-11-20", version: 1 });
    const listed = ((await mine.get("/api/people")).body as Person[]).find((p) => p.id === person.id);
    expect(listed?.sets.map((s) => s.id)).toEqual([copy.id, set.id]);
  });

  it("two tabs collide: the later one is shown both", async () => {
    const set = await newSet(await newPerson());
    await mine.send("patch", `/api/sets/${set.id}`, { version: 1, written: { chest: "98" } });
    const late = await mine.send("patch", `/api/sets/${set.id}`, { version: 1, written: { chest: "99" } });
    expect(late.status).toBe(409);
    expect(late.body).toMatchObject({ title: "Changed in the meantime", current: { version: 2, written: { chest: "98" } } });
    expect((await mine.send("patch", `/api/sets/${set.id}`, { version: 2, written: { chest: "99" } })).body).toMatchObject({ version: 3 });
  });

  it("of two changes at the very same moment one wins", async () => {
    const set = await newSet(await newPerson());
    const both = await Promise.all(
      ["98", "99"].map((chest) => mine.send("patch", `/api/sets/${set.id}`, { version: 1, written: { chest } })),
    );
    expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
  });

  it("are deleted and brought back", async () => {
    const set = await newSet(await newPerson());
    await mine.send("delete", `/api/sets/${set.id}`);
    expect((await mine.send("patch", `/api/sets/${set.id}`, { version: 1, note: "x" })).status).toBe(404);
    expect((await mine.send("post", `/api/sets/${set.id}/restore`)).body).toMatchObject({ id: set.id });
  });

  it.each([
    [{ ...SET, unit: "ft" }, "/unit"],
    [{ ...SET, takenOn: "yesterday" }, "/takenOn"],
    [{ ...SET, written: { chest: 98 } }, "/written/chest"],
    [{ ...SET, written: { "<b>": "3" } }, "/written"],
    [{ ...SET, written: { chest: "" } }, "/written/chest"],
  ])("refuses %j", async (body, at) => {
    const person = await newPerson();
    const reply = await mine.send("post", `/api/people/${person.id}/sets`, body);
    expect(reply.status).toBe(400);
    expect((reply.body.errors as { at: string }[]).map((e) => e.at)).toContain(at);
  });
});

describe("nobody reaches what is another's", () => {
  it("people and sets", async () => {
    const person = await newPerson("Private");
    const set = await newSet(person);
    const tries = [
      other.send("patch", `/api/people/${person.id}`, { version: 1, name: "X" }),
      other.send("delete", `/api/people/${person.id}`),
      other.send("post", `/api/people/${person.id}/restore`),
      other.send("post", `/api/people/${person.id}/sets`, SET),
      other.send("patch", `/api/sets/${set.id}`, { version: 1, note: "x" }),
      other.send("post", `/api/sets/${set.id}/copy`, { takenOn: "2026-11-20" }),
      other.send("delete", `/api/sets/${set.id}`),
      other.send("post", `/api/sets/${set.id}/restore`),
    ];
    for (const reply of await Promise.all(tries)) expect(reply.status).toBe(404);
    expect((await other.get("/api/people")).body).toEqual([]);
  });

  it("identifiers that are none are refused before the database is asked", async () => {
    expect((await mine.send("delete", "/api/people/1 or 1=1")).status).toBe(400);
  });
});

describe("the database holds its own rules", () => {
  it.each([
    ["people without a name", () => h.knex("people").insert({ ownerId: h.knex("accounts").select("id").limit(1), name: "  " })],
    [
      "sets in an unknown unit",
      () => h.knex.raw("insert into measurement_sets (person_id, taken_on, unit) select id, now(), 'ft' from people limit 1"),
    ],
    [
      "figures that are no object",
      () =>
        h.knex.raw("insert into measurement_sets (person_id, taken_on, unit, written) select id, now(), 'cm', '[]' from people limit 1"),
    ],
    [
      "sets of nobody",
      () => h.knex.raw("insert into measurement_sets (person_id, taken_on, unit) values (gen_random_uuid(), now(), 'cm')"),
    ],
    ["e-mails in capitals", () => h.knex("accounts").insert({ email: "A@B.example", name: "A", passwordHash: "x" })],
  ])("%s", async (_, act) => {
    await newSet(await newPerson());
    await expect(Promise.resolve(act())).rejects.toThrow();
  });
});
