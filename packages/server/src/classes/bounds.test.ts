import { randomUUID } from "node:crypto";
import type { Assignment, Draft, HandIn, OwnHandIn, Person, Question, SchoolClass } from "@lodrin/contract";
import { strFromU8, unzipSync } from "fflate";
import sharp from "sharp";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { enter, type Harness, openHarness } from "../test/harness.js";
import { jpeg } from "../test/jpeg.js";

const SHIRT = "08-menswear-flat-shirt-block";
const ASKED = {
  ...{ title: "The shirt block", text: "", slug: SHIRT, systemVersion: 1, body: { kind: "own" }, settings: {}, free: [], readings: [] },
  ...{ picture: true, note: true, dueOn: null, toleranceMm: 3, rubric: [{ text: "Lines", marks: 5 }] },
};
const DRAFT = {
  ...{ name: "Shirt", note: "", slug: SHIRT, personId: null, personName: "Ansel", setId: null, unit: "cm", step: 0 },
  ...{ measurements: { chest: "100" }, settings: {} },
};

let h: Harness;
type Visitor = Awaited<ReturnType<typeof enter>>;
let teacher: Visitor;
let ann: Visitor;
let klass: SchoolClass;
let many = 0;
beforeAll(async () => {
  h = await openHarness();
});
afterAll(() => h.close());
beforeEach(async () => {
  teacher = await enter(h, `teacher${many}@bounds.example`, "instructor");
  ann = await enter(h, `ann${many++}@bounds.example`);
  klass = (await teacher.send("post", "/api/classes", { name: "Monday", term: "", meets: "", note: "", classmatesAnswer: false }))
    .body as SchoolClass;
  await ann.send("post", `/api/class-codes/${klass.code}`);
});

const assign = async (fields: object = {}): Promise<Assignment> =>
  (await teacher.send("post", `/api/classes/${klass.id}/assignments`, { ...ASKED, ...fields })).body as Assignment;
const draftOf = async (fields: object = {}): Promise<Draft> =>
  (await ann.send("post", "/api/drafts", { ...DRAFT, ...fields })).body as Draft;
const give = async (
  assignment: Assignment,
  draft: Draft,
  fields: object = {},
): Promise<{ status: number; body: HandIn; detail: string }> => {
  const body = { draftId: draft.id, note: "", picture: null, marksOnPicture: [], ...fields };
  const reply = await ann.send("post", `/api/assignments/${assignment.id}/hand-ins`, body);
  return { status: reply.status, body: reply.body as HandIn, detail: (reply.body as { detail?: string }).detail ?? "" };
};

describe("what is handed in", () => {
  it("thirty times is enough", async () => {
    const [assignment, draft] = [await assign(), await draftOf()];
    const first = (await give(assignment, draft)).body;
    await h.knex("hand_ins").where({ id: first.id }).update({ attempt: 30 });
    expect(await give(assignment, draft)).toMatchObject({ status: 422, detail: expect.stringContaining("30 times") as string });
  });

  it("holds no picture where none is asked for, and nothing that is none", async () => {
    const [without, withOne, draft] = [await assign({ picture: false }), await assign(), await draftOf()];
    expect((await give(without, draft, { picture: await jpeg() })).status).toBe(422);
    expect((await give(withOne, draft, { picture: "data:image/jpeg;base64,AA==" })).status).toBe(422);
    const png = await sharp({ create: { width: 9, height: 9, channels: 3, background: "white" } })
      .png()
      .toBuffer();
    expect((await give(withOne, draft, { picture: `data:image/jpeg;base64,${png.toString("base64")}` })).status).toBe(422);
    const cut = (await jpeg({ side: 400 })).slice(0, 700);
    expect((await give(withOne, draft, { picture: `${cut}${"=".repeat((4 - ((cut.length - 23) % 4)) % 4)}` })).status).toBe(422);
  });

  it("has nothing left of the camera, the place, or what was hidden behind the picture", async () => {
    const [assignment, draft] = [await assign(), await draftOf()];
    const sent = await jpeg({ exif: true });
    const hidden = `data:image/jpeg;base64,${Buffer.concat([Buffer.from(sent.slice(23), "base64"), Buffer.from("<script>SECRET</script>")]).toString("base64")}`;
    expect(Buffer.from(hidden.slice(23), "base64").toString("latin1")).toContain("SECRET-CAMERA");
    const { body } = await give(assignment, draft, { picture: hidden });
    const { picture } = (await ann.get(`/api/hand-ins/${body.id}/picture`)).body as { picture: string };
    const kept = Buffer.from(picture.slice(23), "base64");
    expect(kept.toString("latin1")).not.toContain("SECRET");
    expect((await sharp(kept).metadata()).exif).toBeUndefined();
  });

  it("under an id that is another's is refused, and is no fault", async () => {
    const [assignment, draft] = [await assign(), await draftOf()];
    const { body } = await give(assignment, draft);
    const bo = await enter(h, `bo${many}@bounds.example`);
    await bo.send("post", `/api/class-codes/${klass.code}`);
    const own = (await bo.send("post", "/api/drafts", DRAFT)).body as Draft;
    const reply = await bo.send("post", `/api/assignments/${assignment.id}/hand-ins`, {
      ...{ id: body.id, draftId: own.id, note: "", picture: null, marksOnPicture: [] },
    });
    expect(reply.status).toBe(404);
  });

  it("on a given body is compared as lengths: 40 in is not 40 cm, and is 101.6 cm", async () => {
    const assignment = await assign({ body: { kind: "given", name: "Size 12", unit: "in", measurements: { chest: "40" } } });
    const answers = [];
    for (const [unit, chest] of [
      ["in", "40"],
      ["cm", "101.6"],
      ["in", "101.6 cm"],
      ["cm", "40"],
      ["in", "40 cm"],
    ])
      answers.push((await give(assignment, await draftOf({ unit, measurements: { chest } }))).status);
    expect(answers).toEqual([201, 201, 201, 422, 422]);
  });

  it("is marked within the rubric and no further", async () => {
    const { body } = await give(await assign(), await draftOf());
    const judge = async (marks: (number | null)[]): Promise<number> =>
      (await teacher.send("patch", `/api/hand-ins/${body.id}`, { marks })).status;
    expect([await judge([6]), await judge([5, 1]), await judge([]), await judge([5]), await judge([null])]).toEqual([
      422, 422, 422, 200, 200,
    ]);
  });
});

describe("a student who left", () => {
  it("still sees what was handed in, and withdraws it; a mark stays, without a name or a figure", async () => {
    const assignment = await assign();
    const draft = await draftOf();
    const unmarked = (await give(assignment, draft, { note: "SECRET" })).body;
    const marked = (await give(assignment, draft, { note: "SECRET", picture: await jpeg() })).body;
    await teacher.send("patch", `/api/hand-ins/${marked.id}`, { marks: [4] });
    await teacher.send("post", `/api/hand-ins/${marked.id}/comments`, { place: "", text: "SECRET of Ansel" });
    await ann.send("delete", `/api/classes/${klass.id}/membership`);
    const own = (await ann.get("/api/hand-ins")).body as OwnHandIn[];
    expect(own.map(({ id, open, marked: m }) => [id, open, m])).toEqual([
      [marked.id, false, true],
      [unmarked.id, false, false],
    ]);
    expect((await ann.get(`/api/hand-ins/${marked.id}`)).body).toMatchObject({ note: "SECRET" });
    expect((await ann.get(`/api/hand-ins/${marked.id}/picture`)).status).toBe(200);
    expect((await ann.send("post", `/api/hand-ins/${marked.id}/comments`, { place: "", text: "More" })).status).toBe(404);
    for (const { id } of [unmarked, marked]) expect((await ann.send("delete", `/api/hand-ins/${id}`)).status).toBe(200);
    const left = (await teacher.get(`/api/assignments/${assignment.id}/hand-ins`)).body as HandIn[];
    expect(left).toMatchObject([
      { id: marked.id, marks: [4], personName: "", measurements: {}, readings: [], comments: [], picture: false },
    ]);
    expect(JSON.stringify(left)).not.toContain("SECRET");
  });
});

describe("an erased person", () => {
  it("is gone from drafts and hand-ins, and what would go was said before", async () => {
    const person = (await ann.send("post", "/api/people", { name: "SECRET Ansel", isSelf: false, isChild: false, note: "" }))
      .body as Person;
    const assignment = await assign();
    const draft = await draftOf({ personId: person.id, personName: "SECRET Ansel", measurements: { chest: "100.7" } });
    const [unmarked, marked] = [(await give(assignment, draft)).body, (await give(assignment, draft)).body];
    await teacher.send("patch", `/api/hand-ins/${marked.id}`, { marks: [3] });
    const { counts } = (await ann.get(`/api/dependents/person/${person.id}`)).body as { counts: { one: string; count: number }[] };
    expect(counts.map(({ one, count }) => [one.split(" ")[0], count])).toEqual([
      ["draft", 1],
      ["hand-in", 1],
      ["hand-in", 1],
    ]);
    await ann.send("delete", `/api/people/${person.id}`);
    expect((await ann.send("post", `/api/deleted/person/${person.id}/erase`)).status).toBe(201);
    expect((await ann.get(`/api/drafts/${draft.id}`)).status).toBe(404);
    expect((await ann.get(`/api/hand-ins/${unmarked.id}`)).status).toBe(404);
    expect((await ann.get(`/api/hand-ins/${marked.id}`)).body).toMatchObject({ marks: [3], personName: "" });
    for (const table of ["people", "drafts", "hand_ins", "measurement_sets", "comments"]) {
      const all = JSON.stringify(await h.knex(table));
      expect([table, all.includes("SECRET Ansel"), all.includes("100.7")]).toEqual([table, false, false]);
    }
  });
});

describe("what an account takes along", () => {
  it("holds comments, answers, readings and pictures", async () => {
    const assignment = await assign();
    const draft = await draftOf();
    const reading = { name: "#4", written: "10 1/2", verdict: "right", code: "", step: "", says: "" };
    await ann.send("post", `/api/drafts/${draft.id}/readings`, { readings: [reading] });
    const { body } = await give(assignment, draft, { picture: await jpeg() });
    await teacher.send("post", `/api/hand-ins/${body.id}/comments`, { place: "", text: "A comment of the teacher's" });
    const asked = (await ann.send("post", `/api/classes/${klass.id}/questions`, { slug: SHIRT, step: "#4", text: "Why?" }))
      .body as Question;
    await teacher.send("post", `/api/questions/${asked.id}/answers`, { text: "An answer of the teacher's" });
    const files = unzipSync(new Uint8Array((await ann.get("/api/account/data")).body as Buffer));
    const json = strFromU8(files["lodrin.json"] as Uint8Array);
    for (const text of ["A comment of the teacher's", "An answer of the teacher's", "10 1/2"]) expect(json).toContain(text);
    expect((await sharp(files[`pictures/${body.id}.jpg`]).metadata()).format).toBe("jpeg");
  });
});

describe("at the table", () => {
  it("only steps that the system has are ticked", async () => {
    const { id } = await draftOf();
    const tick = async (step: string): Promise<number> =>
      (await ann.send("patch", `/api/drafts/${id}/table`, { ticked: [step], unticked: [], seconds: 1 })).status;
    expect([await tick("#1"), await tick("#999"), await tick("x".repeat(80))]).toEqual([200, 422, 422]);
  });
});

describe("questions of a class", () => {
  it("come page by page, and an account asks no more than sixty in an hour", async () => {
    const rows = Array.from({ length: 130 }, (_, n) => ({
      classId: klass.id,
      byId: ann.id,
      slug: SHIRT,
      step: "#4",
      text: `Question ${n}`,
    }));
    await h.knex("questions").insert(rows);
    const first = await ann.get(`/api/classes/${klass.id}/questions`);
    expect(first.body).toHaveLength(100);
    const next = /<([^>]+)>/.exec(first.headers["link"] ?? "")?.[1] ?? "";
    expect((await ann.get(next)).body).toHaveLength(30);
    let last = 0;
    for (let n = 0; n < 61; n++)
      last = (await ann.send("post", `/api/classes/${klass.id}/questions`, { id: randomUUID(), slug: SHIRT, step: "#4", text: "?" }))
        .status;
    expect(last).toBe(429);
  });
});
