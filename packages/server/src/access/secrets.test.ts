import { type Draft, type HandIn, type MeasurementSet, type Person, type Question, type Route, ROUTES, type Work } from "@lodrin/contract";
import { FORMATS } from "@lodrin/formats/pdf";
import request from "supertest";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { AccountRow } from "../auth/account.js";
import { enter, type Harness, openHarness, type Visitor } from "../test/harness.js";
import { jpeg } from "../test/jpeg.js";
import { called, someone, TABLE, type Things } from "../test/route-table.js";

const SHIRT = "08-menswear-flat-shirt-block";
/** What a student keeps to herself; what she shows her teacher by sharing, and by handing in; what her teacher writes for herself. */
const PRIVATE = "SECRET-PRIVATE";
const SHARED = "SECRET-SHARED";
const HANDED = "SECRET-HANDED";
const WRITTEN = "SECRET-WRITTEN";
const ALL = [PRIVATE, SHARED, HANDED, WRITTEN];

type Entered = Awaited<ReturnType<typeof enter>>;
let h: Harness;
let teacher: { v: Visitor; things: Things };
let ann: Entered;
/** The teacher's things, with the student's in place of her own where there are such. */
let victims: Things;
const others = new Map<string, Visitor>();

beforeAll(async () => {
  h = await openHarness();
  const owner = await enter(h, "owner@secrets.example", "owner");
  teacher = await someone(h, "instructor");
  ann = await enter(h, "ann@secrets.example", "student", "Ann");
  const { klass } = teacher.things;
  await h.knex("class_members").insert({ classId: klass, accountId: ann.id, shares: true });
  const person = (await ann.send("post", "/api/people", { name: PRIVATE, isSelf: false, isChild: false, note: PRIVATE })).body as Person;
  const set = (
    await ann.send("post", `/api/people/${person.id}/sets`, {
      ...{ takenOn: "2026-10-01", unit: "cm", written: { chest: "100.777" }, note: PRIVATE },
    })
  ).body as MeasurementSet;
  const draft = (
    await ann.send("post", "/api/drafts", {
      ...{ name: SHARED, note: PRIVATE, slug: SHIRT, personId: person.id, personName: PRIVATE, setId: set.id, unit: "cm", step: 0 },
      ...{ measurements: { chest: "100" }, settings: {} },
    })
  ).body as Draft;
  await ann.send("post", `/api/drafts/${draft.id}/readings`, {
    readings: [{ name: "#4", written: "9", verdict: "off", code: "ease", step: "#4", says: SHARED }],
  });
  await h.knex("assignments").where({ id: teacher.things.assignment }).update({ picture: true });
  const handIn = (
    await ann.send("post", `/api/assignments/${teacher.things.assignment}/hand-ins`, {
      ...{ draftId: draft.id, note: HANDED, picture: await jpeg(), marksOnPicture: [{ point: HANDED, x: 1, y: 1, sure: true }] },
    })
  ).body as HandIn;
  const question = (await ann.send("post", `/api/classes/${klass}/questions`, { slug: SHIRT, step: "#4", text: "Why?" })).body as Question;
  const notation = `system "${WRITTEN}"\n  unit cm\nboard M\nM0 start\n  why "${WRITTEN}"\nM1 down 10 from M0\n`;
  const work = (await teacher.v.send("post", "/api/works", { notation })).body as Work;
  await teacher.v.send("patch", `/api/works/${work.id}/place`, { audience: "me" });
  await teacher.v.send("post", `/api/works/${work.id}/publish`, { version: 1, note: WRITTEN });
  victims = {
    ...teacher.things,
    ...{ accountId: ann.id, person: person.id, set: set.id, draft: draft.id, handIn: handIn.id, question: question.id, work: work.id },
  };

  const [classmate, removed, demoted] = [
    await enter(h, "mate@secrets.example"),
    await enter(h, "removed@secrets.example"),
    await someone(h, "instructor"),
  ];
  await h.knex("class_members").insert({ classId: klass, accountId: classmate.id });
  await h.knex("class_removals").insert({ classId: klass, accountId: removed.id });
  await AccountRow.query(h.knex).patch({ role: "student" }).where({ id: demoted.things.accountId });
  others.set("a student of no class", await enter(h, "stranger@secrets.example"));
  others.set("a classmate", classmate);
  others.set("a student who was removed", removed);
  others.set("an instructor of another class", (await someone(h, "instructor")).v);
  others.set("an instructor who is one no more", demoted.v);
  others.set("the owner of the place", owner);
});
afterAll(() => h.close());

/** These end the session, or the account, of who calls. */
const ENDS = new Set(["DELETE /api/session", "POST /api/account/remove", "DELETE /api/account/sessions", "POST /api/session"]);
/** These are the owner's to do to any account, and answer with nothing of it. */
const CHANGES = new Set(["PATCH /api/accounts/:id", "POST /api/accounts/:id/reset-link"]);
const nameOf = (route: Route): string => `${route.method} ${route.path}`;
const textOf = (reply: request.Response): string =>
  JSON.stringify(reply.headers) +
  (Buffer.isBuffer(reply.body) ? reply.body.toString("latin1") : (reply.text ?? JSON.stringify(reply.body)));
const seenIn = (reply: request.Response, secrets: readonly string[]): string[] =>
  secrets.filter((secret) => textOf(reply).includes(secret));

describe.each([
  "a student of no class",
  "a classmate",
  "a student who was removed",
  "an instructor of another class",
  "an instructor who is one no more",
  "the owner of the place",
])("to %s", (who) => {
  it.each(ROUTES.map(nameOf).filter((name) => !ENDS.has(name) && !CHANGES.has(name)))("%s shows nothing of another's", async (name) => {
    const route = ROUTES.find((r) => nameOf(r) === name) as Route;
    const row = TABLE[name];
    if (!row) throw new Error(`${name} has no row in the table.`);
    const reply = await called(others.get(who) as Visitor, route, row, victims);
    expect(seenIn(reply, ALL)).toEqual([]);
  });

  it("no file of another's draft is made", async () => {
    for (const { file } of FORMATS) {
      const reply = await (others.get(who) as Visitor).get(`/api/drafts/${victims.draft}/files/${file}`);
      expect([file, reply.status, seenIn(reply, ALL)]).toEqual([file, 404, []]);
    }
  });

  it("the private system is not read by its slug, nor by its number", async () => {
    const { slug } = await h.knex("works").where({ id: victims.work }).first<{ slug: string }>("slug");
    for (const path of [`/api/systems/${slug}/1`, `/api/systems/${slug}/versions`]) {
      const reply = await (others.get(who) as Visitor).get(path);
      expect([reply.status, seenIn(reply, ALL)]).toEqual([404, []]);
    }
  });
});

describe("to who is not signed in", () => {
  it.each(ROUTES.map(nameOf).filter((name) => !ENDS.has(name)))("%s shows nothing", async (name) => {
    const route = ROUTES.find((r) => nameOf(r) === name) as Route;
    const path = TABLE[name]?.path?.(victims) ?? route.path;
    const agent = request(h.app);
    const reply = await (route.method === "GET" ? agent.get(path) : agent[route.method.toLowerCase() as "post"](path).send({}));
    expect(seenIn(reply, ALL)).toEqual([]);
  });
});

describe("to the teacher of the class", () => {
  /** What a teacher does that leaves the class as it is. */
  const LEAVES = ROUTES.filter((r) => r.method === "GET" || /hand-ins\/:id(\/comments)?$|results$|questions/.test(r.path)).filter(
    (r) => r.method !== "DELETE",
  );

  it.each(LEAVES.map(nameOf))("%s shows what was shared or handed in only with a record of the look", async (name) => {
    const route = ROUTES.find((r) => nameOf(r) === name) as Route;
    const row = TABLE[name];
    if (!row) throw new Error(`${name} has no row in the table.`);
    await h.knex("events").delete();
    const reply = await called(
      teacher.v,
      route,
      { ...row, body: (t) => ({ ...row.body?.(t), ...(name.includes("PATCH") ? { state: "seen" } : {}) }) },
      victims,
    );
    expect(seenIn(reply, [PRIVATE]).filter(() => !name.includes("hand-ins"))).toEqual([]);
    const isSeen = seenIn(reply, [SHARED, HANDED]).length > 0 || "picture" in ((reply.body ?? {}) as object);
    const looks = await h.knex("events").where({ aboutId: ann.id, byId: teacher.things.accountId });
    expect([name, isSeen && reply.status < 300, looks.length > 0 || !isSeen]).toEqual([name, isSeen && reply.status < 300, true]);
  });

  it("the looks that there are to take are taken: none of these is empty", async () => {
    for (const path of [
      `/api/classes/${victims.klass}/standing`,
      `/api/classes/${victims.klass}/slips`,
      `/api/assignments/${victims.assignment}/hand-ins`,
      `/api/hand-ins/${victims.handIn}`,
      `/api/hand-ins/${victims.handIn}/picture`,
    ]) {
      await h.knex("events").delete();
      expect((await teacher.v.get(path)).status).toBe(200);
      const looks = (await h.knex("events").where({ aboutId: ann.id })) as { what: string; detail: string }[];
      expect([path, looks.length]).toEqual([path, 1]);
      expect(looks[0]?.detail).toContain("Mine");
    }
  });

  it("what she writes herself is hers", async () => {
    expect(seenIn(await teacher.v.get(`/api/works/${victims.work}`), [WRITTEN])).toEqual([WRITTEN]);
    expect(seenIn(await teacher.v.get("/api/systems"), [WRITTEN])).toEqual([WRITTEN]);
  });
});
