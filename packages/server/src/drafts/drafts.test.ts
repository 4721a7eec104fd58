import type { Draft, MeasurementSet, Person, SystemSheet } from "@lodrin/contract";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { readAnswers } from "@lodrin/formats";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { loadDemo } from "../demo/load.js";
import { DEMO_CLASS_STUDENTS } from "../demo/class.js";
import { DEMO_ACCOUNTS, DEMO_PASSWORD } from "../demo/workshop.js";
import { loadLibrary } from "../systems/library.js";
import { SystemVersionRow } from "../systems/system-version.js";
import { type Harness, openHarness, type Visitor, visitor } from "../test/harness.js";
import { NEW_DRAFT, SHIRT } from "../test/new-draft.js";
import request from "supertest";

const MEASUREMENTS = { chest: "104", neck: "41", scye_depth: "25", back_waist: "45", half_back: "20,6", garment_length: "77" };

let h: Harness;
let mine: Visitor;
let other: Visitor;
beforeAll(async () => {
  h = await openHarness();
  mine = await visitor(h.app, "mine@quillmoor.example");
  other = await visitor(h.app, "other@quillmoor.example");
});
afterAll(() => h.close());

const NEW = { ...NEW_DRAFT, measurements: MEASUREMENTS };
const newDraft = async (change: object = {}): Promise<Draft> =>
  (await mine.send("post", "/api/drafts", { ...NEW, ...change })).body as Draft;

describe("the shelf", () => {
  it("holds the library, with its notation", async () => {
    const shelf = (await mine.get("/api/systems")).body as SystemSheet[];
    const shirt = shelf.find((s) => s.slug === SHIRT);
    expect(shirt).toMatchObject({ title: "Menswear flat shirt block", garment: "shirt", version: 1 });
    expect(shirt?.notation).toContain("#12 out across from #11");
  });

  it("is sent again only when it changed", async () => {
    const agent = request.agent(h.app);
    await agent.post("/api/accounts").send({ email: "shelf@quillmoor.example", name: "Shelf", password: "long enough 1" }).expect(201);
    const first = await agent.get("/api/systems").expect(200);
    const etag = first.headers["etag"] as string;
    expect(first.headers).toMatchObject({ "content-encoding": "gzip", "cache-control": "private, no-cache" });
    expect((await agent.get("/api/systems").set("if-none-match", etag).expect(304)).text).toBe("");
    expect((await agent.get("/api/systems").set("accept-encoding", "identity").expect(200)).body).toEqual(first.body);
    await h.knex("system_versions").insert({ slug: "newest", version: 1, title: "Newest", garment: "block", notation: 'system "Newest"' });
    const changed = await agent.get("/api/systems").set("if-none-match", etag).expect(200);
    expect((changed.body as SystemSheet[]).map((s) => s.slug)).toContain("newest");
    await h.knex("system_versions").where({ slug: "newest" }).delete();
  });

  it("a changed library file becomes a new version; drafts keep theirs", async () => {
    const draft = await newDraft();
    const [row] = await SystemVersionRow.query(h.knex).where({ slug: SHIRT });
    await SystemVersionRow.query(h.knex).insert({
      ...row,
      id: undefined as never,
      version: 2,
      notation: `${row?.notation ?? ""}\n# house rule\n`,
    });
    expect(((await mine.get("/api/systems")).body as SystemSheet[]).find((s) => s.slug === SHIRT)?.version).toBe(2);
    expect((await mine.get(`/api/drafts/${draft.id}`)).body).toMatchObject({ systemVersion: 1 });
    expect((await mine.get(`/api/systems/${SHIRT}/1`)).body).toMatchObject({ version: 1 });
    expect((await mine.get(`/api/systems/${SHIRT}/9`)).status).toBe(404);
    await SystemVersionRow.query(h.knex).delete().where({ slug: SHIRT, version: 2 });
  });

  it("a changed system becomes a new version of those that build on it, and their drafts keep the old one", async () => {
    const fresh = await openHarness();
    const folder = mkdtempSync(join(tmpdir(), "lodrin-shelf-"));
    try {
      const write = (name: string, text: string): void => writeFileSync(join(folder, `${name}.lodrin`), text);
      const base = (down: number): string => `system "Base"\n  unit cm\nboard A "A"\nA0 start\nA1 down ${down} from A0\n`;
      write("try-base", base(10));
      write("try-user", 'system "User"\n  unit cm\nuses try-base\nboard B "B"\nB0 start\nB1 down dist(#A0, #A1) from B0\n');
      await loadLibrary(fresh.knex, folder);
      const drafter = await visitor(fresh.app, "drafter@quillmoor.example");
      const first = (await drafter.send("post", "/api/drafts", { ...NEW, slug: "try-user", measurements: {} })).body as Draft;
      write("try-base", base(20));
      await loadLibrary(fresh.knex, folder);
      const second = (await drafter.send("post", "/api/drafts", { ...NEW, slug: "try-user", measurements: {} })).body as Draft;
      expect([first.systemVersion, second.systemVersion]).toEqual([1, 2]);
      const depth = async ({ id }: Draft): Promise<unknown> => (await drafter.get(`/api/drafts/${id}/files/run.json`)).body.points.B1.y;
      expect([await depth(first), await depth(second)]).toEqual([100, 200]);
    } finally {
      rmSync(folder, { recursive: true });
      await fresh.close();
    }
  });

  it("stocking twice adds nothing", async () => {
    const before = await SystemVersionRow.query(h.knex).resultSize();
    await loadLibrary(h.knex, new URL("../../../../systems", import.meta.url).pathname);
    expect(await SystemVersionRow.query(h.knex).resultSize()).toBe(before);
  });
});

describe("a kept draft", () => {
  it("is a snapshot: a later change to the set does not reach it", async () => {
    const person = (await mine.send("post", "/api/people", { name: "Ansel", isSelf: false, isChild: false, note: "" })).body as Person;
    const set = (
      await mine.send("post", `/api/people/${person.id}/sets`, { takenOn: "2026-10-01", unit: "cm", written: MEASUREMENTS, note: "" })
    ).body as MeasurementSet;
    const draft = await newDraft({ personId: person.id, setId: set.id, personName: "Ansel" });
    await mine.send("patch", `/api/sets/${set.id}`, { version: 1, written: { chest: "120" } });
    expect((await mine.get(`/api/drafts/${draft.id}`)).body).toMatchObject({
      measurements: MEASUREMENTS,
      personName: "Ansel",
      systemTitle: "Menswear flat shirt block",
    });
    await mine.send("delete", `/api/people/${person.id}`);
    expect((await mine.get(`/api/drafts/${draft.id}`)).status).toBe(200);
  });

  it("is changed by version, listed newest first, duplicated, deleted and brought back", async () => {
    const draft = await newDraft({ name: "First" });
    const changed = await mine.send("patch", `/api/drafts/${draft.id}`, {
      version: 1,
      settings: { rise: "2 cm" },
      step: 7,
      name: "First, shorter",
    });
    expect(changed.body).toMatchObject({ version: 2, settings: { rise: "2 cm" }, step: 7 });
    expect(((await mine.get("/api/drafts")).body as Draft[])[0]?.id).toBe(draft.id);
    const copy = (await mine.send("post", `/api/drafts/${draft.id}/duplicate`)).body as Draft;
    expect(copy).toMatchObject({ name: "First, shorter, copy", settings: { rise: "2 cm" }, version: 1 });
    expect(copy.id).not.toBe(draft.id);
    await mine.send("delete", `/api/drafts/${draft.id}`);
    expect((await mine.get(`/api/drafts/${draft.id}`)).status).toBe(404);
    expect((await mine.send("post", `/api/drafts/${draft.id}/restore`)).body).toMatchObject({ id: draft.id, step: 7 });
  });

  it("looking at steps changes neither its version nor its time", async () => {
    const draft = await newDraft();
    expect((await mine.send("patch", `/api/drafts/${draft.id}/step`, { step: 12 })).body).toEqual({ done: true });
    const { version, updatedAt, step } = (await mine.get(`/api/drafts/${draft.id}`)).body as Draft;
    expect({ version, updatedAt, step }).toEqual({ version: 1, updatedAt: draft.updatedAt, step: 12 });
    expect((await mine.send("patch", `/api/drafts/${draft.id}`, { version: 1, note: "no collision" })).status).toBe(200);
    expect((await mine.send("patch", `/api/drafts/${draft.id}/step`, { step: -1 })).status).toBe(400);
  });

  it("two tabs collide: the later one is shown both", async () => {
    const draft = await newDraft();
    await mine.send("patch", `/api/drafts/${draft.id}`, { version: 1, note: "from one tab" });
    const late = await mine.send("patch", `/api/drafts/${draft.id}`, { version: 1, note: "from the other" });
    expect(late.status).toBe(409);
    expect(late.body.current).toMatchObject({ note: "from one tab", version: 2 });
  });

  it("refuses what does not fit, and systems that are not there", async () => {
    expect((await mine.send("post", "/api/drafts", { ...NEW, slug: "no-such" })).status).toBe(404);
    expect((await mine.send("post", "/api/drafts", { ...NEW, settings: { rise: 3 } })).status).toBe(400);
    expect((await mine.send("post", "/api/drafts", { ...NEW, name: "" })).status).toBe(400);
    const draft = await newDraft();
    expect((await mine.send("patch", `/api/drafts/${draft.id}`, { note: "no version" })).status).toBe(400);
    expect((await mine.send("patch", `/api/drafts/${draft.id}`, { version: 1, ownerId: draft.id })).status).toBe(400);
  });
});

describe("its files", () => {
  it("tiled PDF, handout, SVG and JSON, made from what is stored", async () => {
    const draft = await newDraft({ name: "Band shirt: Barnaby / 2" });
    const file = (name: string): ReturnType<Visitor["get"]> => mine.get(`/api/drafts/${draft.id}/files/${name}`);
    const pdf = await file("pattern.pdf?paper=Letter");
    expect(pdf.headers["content-type"]).toContain("application/pdf");
    expect(pdf.headers["content-disposition"]).toContain('filename="band-shirt-barnaby-2-pattern.pdf"');
    expect(pdf.headers["cache-control"]).toBe("no-store");
    expect((await file("handout.pdf?unit=in")).status).toBe(200);
    const svg = await file("pattern.svg?what=board");
    expect((svg.body as Buffer).toString()).toContain('<g id="construction"');
    const json = await file("run.json");
    expect(json.body).toMatchObject({ system: SHIRT, points: { "12": { x: 256, y: 175 } } });
  });

  it("DXF, tables of points and seams, and the answers it was made from", async () => {
    const draft = await newDraft({ settings: { rise: "2 cm" } });
    const file = async (name: string): Promise<{ type: string; text: string }> => {
      const reply = await mine.get(`/api/drafts/${draft.id}/files/${name}`);
      expect(reply.status).toBe(200);
      return { type: reply.headers["content-type"] ?? "", text: reply.text ?? String(reply.body) };
    };
    expect((await file("pattern.dxf")).type).toContain("image/vnd.dxf");
    expect((await file("points.csv")).text).toContain("12,M,256,");
    expect((await file("seams.csv")).text).toContain("Front,shoulder,");
    const { answers } = readAnswers((await file("answers.csv")).text);
    expect(answers).toEqual({
      measurements: Object.fromEntries(Object.entries(MEASUREMENTS).map(([k, v]) => [k, `${v} cm`])),
      settings: { rise: "2 cm" },
    });
  });

  it("figures without a unit are in the draft's own unit", async () => {
    const draft = await newDraft({
      unit: "in",
      measurements: { ...MEASUREMENTS, chest: "40", half_back: "8", neck: "16", scye_depth: "10", back_waist: "18", garment_length: "30" },
    });
    const json = (await mine.get(`/api/drafts/${draft.id}/files/run.json`)).body as { values: Record<string, number> };
    expect(json.values["width"]).toBeCloseTo(10 * 25.4 + 65, 6);
  });

  it("says what files and papers there are", async () => {
    const draft = await newDraft();
    expect((await mine.get(`/api/drafts/${draft.id}/files/constructor`)).body.detail).toContain("pattern.pdf");
    expect((await mine.get(`/api/drafts/${draft.id}/files/pattern.pdf?paper=A7`)).status).toBe(400);
    expect((await mine.get(`/api/drafts/${draft.id}/files/pattern.pdf?colour=red`)).status).toBe(400);
  });
});

describe("nobody reaches what is another's", () => {
  it("drafts and their files", async () => {
    const draft = await newDraft();
    const tries = [
      other.get(`/api/drafts/${draft.id}`),
      other.get(`/api/drafts/${draft.id}/files/pattern.pdf`),
      other.send("patch", `/api/drafts/${draft.id}`, { version: 1, note: "x" }),
      other.send("post", `/api/drafts/${draft.id}/duplicate`),
      other.send("delete", `/api/drafts/${draft.id}`),
      other.send("post", `/api/drafts/${draft.id}/restore`),
    ];
    for (const reply of await Promise.all(tries)) expect(reply.status).toBe(404);
  });

  it("a draft cannot be tied to another's body", async () => {
    const person = (await mine.send("post", "/api/people", { name: "Mine", isSelf: false, isChild: false, note: "" })).body as Person;
    expect((await other.send("post", "/api/drafts", { ...NEW, personId: person.id })).status).toBe(404);
  });
});

describe("the demo", () => {
  it("is loaded once, by however many processes, and only into an empty workshop", async () => {
    const fresh = await openHarness();
    await Promise.all([loadDemo(fresh.knex), loadDemo(fresh.knex), loadDemo(fresh.knex)]);
    const [{ count = 0 } = {}] = await fresh.knex("accounts").count<{ count: string }[]>();
    expect(Number(count)).toBe(new Set([...DEMO_ACCOUNTS, ...DEMO_CLASS_STUDENTS].map((a) => a.email)).size);
    const agent = request.agent(fresh.app);
    for (const account of DEMO_ACCOUNTS) {
      expect((await agent.post("/api/session").send({ email: account.email, password: DEMO_PASSWORD }).expect(200)).body).toMatchObject({
        role: account.role,
      });
      expect((await agent.get("/api/people")).body).toHaveLength(account.people.length);
    }
    await fresh.close();
  });
});
