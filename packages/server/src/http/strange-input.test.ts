import { randomUUID } from "node:crypto";
import { once } from "node:events";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { request as rawRequest } from "node:http";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import type { Draft, Person } from "@lodrin/contract";
import request from "supertest";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Harness, openHarness, type Visitor, visitor } from "../test/harness.js";
import { NEW_DRAFT } from "../test/new-draft.js";

let h: Harness;
let v: Visitor;
let person: Person;
let draft: Draft;
const SET = { takenOn: "2026-10-01", unit: "cm", written: {}, note: "" };

const webRoot = mkdtempSync(join(tmpdir(), "lodrin-web-"));

beforeAll(async () => {
  writeFileSync(join(webRoot, "index.html"), "<!doctype html><title>Lodrin</title>");
  h = await openHarness({ webRoot });
  v = await visitor(h.app, "strange@quillmoor.example");
  person = (await v.send("post", "/api/people", { name: "Ansel", isSelf: false, isChild: false, note: "" })).body as Person;
  draft = (await v.send("post", "/api/drafts", NEW_DRAFT)).body as Draft;
});
afterAll(async () => {
  rmSync(webRoot, { recursive: true });
  await h.close();
});

/** Texts that no column can hold, and some that look as if. */
const TEXTS = ["a\0b", "\0", "half \ud83d a letter", "\udc4d", "x".repeat(5_000)];
const IDS = ["urn:uuid:6a8c1f7e-53b5-4a6f-9b57-6d1c5a1f0c11", "6A8C1F7E-53B5-4A6F-9B57", "%00", "null", "{}", "1 or 1=1"];

describe("strange input is answered with a problem, never with a failure", () => {
  it.each(TEXTS.map((t, i) => [i, t]))("text %i", async (_, text) => {
    const replies = await Promise.all([
      v.send("post", "/api/people", { name: text, isSelf: false, isChild: false, note: "" }),
      v.send("post", "/api/people", { name: "A", isSelf: false, isChild: false, note: text }),
      v.send("patch", `/api/people/${person.id}`, { version: 1, note: text }),
      v.send("post", "/api/drafts", { ...NEW_DRAFT, note: text }),
      v.send("post", "/api/drafts", { ...NEW_DRAFT, slug: text }),
      v.send("post", "/api/drafts", { ...NEW_DRAFT, measurements: { chest: text } }),
      v.send("post", "/api/drafts", { ...NEW_DRAFT, settings: { [text]: "1" } }),
      v.send("patch", `/api/drafts/${draft.id}`, { version: 1, name: text }),
      v.send("patch", "/api/session", { name: text }),
      request(h.app).post("/api/accounts").send({ email: "a@b.example", name: text, password: "long enough 1" }),
      request(h.app).post("/api/session").send({ email: text, password: "x" }),
      request(h.app).post("/api/session").send({ email: "a@b.example", password: text }),
    ]);
    for (const reply of replies) {
      expect(reply.status).toBeGreaterThanOrEqual(400);
      expect(reply.status).toBeLessThan(500);
      expect(reply.headers["content-type"]).toContain("application/problem+json");
      expect(reply.body).toMatchObject({ status: reply.status, title: expect.any(String) as string });
    }
  });

  it.each([0, -1, 1.5, 2 ** 31, 2 ** 53, 1e308, null, "1", []])("version %j", async (version) => {
    expect((await v.send("patch", `/api/drafts/${draft.id}`, { version, note: "x" })).status).toBe(400);
    expect((await v.send("patch", `/api/people/${person.id}`, { version, note: "x" })).status).toBe(400);
  });

  it.each(["0000-01-01", "1899-12-31", "2026-02-30", "9999-12-31", "2026-1-1", "today", "-2026-01-01"])("the day %s", async (takenOn) => {
    expect((await v.send("post", `/api/people/${person.id}/sets`, { ...SET, takenOn })).status).toBe(400);
  });

  it.each(IDS)("the id %s", async (id) => {
    const at = encodeURIComponent(id);
    const replies = await Promise.all([
      v.get(`/api/drafts/${at}`),
      v.get(`/api/drafts/${at}/files/pattern.pdf`),
      v.send("delete", `/api/people/${at}`),
      v.send("patch", `/api/sets/${at}`, { version: 1 }),
      v.send("post", "/api/drafts", { ...NEW_DRAFT, personId: id }),
      v.send("post", "/api/people", { id, name: "A", isSelf: false, isChild: false, note: "" }),
    ]);
    for (const reply of replies) expect(reply.status).toBe(400);
  });

  it.each(["/api/%", "/api/%E0%A4%A", "/%", "/%E0%A4%A", "/api/drafts/%", "/assets/%c0%ae%c0%ae/"])("the path %s", async (path) => {
    const reply = await request(h.app).get(path);
    expect([400, 404]).toContain(reply.status);
    expect(reply.headers["content-type"]).toContain("application/problem+json");
  });

  it.each([
    ["an unknown character set", { "content-type": "application/json; charset=klingon" }, Buffer.from("{}"), 415],
    ["an unknown packing", { "content-type": "application/json", "content-encoding": "snow" }, Buffer.from("{}"), 415],
    ["broken gzip", { "content-type": "application/json", "content-encoding": "gzip" }, Buffer.from("not gzip at all"), 400],
    ["half a gzip", { "content-type": "application/json", "content-encoding": "gzip" }, gzipSync('{"email":"a"}').subarray(0, 12), 400],
    [
      "gzip that unpacks to far more",
      { "content-type": "application/json", "content-encoding": "gzip" },
      gzipSync(" ".repeat(5_000_000)),
      413,
    ],
    ["a list", { "content-type": "application/json" }, Buffer.from("[]"), 400],
    ["nothing", { "content-type": "application/json" }, Buffer.from(""), 400],
    ["deep brackets", { "content-type": "application/json" }, Buffer.from("[".repeat(8_000)), 400],
  ])("a body of %s", async (_, headers, body, status) => {
    const server = h.app.listen(0, "127.0.0.1");
    await once(server, "listening");
    const { port } = server.address() as AddressInfo;
    const got = await new Promise<{ status: number; type: string }>((resolve, reject) => {
      const call = rawRequest({ port, host: "127.0.0.1", path: "/api/session", method: "POST", headers }, (reply) => {
        reply.resume();
        resolve({ status: reply.statusCode ?? 0, type: String(reply.headers["content-type"]) });
      });
      call.on("error", reject);
      call.end(body);
    });
    server.close();
    expect(got).toEqual({ status, type: expect.stringContaining("application/problem+json") as string });
  });

  it("no preferences at all change none", async () => {
    expect((await v.send("patch", "/api/session", {})).body).toMatchObject({ email: "strange@quillmoor.example" });
  });

  it("a stranger's large body is turned away before it is read, and the answer is short", async () => {
    const unknown = Object.fromEntries(Array.from({ length: 1_000 }, (_, i) => [`key${i}`, i]));
    const short = await request(h.app)
      .post("/api/session")
      .send({ email: "a", password: "b", ...unknown });
    expect(short.status).toBe(400);
    expect(short.text.length).toBeLessThan(500);
    const large = await request(h.app)
      .post("/api/session")
      .send({ email: "a".repeat(50_000), password: "b" });
    expect(large.status).toBe(413);
    // Whoever is known may send as much as a draft holds.
    expect((await v.send("patch", `/api/drafts/${draft.id}`, { version: 1, note: "x".repeat(3_900) })).status).toBe(200);
  });

  it("what the API says is kept by no cache", async () => {
    expect((await v.get("/api/drafts")).headers["cache-control"]).toBe("no-store");
  });
});

describe("a call made again because its answer got lost", () => {
  it("makes a person, a set, a draft and a copy once", async () => {
    const id = randomUUID();
    const twice = async (path: string, body: object): Promise<void> => {
      const [first, second] = [await v.send("post", path, { id, ...body }), await v.send("post", path, { id, ...body })];
      expect([first.status, second.status]).toEqual([201, 201]);
      expect(second.body).toEqual(first.body);
      expect(first.body).toMatchObject({ id });
    };
    await twice("/api/people", { name: "Once", isSelf: false, isChild: false, note: "" });
    expect(((await v.get("/api/people")).body as Person[]).filter((p) => p.name === "Once")).toHaveLength(1);
    await twice(`/api/people/${id}/sets`, SET);
    await twice("/api/drafts", { ...NEW_DRAFT, name: "Once" });
    const copy = randomUUID();
    for (let i = 0; i < 2; i++)
      expect((await v.send("post", `/api/drafts/${id}/duplicate`, { id: copy })).body).toMatchObject({ id: copy });
    expect(((await v.get("/api/drafts")).body as Draft[]).filter((d) => d.name.startsWith("Once"))).toHaveLength(2);
  });

  it("another's id is nobody's to take", async () => {
    const other = await visitor(h.app, "taker@quillmoor.example");
    expect(
      (await other.send("post", "/api/people", { id: person.id, name: "Mine now", isSelf: false, isChild: false, note: "" })).status,
    ).toBe(404);
    expect((await other.send("post", "/api/drafts", { ...NEW_DRAFT, id: draft.id })).status).toBe(404);
    expect((await v.get(`/api/drafts/${draft.id}`)).body).toMatchObject({ name: "Band shirt" });
  });

  it("a save that was stored is a success when it comes again, and a collision only when something else is stored", async () => {
    const { id } = (await v.send("post", "/api/drafts", { ...NEW_DRAFT, name: "Again" })).body as Draft;
    const save = { version: 1, note: "typed once", settings: { rise: "2 cm" } };
    const first = await v.send("patch", `/api/drafts/${id}`, save);
    const second = await v.send("patch", `/api/drafts/${id}`, save);
    expect(second.status).toBe(200);
    expect(second.body).toEqual(first.body);
    expect((await v.send("patch", `/api/drafts/${id}`, { ...save, note: "another hand" })).status).toBe(409);
    expect((await v.send("patch", `/api/people/${person.id}`, { version: 1, note: "seen" })).body).toMatchObject({ version: 2 });
    expect((await v.send("patch", `/api/people/${person.id}`, { version: 1, note: "seen" })).body).toMatchObject({ version: 2 });
  });

  it("of twenty saves from one version one wins, and its answer is its own", async () => {
    const { id } = (await v.send("post", "/api/drafts", NEW_DRAFT)).body as Draft;
    const replies = await Promise.all(
      Array.from({ length: 20 }, (_, i) => v.send("patch", `/api/drafts/${id}`, { version: 1, note: `hand ${i}` })),
    );
    const won = replies.map((r, i) => ({ r, i })).filter(({ r }) => r.status === 200);
    expect(won).toHaveLength(1);
    expect(won[0]?.r.body).toMatchObject({ version: 2, note: `hand ${won[0]?.i ?? -1}` });
  });
});
