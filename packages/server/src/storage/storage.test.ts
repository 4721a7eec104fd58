import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { Storage } from "@lodrin/contract";
import { enter, type Harness, openHarness } from "../test/harness.js";

let h: Harness;
beforeAll(async () => {
  h = await openHarness({ quota: { account: 300_000, place: 1e12 } });
});
afterAll(() => h.close());

/** Text that does not compress. */
const noise = (length: number): string =>
  Array.from({ length }, () => String.fromCharCode(0x4e00 + Math.floor(Math.random() * 20_000))).join("");

describe("an account's space", () => {
  it("is counted as it is stored, and what would go beyond it is refused with a sentence; deleting for good makes room", async () => {
    const v = await enter(h, "full@storage.example", "instructor");
    const write = (): Promise<{ status: number; body: unknown }> =>
      v.send("post", "/api/works", { notation: `system "x"\n# ${noise(30_000)}` });
    const before = ((await v.get("/api/account/storage")).body as Storage).account;
    const first = await write();
    expect(first.status).toBe(201);
    const { used, most } = ((await v.get("/api/account/storage")).body as Storage).account;
    expect(used - before.used).toBeGreaterThan(60_000);
    expect(most).toBe(300_000);
    const answers = [await write(), await write(), await write(), await write()].map((reply) => reply.status);
    expect(answers).toContain(507);
    const refused = await write();
    expect(refused.body).toMatchObject({ status: 507, title: "Your space is full" });
    // What takes away is let through.
    const { id } = first.body as { id: string };
    expect((await v.send("delete", `/api/works/${id}`)).status).toBe(200);
    await h.knex("works").where({ id }).delete();
    expect(((await v.get("/api/account/storage")).body as Storage).account.used).toBeLessThan(300_000);
    expect((await v.send("post", "/api/people", { name: "Ansel", isSelf: false, isChild: false, note: "" })).status).toBe(201);
  });

  it("shows the place's to its owner alone", async () => {
    const [owner, student] = [await enter(h, "owner@storage.example", "owner"), await enter(h, "student@storage.example")];
    expect(((await owner.get("/api/account/storage")).body as Storage).place?.used).toBeGreaterThan(1_000_000);
    expect(((await student.get("/api/account/storage")).body as Storage).place).toBeNull();
  });
});

describe("a full place", () => {
  it("takes no more, and says who makes room", async () => {
    const small = await openHarness({ quota: { account: 1e9, place: 1 } });
    const v = await enter(small, "small@storage.example");
    expect((await v.send("post", "/api/people", { name: "Ansel", isSelf: false, isChild: false, note: "" })).body).toMatchObject({
      status: 507,
      detail: expect.stringContaining("must make room") as string,
    });
    await small.close();
  });
});
