import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { type Draft, type SystemSheet, type Work } from "@lodrin/contract";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { AccountRow } from "../auth/account.js";
import { type Harness, openHarness, type Visitor, visitor } from "../test/harness.js";
import { slugFor, titleIn } from "./naming.js";

const SHIRT = "08-menswear-flat-shirt-block";
const text = readFileSync(new URL(`../../../../systems/${SHIRT}.lodrin`, import.meta.url), "utf8").replace(
  /^system ".*"/,
  'system "Bearer\'s hood"',
);

const BARE = { name: "Hood", note: "", personId: null, personName: "", setId: null, unit: "cm", measurements: {}, settings: {}, step: 0 };

let h: Harness;
let teacher: Visitor;
let student: Visitor;
beforeAll(async () => {
  h = await openHarness();
  await visitor(h.app, "owner@works.example");
  await visitor(h.app, "teacher@works.example");
  await AccountRow.query(h.knex).patch({ role: "instructor" }).where({ email: "teacher@works.example" });
  teacher = await visitor(h.app, "teacher@works.example", "long enough 1");
  student = await visitor(h.app, "student@works.example");
});
afterAll(() => h.close());

const begin = async (notation = text, more: object = {}): Promise<Work> =>
  (await teacher.send("post", "/api/works", { notation, ...more })).body as Work;
const publish = (work: Work, note = ""): ReturnType<Visitor["send"]> =>
  teacher.send("post", `/api/works/${work.id}/publish`, { version: work.version, note });
const shelf = async (v: Visitor): Promise<SystemSheet[]> => (await v.get("/api/systems")).body as SystemSheet[];

describe("a system in work", () => {
  it("is begun, written on and found again; a call that comes again begins nothing twice", async () => {
    const id = randomUUID();
    const work = await begin(text, { id });
    expect(work).toMatchObject({ id, title: "Bearer's hood", published: 0, version: 1, from: null });
    expect(work.slug).toBe(`bearer-s-hood-${id.slice(0, 8)}`);
    expect((await begin(text, { id })).slug).toBe(work.slug);
    const changed = (await teacher.send("patch", `/api/works/${id}`, { version: 1, notation: 'system "Cape"\n' })).body as Work;
    expect(changed).toMatchObject({ version: 2, title: "Cape", slug: work.slug });
    expect((await teacher.get("/api/works")).body).toEqual([expect.not.objectContaining({ notation: expect.anything() })]);
    expect(((await teacher.get(`/api/works/${id}`)).body as Work).notation).toBe('system "Cape"\n');
  });

  it("two hands on it: the later is shown what is stored now", async () => {
    const work = await begin();
    await teacher.send("patch", `/api/works/${work.id}`, { version: 1, notation: `${text}# one\n` });
    const late = await teacher.send("patch", `/api/works/${work.id}`, { version: 1, notation: `${text}# two\n` });
    expect(late.status).toBe(409);
    expect((late.body as { current: Work }).current.notation).toBe(`${text}# one\n`);
  });

  it("tells a hand of the others that are in it, until they are gone", async () => {
    const work = await begin();
    const [one, two] = [randomUUID(), randomUUID()];
    const tell = async (hand: string): Promise<unknown> => (await teacher.send("post", `/api/works/${work.id}/hand`, { hand })).body;
    expect(await tell(one)).toEqual({ others: 0 });
    expect(await tell(one)).toEqual({ others: 0 });
    expect(await tell(two)).toEqual({ others: 1 });
    expect(await tell(one)).toEqual({ others: 1 });
    await h
      .knex("work_hands")
      .where({ hand: two })
      .update({ seenAt: h.knex.raw("now() - interval '1 minute'") });
    expect(await tell(one)).toEqual({ others: 0 });
    // Who leaves is gone at once.
    expect(await tell(two)).toEqual({ others: 1 });
    await teacher.send("post", `/api/works/${work.id}/hand`, { hand: two, leaves: true });
    expect(await tell(one)).toEqual({ others: 0 });
  });

  it("credits what it was copied from, when that is there", async () => {
    expect((await begin(text, { from: { slug: SHIRT, version: 1 } })).from).toEqual({ slug: SHIRT, version: 1 });
    expect((await teacher.send("post", "/api/works", { notation: text, from: { slug: "no-such", version: 1 } })).status).toBe(404);
  });

  it("is deleted and brought back", async () => {
    const work = await begin();
    await teacher.send("delete", `/api/works/${work.id}`);
    expect((await teacher.get(`/api/works/${work.id}`)).status).toBe(404);
    expect((await teacher.send("post", `/api/works/${work.id}/restore`)).body).toMatchObject({ id: work.id, notation: text });
  });
});

describe("publishing", () => {
  it("puts the text on the shelf as a version; a student's draft keeps the one it began with", async () => {
    const work = await begin();
    expect((await publish(work, "The first.")).body).toMatchObject({ published: 1 });
    expect((await shelf(student)).find((s) => s.slug === work.slug)).toMatchObject({
      ...{ version: 1, title: "Bearer's hood", notation: text, by: "Somebody" },
    });
    expect((await shelf(student)).find((s) => s.slug === SHIRT)?.by).toBe("");
    const made = await student.send("post", "/api/drafts", {
      ...{ name: "Hood", note: "", slug: work.slug, personId: null, personName: "", setId: null, unit: "cm" },
      ...{ measurements: {}, settings: {}, step: 0 },
    });
    expect(made.status).toBe(201);
    const next = (await teacher.send("patch", `/api/works/${work.id}`, { version: 1, notation: `${text}# wider\n` })).body as Work;
    expect((await publish(next, "Wider.")).body).toMatchObject({ published: 2 });
    expect((await shelf(student)).find((s) => s.slug === work.slug)?.version).toBe(2);
    const draft = (await student.get(`/api/drafts/${(made.body as Draft).id}`)).body as Draft;
    expect(draft.systemVersion).toBe(1);
    expect((await student.get(`/api/systems/${work.slug}/1`)).body).toMatchObject({ notation: text });
    const notes = await h.knex("system_versions").where({ slug: work.slug }).orderBy("version").pluck<string[]>("change_note");
    expect(notes).toEqual(["The first.", "Wider."]);
  });

  it("is refused while a line wants mending, and says which", async () => {
    const work = await begin(text.replace("scye_depth + scye_ease", "scye_dept + scye_ease"));
    const { status, body } = await publish(work);
    expect([status, (body as { detail: string }).detail]).toEqual([422, expect.stringMatching(/line \d+, column \d+: .*scye_dept/)]);
    expect((await shelf(student)).some((s) => s.slug === work.slug)).toBe(false);
  });

  it("publishes what its author saw, not what another hand has written since", async () => {
    const work = await begin();
    await teacher.send("patch", `/api/works/${work.id}`, { version: 1, notation: `${text}# another hand\n` });
    expect((await publish(work)).status).toBe(409);
  });

  it("twice at the same moment is no failure of the server", async () => {
    const work = await begin();
    const statuses = (await Promise.all([1, 2, 3, 4].map(() => publish(work)))).map((r) => r.status);
    expect(statuses).toContain(201);
    expect(statuses.filter((status) => status !== 201 && status !== 409)).toEqual([]);
  });

  it("keeps what it builds on as that was when it was published", async () => {
    const work = await begin(`system "Hood on the block"\n  garment hood · unit cm · tape 1mm\nuses ${SHIRT}\n`);
    expect((await publish(work)).status).toBe(201);
    const sheet = (await shelf(student)).find((s) => s.slug === work.slug);
    expect(Object.keys(sheet?.bases ?? {})).toEqual([SHIRT]);
  });
});

describe("the shelf", () => {
  it("shows what only its author may see to its author alone", async () => {
    const work = await begin();
    await publish(work);
    expect((await teacher.send("patch", `/api/works/${work.id}/place`, { audience: "me" })).body).toMatchObject({ audience: "me" });
    const lies = async (v: Visitor): Promise<boolean> => (await shelf(v)).some((s) => s.slug === work.slug);
    expect([await lies(teacher), await lies(student)]).toEqual([true, false]);
    expect((await student.get(`/api/systems/${work.slug}/versions`)).status).toBe(404);
    expect((await student.send("post", "/api/drafts", { ...BARE, slug: work.slug })).status).toBe(404);
    await teacher.send("patch", `/api/works/${work.id}/place`, { audience: "everyone" });
    expect(await lies(student)).toBe(true);
  });

  it("takes a version off and puts it back; drafts that were made with it keep it", async () => {
    const work = await begin();
    await publish(work, "The first.");
    const next = (await teacher.send("patch", `/api/works/${work.id}`, { version: 1, notation: `${text}# wider\n` })).body as Work;
    await publish(next, "Wider.");
    const made = (await student.send("post", "/api/drafts", { ...BARE, slug: work.slug })).body as Draft;
    expect(made.systemVersion).toBe(2);
    await teacher.send("patch", `/api/works/${work.id}/versions/2`, { withdrawn: true });
    expect((await shelf(student)).find((s) => s.slug === work.slug)?.version).toBe(1);
    expect((await teacher.get(`/api/works/${work.id}/versions`)).body).toMatchObject([
      { version: 2, note: "Wider.", withdrawn: true, drafts: 1 },
      { version: 1, note: "The first.", withdrawn: false, drafts: 0 },
    ]);
    expect((await student.get(`/api/systems/${work.slug}/2`)).status).toBe(200);
    expect((await student.get(`/api/systems/${work.slug}/versions`)).body).toMatchObject([{ version: 1 }]);
    await teacher.send("patch", `/api/works/${work.id}/versions/2`, { withdrawn: false });
    expect((await shelf(student)).find((s) => s.slug === work.slug)?.version).toBe(2);
  });

  it("a draft goes over to another version when its owner says so, with what was measured and set", async () => {
    const work = await begin();
    await publish(work);
    const made = (
      await student.send("post", "/api/drafts", { ...BARE, slug: work.slug, measurements: { chest: "100" }, settings: { ease: "4" } })
    ).body as Draft;
    const next = (await teacher.send("patch", `/api/works/${work.id}`, { version: 1, notation: `${text}# wider\n` })).body as Work;
    await publish(next);
    const move = (version: number, systemVersion: number): ReturnType<Visitor["send"]> =>
      student.send("post", `/api/drafts/${made.id}/version`, { version, systemVersion });
    expect((await move(1, 9)).status).toBe(404);
    expect((await move(1, 2)).body).toMatchObject({
      systemVersion: 2,
      version: 2,
      measurements: { chest: "100" },
      settings: { ease: "4" },
    });
    expect((await move(1, 1)).status).toBe(409);
    // An answer that got lost: asked again, it is as was asked.
    expect((await move(1, 2)).status).toBe(201);
  });
});

describe("names", () => {
  it.each([
    ['# so\nsystem "Bearer\'s hood"', "Bearer's hood"],
    ["system “Cape”", "Cape"],
    ["", "Untitled system"],
    ['system ""', "Untitled system"],
  ])("%j is titled %s", (notation, title) => expect(titleIn(notation)).toBe(title));

  it("are addresses for every title, told apart by the id", () => {
    const id = "0a1b2c3d-0000-4000-8000-000000000000";
    expect(slugFor("Übergröße: Umhang & Kapuze", id)).toBe("ubergro-e-umhang-kapuze-0a1b2c3d");
    expect(slugFor("…", id)).toBe("system-0a1b2c3d");
    expect(slugFor("x".repeat(400), id)).toMatch(/^[a-z0-9-]{1,80}$/);
  });
});
