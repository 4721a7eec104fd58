import { once } from "node:events";
import type { Server } from "node:http";
import type { AddressInfo } from "node:net";
import type { SchoolClass } from "@lodrin/contract";
import request from "supertest";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { AccountRow } from "../auth/account.js";
import { enter, type Harness, openHarness } from "../test/harness.js";

let h: Harness;
let server: Server;
let at: string;
beforeAll(async () => {
  h = await openHarness();
  await enter(h, "first@rights.example", "owner");
  server = h.app.listen(0, "127.0.0.1");
  await once(server, "listening");
  at = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(async () => {
  server.closeAllConnections();
  server.close();
  await h.close();
});

type Visitor = Awaited<ReturnType<typeof enter>>;
let many = 0;

async function classWith(): Promise<{ klass: SchoolClass; teacher: Visitor; student: Visitor; email: string }> {
  const email = `student${many}@rights.example`;
  const [teacher, student] = [await enter(h, `teacher${many++}@rights.example`, "instructor"), await enter(h, email)];
  const made = { name: "Monday", term: "", meets: "", note: "", classmatesAnswer: false };
  const klass = (await teacher.send("post", "/api/classes", made)).body as SchoolClass;
  await student.send("post", `/api/class-codes/${klass.code}`);
  return { klass, teacher, student, email };
}

/** A stream of a class, opened with a session of its own: whether it has begun, and whether it has ended. */
async function streamOf(classId: string, email: string): Promise<{ ended: () => boolean; cookie: string }> {
  const reply = await request(h.app).post("/api/session").send({ email, password: "long enough 1" }).expect(200);
  const cookie = String(reply.headers["set-cookie"]).split(";")[0] ?? "";
  const response = await fetch(`${at}/api/classes/${classId}/live/events`, { headers: { cookie } });
  expect(response.status).toBe(200);
  let over = false;
  const reader = (response.body as ReadableStream<Uint8Array>).getReader();
  await reader.read();
  const drain = async (): Promise<void> => {
    while (!(await reader.read()).done);
    over = true;
  };
  void drain().catch(() => (over = true));
  return { ended: () => over, cookie };
}
const SOON = { timeout: 5_000, interval: 20 };

describe("a stream ends when the right to it does", () => {
  it.each([
    ["is removed", ({ teacher, klass, student }) => teacher.send("delete", `/api/classes/${klass.id}/members/${student.id}`)],
    ["leaves", ({ student, klass }) => student.send("delete", `/api/classes/${klass.id}/membership`)],
    ["signs out elsewhere", ({ student }) => student.send("delete", "/api/account/sessions")],
    ["deletes the account", ({ student }) => student.send("post", "/api/account/remove", { password: "long enough 1" })],
    ["has the class deleted", ({ teacher, klass }) => teacher.send("delete", `/api/classes/${klass.id}`)],
  ] as [string, (c: Awaited<ReturnType<typeof classWith>>) => Promise<{ status: number }>][])("a student who %s", async (_, act) => {
    const all = await classWith();
    const [stream, teachers] = [await streamOf(all.klass.id, all.email), await streamOf(all.klass.id, `teacher${many - 1}@rights.example`)];
    expect((await act(all)).status).toBeLessThan(300);
    await expect.poll(stream.ended, SOON).toBe(true);
    if (!_.includes("class")) expect(teachers.ended()).toBe(false);
  });

  it("a session that is signed out, and no other of the account", async () => {
    const { klass, email } = await classWith();
    const [one, other] = [await streamOf(klass.id, email), await streamOf(klass.id, email)];
    await request(h.app).delete("/api/session").set("cookie", one.cookie).expect(200);
    await expect.poll(one.ended, SOON).toBe(true);
    expect(other.ended()).toBe(false);
  });
});

describe("a teacher who is one no more", () => {
  it("follows no stream, reads no hand-in, no picture, no standing and no code", async () => {
    const { klass, teacher, student } = await classWith();
    const stream = await streamOf(klass.id, `teacher${many - 1}@rights.example`);
    // The role alone: her sessions go on.
    await AccountRow.query(h.knex).patch({ role: "student" }).where({ id: teacher.id });
    await expect.poll(stream.ended, SOON).toBe(true);
    for (const path of ["", "/live/events", "/lessons", "/assignments", "/questions", "/standing"])
      expect([path, (await teacher.get(`/api/classes/${klass.id}${path}`)).status]).toEqual([path, 404]);
    expect((await teacher.get("/api/classes")).body).toEqual([]);
    expect((await teacher.get("/api/asks")).body).toEqual([]);
    expect((await student.get(`/api/classes/${klass.id}`)).status).toBe(200);
  });
});
