import type { Account, AccountEvent, SchoolClass } from "@lodrin/contract";
import request from "supertest";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { Letter } from "../mail/mailer.js";
import { enter, type Harness, openHarness, visitor } from "../test/harness.js";

let h: Harness;
beforeAll(async () => {
  h = await openHarness();
});
afterAll(() => h.close());

const OLD = "long enough 1";
const NEW = "chosen by a link";
type Visitor = Awaited<ReturnType<typeof enter>>;
let many = 0;
const someone = (role: "student" | "instructor" | "owner", on = h): Promise<Visitor> =>
  enter(on, `helped${many++}@auth.example`, role, `Name ${many}`);

/** A teacher with a student in her class. */
async function classOfOne(on = h): Promise<{ teacher: Visitor; student: Visitor; email: string }> {
  const [teacher, student] = [await someone("instructor", on), await someone("student", on)];
  const { code } = (await teacher.send("post", "/api/classes", { name: "Monday", term: "", meets: "", note: "", classmatesAnswer: false }))
    .body as SchoolClass;
  await student.send("post", `/api/class-codes/${code}`);
  const { email } = (await student.get("/api/session")).body as Account;
  return { teacher, student, email };
}
const linkBy = async (helper: Visitor, id: string): Promise<{ status: number; token: string }> => {
  const reply = await helper.send("post", `/api/accounts/${id}/reset-link`);
  return { status: reply.status, token: (reply.body as { path?: string }).path?.split("#")[1] ?? "" };
};
const useLink = (token: string, password = NEW): request.Test => request(h.app).post("/api/password-reset").send({ token, password });

describe("a link to a new password", () => {
  it("is made by a teacher of one of the account's classes, or the owner, and by no other instructor", async () => {
    const { teacher, student } = await classOfOne();
    const [other, owner] = [await someone("instructor"), await someone("owner")];
    expect((await linkBy(other, student.id)).status).toBe(403);
    expect((await linkBy(teacher, student.id)).status).toBe(201);
    expect((await linkBy(owner, student.id)).status).toBe(201);
    expect((await linkBy(owner, teacher.id)).status).toBe(201);
    expect((await linkBy(teacher, other.id)).status).toBe(403);
    const members = (await teacher.get("/api/accounts")).body as { id: string; mayReset: boolean }[];
    expect(members.filter((m) => m.mayReset).map((m) => m.id)).toEqual([student.id]);
  });

  it("is shown to the account at once, and revoked by it", async () => {
    const { teacher, student } = await classOfOne();
    const { token } = await linkBy(teacher, student.id);
    const { name } = (await teacher.get("/api/session")).body as Account;
    expect(((await student.get("/api/session")).body as Account).notice).toMatchObject({ kind: "link-made", by: name });
    await student.send("delete", "/api/account/reset-link");
    expect(((await student.get("/api/session")).body as Account).notice).toBeNull();
    await useLink(token).expect(410);
    expect(((await student.get("/api/account/events")).body as AccountEvent[]).map((e) => e.what)).toEqual([
      "reset-link-revoked",
      "reset-link-made",
    ]);
  });

  it("dies with any change of password", async () => {
    const { teacher, student } = await classOfOne();
    const { token } = await linkBy(teacher, student.id);
    await student.send("post", "/api/account/password", { old: OLD, password: "of my own accord" });
    await useLink(token).expect(410);
  });

  it("used, locks the account: nothing is read until its holder agrees, who sees by whom it was made", async () => {
    const { teacher, student, email } = await classOfOne();
    await student.send("post", "/api/people", { name: "Secret", isSelf: false, isChild: false, note: "" });
    await useLink((await linkBy(teacher, student.id)).token).expect(201);
    const later = await visitor(h.app, email, NEW);
    expect((await later.get("/api/people")).status).toBe(423);
    expect((await later.get("/api/drafts")).status).toBe(423);
    const { notice } = (await later.get("/api/session")).body as Account;
    expect(notice).toMatchObject({ kind: "password-chosen", by: ((await teacher.get("/api/session")).body as Account).name });
    const elsewhere = await visitor(h.app, email, NEW);
    expect(((await later.send("post", "/api/account/password-notice")).body as Account).notice).toBeNull();
    expect((await later.get("/api/people")).body).toHaveLength(1);
    expect((await elsewhere.get("/api/people")).status).toBe(200);
  });

  it("used by somebody else is taken back with the password of before, and whoever used it is out", async () => {
    const { teacher, student, email } = await classOfOne();
    await useLink((await linkBy(teacher, student.id)).token).expect(201);
    const intruder = await visitor(h.app, email, NEW);
    await intruder.send("post", "/api/account/password-notice");
    const refused = await request(h.app).post("/api/session").send({ email, password: OLD });
    expect([refused.status, (refused.body as { detail: string }).detail]).toEqual([423, expect.stringContaining("take your account back")]);
    const back = { email, old: OLD, password: "mine again now" };
    await request(h.app)
      .post("/api/password-taken-back")
      .send({ ...back, old: "guessed wrongly" })
      .expect(401);
    const agent = request.agent(h.app);
    await agent.post("/api/password-taken-back").send(back).expect(201);
    await agent.get("/api/people").expect(200);
    expect((await intruder.get("/api/session")).status).toBe(401);
    await request(h.app).post("/api/session").send({ email, password: NEW }).expect(401);
    // It cannot be taken back a second time by who knew the old one.
    await request(h.app).post("/api/password-taken-back").send(back).expect(401);
  });

  it("where letters are sent goes to the person, and the helper never sees it", async () => {
    const letters: Letter[] = [];
    const mailing = await openHarness({ mailer: (letter) => Promise.resolve(void letters.push(letter)), address: "http://here" });
    const { teacher, student, email } = await classOfOne(mailing);
    const reply = await teacher.send("post", `/api/accounts/${student.id}/reset-link`);
    expect(reply.body).toMatchObject({ path: null });
    expect(letters.map((l) => l.to)).toEqual([email]);
    const token = /#(\S+)/.exec(letters[0]?.text ?? "")?.[1] ?? "";
    expect(reply.text).not.toContain(token);
    await request(mailing.app).post("/api/password-reset").send({ token, password: NEW }).expect(201);
    expect((await (await visitor(mailing.app, email, NEW)).get("/api/people")).status).toBe(200);
    await mailing.close();
  });
});
