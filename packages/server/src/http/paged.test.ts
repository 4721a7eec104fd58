import type { Draft } from "@lodrin/contract";
import type request from "supertest";
import { afterAll, beforeAll, expect, it } from "vitest";
import { PAGE } from "../database/page.js";
import { type Harness, openHarness, type Visitor, visitor } from "../test/harness.js";

let h: Harness;
let mine: Visitor;
beforeAll(async () => {
  h = await openHarness();
  mine = await visitor(h.app, "many@paged.example");
});
afterAll(() => h.close());

const accountOf = async (v: Visitor): Promise<string> => ((await v.get("/api/session")).body as { id: string }).id;
const nextOf = ({ headers }: request.Response): string | undefined => /<([^>]+)>; rel="next"/.exec(headers["link"] ?? "")?.[1];

async function allPages(v: Visitor, path: string): Promise<{ pages: number; rows: { id: string; name: string }[] }> {
  const rows: { id: string; name: string }[] = [];
  let pages = 0;
  for (let next: string | undefined = path; next !== undefined; pages++) {
    const reply: request.Response = await v.get(next);
    expect(reply.status).toBe(200);
    rows.push(...(reply.body as typeof rows));
    next = nextOf(reply);
  }
  return { pages, rows };
}

async function manyDrafts(v: Visitor, many: number): Promise<void> {
  const ownerId = await accountOf(v);
  const [system] = (await h.knex("system_versions").limit(1)) as { id: string }[];
  // Some at the very same moment: the order may not hang on the moment alone.
  const at = (i: number): string => new Date(Date.UTC(2026, 0, 1) + Math.floor(i / 3) * 1_000).toISOString();
  const row = { ownerId, systemVersionId: system?.id, note: "", personName: "", unit: "cm", measurements: "{}", settings: "{}", step: 0 };
  await h.knex("drafts").insert(Array.from({ length: many }, (_, i) => ({ ...row, name: `Draft ${i}`, updatedAt: at(i) })));
}

it("a long list is told page by page, each row once, in its order", async () => {
  await manyDrafts(mine, 2 * PAGE + 30);
  const { pages, rows } = await allPages(mine, "/api/drafts");
  expect([pages, rows.length, new Set(rows.map(({ id }) => id)).size]).toEqual([3, 2 * PAGE + 30, 2 * PAGE + 30]);
  const moments = rows.map((r) => (r as Draft).updatedAt);
  expect(moments).toEqual([...moments].sort().reverse());
});

it("a list that fits one page has no next", async () => {
  const other = await visitor(h.app, "few@paged.example");
  await manyDrafts(other, PAGE);
  expect((await allPages(other, "/api/drafts")).pages).toBe(1);
});

it("people are told self first, then by name, over pages too", async () => {
  const ownerId = await accountOf(mine);
  await h
    .knex("people")
    .insert(Array.from({ length: PAGE + 5 }, (_, i) => ({ ownerId, name: `P${String(i % 50).padStart(3, "0")}`, isSelf: i === 77 })));
  const { rows } = await allPages(mine, "/api/people");
  const names = rows.map(({ name }) => name);
  expect(names.length).toBe(PAGE + 5);
  expect(names.slice(1)).toEqual(names.slice(1).sort());
  expect(names[0]).toBe("P027");
});

it("what was done is told to its beginning", async () => {
  const aboutId = await accountOf(mine);
  await h.knex("events").insert(Array.from({ length: PAGE + 20 }, () => ({ aboutId, byId: aboutId, what: "data-taken-out" })));
  const first = await mine.get("/api/account/events");
  const second = await mine.get(nextOf(first) ?? "");
  expect([(first.body as object[]).length, (second.body as object[]).length, nextOf(second)]).toEqual([PAGE, 20, undefined]);
});

it("another's row shows nothing of its place, and what is no row is refused or behind nothing", async () => {
  const [first] = (await mine.get("/api/drafts")).body as Draft[];
  const other = await visitor(h.app, "peeps@paged.example");
  await manyDrafts(other, 3);
  expect((await other.get(`/api/drafts?after=${first?.id ?? ""}`)).body).toEqual([]);
  for (const after of ["x", "1", "%00", "&after=2"]) expect((await mine.get(`/api/drafts?after=${after}`)).status).toBe(400);
  for (const after of ["x", "-1", "1".repeat(30)]) expect((await mine.get(`/api/account/events?after=${after}`)).status).toBe(400);
});
