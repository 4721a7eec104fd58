import { randomUUID } from "node:crypto";
import type {
  AccountEvent,
  Ask,
  Assignment,
  AtTable,
  Draft,
  HandIn,
  HandReading,
  Lesson,
  Question,
  SchoolClass,
  SlipCount,
  Standing,
} from "@lodrin/contract";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { AccountRow } from "../auth/account.js";
import { jpeg } from "../test/jpeg.js";
import { type Harness, openHarness, type Visitor, visitor } from "../test/harness.js";

const SHIRT = "08-menswear-flat-shirt-block";
const CLASS = { name: "Monday evening", term: "Autumn", meets: "Mondays at six", note: "", classmatesAnswer: false };
const ASSIGNMENT = {
  ...{
    title: "The shirt block",
    text: "On your own figures.",
    slug: SHIRT,
    systemVersion: 1,
    body: { kind: "own" },
    settings: {},
    free: [],
  },
  ...{ readings: ["#4"], picture: false, note: true, dueOn: "2026-12-04", toleranceMm: 3, rubric: [{ text: "Lines", marks: 5 }] },
};
const DRAFT = {
  ...{ name: "Shirt", note: "", slug: SHIRT, personId: null, personName: "Ansel", setId: null, unit: "cm" as const, step: 0 },
  ...{ measurements: { chest: "100" }, settings: {} },
};
const RIGHT: HandReading = { name: "#4", written: "10 1/2", verdict: "right", code: "", step: "", says: "" };
const OFF: HandReading = {
  name: "#5",
  written: "9",
  verdict: "off",
  code: "ease-forgotten",
  step: "#5",
  says: "At #5, the ease was forgotten.",
};

let h: Harness;
let teacher: Visitor;
let ann: Visitor;
let bo: Visitor;
let other: Visitor;
beforeAll(async () => {
  h = await openHarness();
  await visitor(h.app, "owner@class.example");
  for (const name of ["teacher", "other"]) {
    await visitor(h.app, `${name}@class.example`);
    await AccountRow.query(h.knex)
      .patch({ role: "instructor" })
      .where({ email: `${name}@class.example` });
  }
  teacher = await visitor(h.app, "teacher@class.example", "long enough 1");
  other = await visitor(h.app, "other@class.example", "long enough 1");
  ann = await visitor(h.app, "ann@class.example");
  bo = await visitor(h.app, "bo@class.example");
});
afterAll(() => h.close());

/** A class of the teacher's with these in it. */
async function classOf(...students: readonly Visitor[]): Promise<SchoolClass> {
  const made = (await teacher.send("post", "/api/classes", CLASS)).body as SchoolClass;
  for (const student of students) await student.send("post", `/api/class-codes/${made.code.toLowerCase()}`);
  return made;
}

const draftOf = async (v: Visitor, fields: object = {}): Promise<Draft> =>
  (await v.send("post", "/api/drafts", { ...DRAFT, ...fields })).body as Draft;

describe("a draft at the table", () => {
  it("keeps ticks, the time and every reading, and nothing of the draft changes by it", async () => {
    const { id } = await draftOf(ann);
    await ann.send("patch", `/api/drafts/${id}/table`, { ticked: ["#1", "#2"], unticked: [], seconds: 40 });
    await ann.send("patch", `/api/drafts/${id}/table`, { ticked: ["#3"], unticked: ["#1"], seconds: 20 });
    await ann.send("post", `/api/drafts/${id}/readings`, { readings: [OFF, RIGHT] });
    const table = (await ann.send("post", `/api/drafts/${id}/readings`, { readings: [{ ...OFF, verdict: "right", written: "9 1/2" }] }))
      .body as AtTable;
    expect(table).toMatchObject({ ticked: ["#2", "#3"], seconds: 60 });
    expect(table.readings.map((r) => [r.name, r.written, r.verdict])).toEqual([
      ["#5", "9", "off"],
      ["#4", "10 1/2", "right"],
      ["#5", "9 1/2", "right"],
    ]);
    expect((await ann.get(`/api/drafts/${id}`)).body).toMatchObject({ version: 1 });
  });

  it("ticks of two tabs at once are both kept", async () => {
    const { id } = await draftOf(ann);
    const ticks = Array.from({ length: 8 }, (_, i) =>
      ann.send("patch", `/api/drafts/${id}/table`, { ticked: [`#${i}`], unticked: [], seconds: 1 }),
    );
    await Promise.all(ticks);
    const table = (await ann.get(`/api/drafts/${id}/table`)).body as AtTable;
    expect([table.ticked.length, table.seconds]).toEqual([8, 8]);
  });
});

describe("a class", () => {
  it("is joined by its code, and a student sees nobody but themselves in it", async () => {
    const made = await classOf(ann, bo);
    expect(((await teacher.get(`/api/classes/${made.id}`)).body as SchoolClass).members).toHaveLength(2);
    const seen = (await ann.get(`/api/classes/${made.id}`)).body as SchoolClass;
    expect(seen.members).toHaveLength(1);
    expect([seen.code, seen.mine, seen.teacher]).toEqual(["", false, "Somebody"]);
    expect((await bo.send("post", "/api/class-codes/NOSUCHCO")).status).toBe(404);
  });

  it("shows figures only of who shares, tells them so, and no longer when sharing is taken back", async () => {
    const made = await classOf(ann, bo);
    const { id } = await draftOf(ann, { name: "Shared" });
    await ann.send("post", `/api/drafts/${id}/readings`, { readings: [OFF, RIGHT] });
    expect((await teacher.get(`/api/classes/${made.id}/standing`)).body).toEqual([]);
    await ann.send("patch", `/api/classes/${made.id}/membership`, { shares: true });
    const standing = (await teacher.get(`/api/classes/${made.id}/standing`)).body as Standing[];
    expect(standing.find((s) => s.draftId === id)).toMatchObject({ draftName: "Shared", readings: 2, off: [OFF] });
    expect((await teacher.get(`/api/classes/${made.id}/slips`)).body as SlipCount[]).toContainEqual(
      expect.objectContaining({ slug: SHIRT, step: "#5", code: "ease-forgotten", students: 1 }),
    );
    await teacher.get(`/api/classes/${made.id}/standing`);
    const told = ((await ann.get("/api/account/events")).body as AccountEvent[]).filter((e) => e.what === "figures-seen");
    expect(told).toEqual([expect.objectContaining({ by: "Somebody" })]);
    await ann.send("patch", `/api/classes/${made.id}/membership`, { shares: false });
    expect((await teacher.get(`/api/classes/${made.id}/standing`)).body).toEqual([]);
  });

  it("is left by a student, and a removed student no longer enters", async () => {
    const made = await classOf(ann, bo);
    await ann.send("delete", `/api/classes/${made.id}/membership`);
    expect((await ann.get(`/api/classes/${made.id}`)).status).toBe(404);
    const boId = ((await bo.get("/api/session")).body as { id: string }).id;
    await teacher.send("patch", `/api/classes/${made.id}/members/${boId}`, { group: "Brass" });
    expect(((await teacher.get(`/api/classes/${made.id}`)).body as SchoolClass).members[0]?.group).toBe("Brass");
    await teacher.send("delete", `/api/classes/${made.id}/members/${boId}`);
    expect((await bo.get(`/api/classes/${made.id}/lessons`)).status).toBe(404);
  });

  it("has lessons that its teacher writes and everyone in it reads", async () => {
    const made = await classOf(ann);
    const pages = [
      { kind: "text", text: "# Why a block" },
      { kind: "steps", slug: SHIRT, from: "#1", to: "#4", text: "" },
      { kind: "words", words: ["yoke"] },
    ];
    const lesson = { title: "The frame", place: 0, on: "2026-11-30", minutes: 90, done: false, pages };
    const { id } = (await teacher.send("post", `/api/classes/${made.id}/lessons`, lesson)).body as Lesson;
    expect((await ann.get(`/api/classes/${made.id}/lessons`)).body).toEqual([expect.objectContaining({ id, ...lesson })]);
    await teacher.send("patch", `/api/lessons/${id}`, { version: 1, done: true });
    expect((await teacher.send("patch", `/api/lessons/${id}`, { version: 1, title: "Late" })).status).toBe(409);
    expect((await other.send("patch", `/api/lessons/${id}`, { version: 2, title: "Mine" })).status).toBe(404);
  });
});

describe("what is handed in", () => {
  it("is the draft as it was then; handed in again it is the next attempt", async () => {
    const made = await classOf(ann);
    const { id } = (await teacher.send("post", `/api/classes/${made.id}/assignments`, ASSIGNMENT)).body as Assignment;
    const draft = await draftOf(ann);
    await ann.send("post", `/api/drafts/${draft.id}/readings`, { readings: [OFF, RIGHT] });
    const give = { id: randomUUID(), draftId: draft.id, note: "Done.", picture: null, marksOnPicture: [] };
    const first = (await ann.send("post", `/api/assignments/${id}/hand-ins`, give)).body as HandIn;
    expect(first).toMatchObject({ attempt: 1, measurements: { chest: "100" }, state: "handed", marks: [null] });
    expect(first.readings.map((r) => r.name).sort()).toEqual(["#4", "#5"]);
    // The same call come again, because its answer got lost, is no second attempt.
    expect(((await ann.send("post", `/api/assignments/${id}/hand-ins`, give)).body as HandIn).id).toBe(first.id);
    await ann.send("patch", `/api/drafts/${draft.id}`, { version: 1, measurements: { chest: "104" } });
    const second = (await ann.send("post", `/api/assignments/${id}/hand-ins`, { ...give, id: randomUUID() })).body as HandIn;
    expect([second.attempt, second.measurements]).toEqual([2, { chest: "104" }]);
    const seen = (await teacher.get(`/api/assignments/${id}/hand-ins`)).body as HandIn[];
    expect(seen.map((one) => [one.attempt, one.measurements["chest"]])).toEqual([
      [1, "100"],
      [2, "104"],
    ]);
  });

  it("is seen by its student and the teacher, judged and talked about; by nobody else", async () => {
    const made = await classOf(ann, bo);
    const { id } = (await teacher.send("post", `/api/classes/${made.id}/assignments`, { ...ASSIGNMENT, picture: true })).body as Assignment;
    const draft = await draftOf(ann);
    const give = {
      draftId: draft.id,
      note: "",
      picture: await jpeg(),
      marksOnPicture: [{ point: "#1", x: 3, y: 4, sure: true }],
    };
    const handed = (await ann.send("post", `/api/assignments/${id}/hand-ins`, give)).body as HandIn;
    expect((await bo.get(`/api/assignments/${id}/hand-ins`)).body).toEqual([]);
    expect((await bo.get(`/api/hand-ins/${handed.id}/picture`)).status).toBe(404);
    expect((await teacher.get(`/api/hand-ins/${handed.id}/picture`)).body).toEqual({
      picture: expect.stringContaining("data:image/jpeg;base64,") as string,
    });
    await teacher.send("post", `/api/hand-ins/${handed.id}/comments`, { place: "#5", text: "Look at the ease." });
    await ann.send("post", `/api/hand-ins/${handed.id}/comments`, { place: "#5", text: "I see." });
    const judged = (await teacher.send("patch", `/api/hand-ins/${handed.id}`, { state: "returned", marks: [4] })).body as HandIn;
    expect(judged).toMatchObject({ state: "returned", marks: [4] });
    const own = ((await ann.get(`/api/assignments/${id}/hand-ins`)).body as HandIn[])[0];
    expect(own?.comments.map((c) => [c.place, c.text, c.mine])).toEqual([
      ["#5", "Look at the ease.", false],
      ["#5", "I see.", true],
    ]);
    const told = ((await ann.get("/api/account/events")).body as AccountEvent[]).map((e) => e.what);
    expect(told).toEqual(expect.arrayContaining(["hand-in-judged"]));
  });

  it("keeps its marks when the rubric is worded again, and no point is taken out from under them", async () => {
    const made = await classOf(ann);
    const rubric = [
      { text: "Lines", marks: 5 },
      { text: "Figures", marks: 5 },
    ];
    const asked = (await teacher.send("post", `/api/classes/${made.id}/assignments`, { ...ASSIGNMENT, rubric })).body as Assignment;
    const change = (version: number, points: object[]): Promise<{ status: number }> =>
      teacher.send("patch", `/api/assignments/${asked.id}`, { version, rubric: points });
    expect((await change(1, rubric.slice(1))).status).toBe(200);
    expect((await change(2, rubric)).status).toBe(200);
    const draft = await draftOf(ann);
    await ann.send("post", `/api/assignments/${asked.id}/hand-ins`, { draftId: draft.id, note: "", picture: null, marksOnPicture: [] });
    expect((await change(3, rubric.slice(1))).status).toBe(422);
    expect((await change(3, [...rubric, { text: "Notes", marks: 2 }])).status).toBe(200);
  });

  it("with another system than was asked for is refused with a sentence", async () => {
    const made = await classOf(ann);
    const { id } = (await teacher.send("post", `/api/classes/${made.id}/assignments`, ASSIGNMENT)).body as Assignment;
    const draft = await draftOf(ann, { slug: "13-short-set-in-sleeve" });
    const reply = await ann.send("post", `/api/assignments/${id}/hand-ins`, {
      draftId: draft.id,
      note: "",
      picture: null,
      marksOnPicture: [],
    });
    expect([reply.status, (reply.body as { detail: string }).detail]).toEqual([422, expect.stringContaining("not made with the version")]);
  });
});

describe("what is asked", () => {
  it("is told on the workroom, to the teacher as a count, and nobody's log says that anything was seen", async () => {
    const asker = await visitor(h.app, "asker@class.example");
    const made = await classOf(asker, bo);
    const { id } = (await teacher.send("post", `/api/classes/${made.id}/assignments`, ASSIGNMENT)).body as Assignment;
    const of = async (v: Visitor): Promise<Ask | undefined> => ((await v.get("/api/asks")).body as Ask[]).find((a) => a.id === id);
    expect(await of(asker)).toMatchObject({ mine: false, last: null, title: ASSIGNMENT.title, className: CLASS.name });
    const draft = await draftOf(asker);
    const give = { draftId: draft.id, note: "", picture: null, marksOnPicture: [] };
    for (let n = 0; n < 2; n++) await asker.send("post", `/api/assignments/${id}/hand-ins`, give);
    expect([await of(teacher), await of(asker), await of(bo)]).toMatchObject([
      { mine: true, fresh: 1 },
      { fresh: 0, last: "handed" },
      { fresh: 0, last: null },
    ]);
    expect(await of(other)).toBeUndefined();
    const told = async (): Promise<string[]> => ((await asker.get("/api/account/events")).body as AccountEvent[]).map((e) => e.what);
    expect(await told()).not.toContain("hand-in-seen");
    await teacher.get(`/api/assignments/${id}/hand-ins`);
    expect(await told()).toContain("hand-in-seen");
  });

  it("stays as it was given: other settings, or another body, are refused with a sentence", async () => {
    const made = await classOf(ann);
    const asked = {
      ...ASSIGNMENT,
      free: ["shoulder_drop"],
      body: { kind: "given", name: "Size 12", unit: "cm", measurements: { chest: "100" } },
    };
    const { id } = (await teacher.send("post", `/api/classes/${made.id}/assignments`, asked)).body as Assignment;
    const give = async (fields: object): Promise<[number, string]> => {
      const draft = await draftOf(ann, fields);
      const body = { draftId: draft.id, note: "", picture: null, marksOnPicture: [] };
      const reply = await ann.send("post", `/api/assignments/${id}/hand-ins`, body);
      return [reply.status, (reply.body as { detail?: string }).detail ?? ""];
    };
    expect(await give({ settings: { shoulder_drop: "1 cm" } })).toEqual([201, ""]);
    expect(await give({ settings: { neck_div: "6" } })).toEqual([422, expect.stringContaining("neck div stays as it was given")]);
    expect(await give({ measurements: { chest: "90" } })).toEqual([422, expect.stringContaining("drawn on Size 12")]);
    await teacher.send("post", `/api/assignments/${id}/results`);
    expect(((await ann.get("/api/account/events")).body as AccountEvent[])[0]).toMatchObject({ what: "results-taken-out", by: "Somebody" });
  });
});

describe("a system for my classes", () => {
  it("is seen by who is in one of them, and by nobody else", async () => {
    const made = await classOf(ann);
    const notation = ((await teacher.get(`/api/systems/${SHIRT}/1`)).body as { notation: string }).notation;
    const work = (await teacher.send("post", "/api/works", { notation })).body as { id: string; slug: string; version: number };
    await teacher.send("patch", `/api/works/${work.id}/place`, { audience: "classes" });
    expect((await teacher.send("post", `/api/works/${work.id}/publish`, { version: work.version, note: "" })).status).toBe(201);
    const has = async (v: Visitor): Promise<boolean> =>
      ((await v.get("/api/systems")).body as { slug: string }[]).some((s) => s.slug === work.slug);
    expect([await has(teacher), await has(ann), await has(other)]).toEqual([true, true, false]);
    expect((await ann.get(`/api/systems/${work.slug}/1`)).status).toBe(200);
    expect((await other.get(`/api/systems/${work.slug}/1`)).status).toBe(404);
    // Who drafts with it keeps it, even out of the class.
    await draftOf(ann, { slug: work.slug });
    await ann.send("delete", `/api/classes/${made.id}/membership`);
    expect((await ann.get(`/api/systems/${work.slug}/1`)).status).toBe(200);
  });
});

describe("a question at a step", () => {
  it("is answered by the teacher, and by classmates where they may", async () => {
    const made = await classOf(ann, bo);
    const asked = { slug: SHIRT, step: "#5", text: "Why a half?" };
    const { id } = (await ann.send("post", `/api/classes/${made.id}/questions`, asked)).body as Question;
    expect((await bo.send("post", `/api/questions/${id}/answers`, { text: "So." })).status).toBe(403);
    await teacher.send("patch", `/api/classes/${made.id}`, { version: 1, classmatesAnswer: true });
    await bo.send("post", `/api/questions/${id}/answers`, { text: "On the fold." });
    const answered = (await teacher.send("post", `/api/questions/${id}/answers`, { text: "Just so." })).body as Question;
    expect(answered.answers.map((a) => [a.text, a.teacher])).toEqual([
      ["On the fold.", false],
      ["Just so.", true],
    ]);
    expect((await other.send("post", `/api/questions/${id}/answers`, { text: "No." })).status).toBe(404);
  });
});
