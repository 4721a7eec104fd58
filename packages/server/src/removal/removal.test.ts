import type { DeletableKind, DeletedThing } from "@lodrin/contract";
import { afterAll, beforeAll, expect, it } from "vitest";
import { purgeDeleted } from "../database/purge.js";
import { enter, type Harness, openHarness } from "../test/harness.js";
import { someone } from "../test/route-table.js";

let h: Harness;
beforeAll(async () => {
  h = await openHarness();
  await enter(h, "first@removal.example", "owner");
});
afterAll(() => h.close());

const TABLES: Readonly<Record<DeletableKind, string>> = {
  ...{ class: "classes", lesson: "lessons", assignment: "assignments", work: "works" },
  ...{ chart: "size_charts", person: "people", set: "measurement_sets", draft: "drafts" },
};

it.each(Object.keys(TABLES) as DeletableKind[])("a %s that was deleted is listed, restored or erased; by nobody else", async (kind) => {
  const { v, things } = await someone(h, "instructor");
  const stranger = (await someone(h, "owner")).v;
  const id = { ...things, class: things.klass }[kind];
  const counts = await v.get(`/api/dependents/${kind}/${id}`);
  expect(counts.status).toBe(200);
  expect((await stranger.get(`/api/dependents/${kind}/${id}`)).status).toBe(404);
  expect((await v.send("post", `/api/deleted/${kind}/${id}/erase`)).status).toBe(404);
  await h.knex(TABLES[kind]).where({ id }).update({ deletedAt: new Date() });
  const listed = ((await v.get("/api/deleted")).body as DeletedThing[]).find((thing) => thing.id === id);
  expect(listed).toMatchObject({ kind });
  const days = (Date.parse(listed?.until ?? "") - Date.parse(listed?.deletedAt ?? "")) / 86_400_000;
  expect(days).toBe(30);
  expect((await stranger.get("/api/deleted")).body).not.toContainEqual(expect.objectContaining({ id }));
  expect((await stranger.send("post", `/api/deleted/${kind}/${id}/erase`)).status).toBe(404);
  expect((await v.send("post", `/api/deleted/${kind}/${id}/erase`)).status).toBe(201);
  expect(await h.knex(TABLES[kind]).where({ id })).toEqual([]);
});

it("what an assignment takes along is counted", async () => {
  const { v, things } = await someone(h, "instructor");
  const { counts } = (await v.get(`/api/dependents/assignment/${things.assignment}`)).body as { counts: { many: string; count: number }[] };
  expect(counts.map(({ many, count }) => [many, count])).toEqual([
    ["students' work", 1],
    ["hand-ins", 1],
    ["pictures", 1],
  ]);
});

it("classes, lessons and assignments that were deleted a month ago are purged, and later ones are not", async () => {
  const [old, recent] = [(await someone(h, "instructor")).things, (await someone(h, "instructor")).things];
  for (const [things, days] of [[old, 31] as const, [recent, 29] as const])
    for (const [table, id] of [["lessons", things.lesson] as const, ["assignments", things.assignment] as const])
      await h
        .knex(table)
        .where({ id })
        .update({ deletedAt: h.knex.raw("now() - make_interval(days => ?)", [days]) });
  await h
    .knex("classes")
    .where({ id: old.klass })
    .update({ deletedAt: h.knex.raw("now() - interval '31 days'") });
  await purgeDeleted(h.knex);
  const left = async (table: string, id: string): Promise<number> => (await h.knex(table).where({ id })).length;
  expect([await left("lessons", old.lesson), await left("assignments", old.assignment), await left("classes", old.klass)]).toEqual([
    0, 0, 0,
  ]);
  expect([await left("lessons", recent.lesson), await left("assignments", recent.assignment)]).toEqual([1, 1]);
});
