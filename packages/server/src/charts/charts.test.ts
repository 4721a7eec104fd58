import { randomUUID } from "node:crypto";
import type { SizeChart } from "@lodrin/contract";
import { doubtsOf, MEASUREMENTS, parseTape } from "@lodrin/core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { AccountRow } from "../auth/account.js";
import { DEMO_CHARTS } from "../demo/charts.js";
import { type Harness, openHarness, type Visitor, visitor } from "../test/harness.js";

let h: Harness;
let teacher: Visitor;
let student: Visitor;
beforeAll(async () => {
  h = await openHarness();
  await visitor(h.app, "owner@charts.example");
  await visitor(h.app, "teacher@charts.example");
  await AccountRow.query(h.knex).patch({ role: "instructor" }).where({ email: "teacher@charts.example" });
  teacher = await visitor(h.app, "teacher@charts.example", "long enough 1");
  student = await visitor(h.app, "student@charts.example");
});
afterAll(() => h.close());

const CHART = {
  name: "Women",
  note: "",
  columns: [{ key: "bust", unit: "cm" }],
  sizes: [{ name: "10", figures: { bust: "88" } }],
};

describe("a size chart", () => {
  it("is written by an instructor and seen by everyone, who may not change it", async () => {
    const id = randomUUID();
    const made = (await teacher.send("post", "/api/charts", { id, ...CHART })).body as SizeChart;
    expect(made).toMatchObject({ ...CHART, id, mine: true, by: "Somebody", version: 1 });
    expect((await teacher.send("post", "/api/charts", { id, ...CHART })).body).toMatchObject({ id });
    expect((await student.get("/api/charts")).body).toEqual([expect.objectContaining({ id, mine: false, by: "Somebody" })]);
    expect((await student.send("patch", `/api/charts/${id}`, { version: 1, note: "x" })).status).toBe(403);
  });

  it("two hands on it: the later is shown what is stored now", async () => {
    const made = (await teacher.send("post", "/api/charts", CHART)).body as SizeChart;
    const sizes = [{ name: "10", figures: { bust: "89" } }];
    expect((await teacher.send("patch", `/api/charts/${made.id}`, { version: 1, sizes })).body).toMatchObject({ sizes, version: 2 });
    const late = await teacher.send("patch", `/api/charts/${made.id}`, { version: 1, note: "later" });
    expect([late.status, (late.body as { current: SizeChart }).current.sizes]).toEqual([409, sizes]);
  });

  it("is deleted and brought back", async () => {
    const made = (await teacher.send("post", "/api/charts", CHART)).body as SizeChart;
    await teacher.send("delete", `/api/charts/${made.id}`);
    expect(((await student.get("/api/charts")).body as SizeChart[]).some(({ id }) => id === made.id)).toBe(false);
    expect((await teacher.send("post", `/api/charts/${made.id}/restore`)).body).toMatchObject({ id: made.id });
  });
});

describe("the workshop's charts", () => {
  it("have figures that a body may have, every one growing from size to size", () => {
    expect(DEMO_CHARTS.map((c) => c.name)).toHaveLength(3);
    for (const { columns, sizes } of DEMO_CHARTS)
      for (const { key, unit } of columns) {
        const known = MEASUREMENTS.find((m) => m.key === key);
        expect(known, key).toBeDefined();
        if (known?.run === "number") continue;
        const mm = sizes.map((s) => {
          const read = parseTape(s.figures[key] ?? "", unit);
          return read.ok ? read.mm : NaN;
        });
        expect(
          mm.every((v, i) => v >= (known?.from ?? 0) && v <= (known?.to ?? 0) && (i === 0 || v > (mm[i - 1] ?? 0))),
          `${key}: ${mm.join(" ")}`,
        ).toBe(true);
      }
  });

  it("are bodies that nobody doubts", () => {
    for (const { name, columns, sizes } of DEMO_CHARTS)
      for (const size of sizes) {
        const mm = Object.fromEntries(
          columns.flatMap(({ key, unit }) => {
            const read = parseTape(size.figures[key] ?? "", unit);
            return read.ok && key !== "age" ? [[key, read.mm]] : [];
          }),
        );
        expect(doubtsOf(mm, "cm"), `${name} ${size.name}`).toEqual([]);
      }
  });
});
