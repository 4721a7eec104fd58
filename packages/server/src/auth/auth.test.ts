import request from "supertest";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Harness, openHarness, visitor } from "../test/harness.js";
import { hashPassword, passwordFits } from "./password.js";

let h: Harness;
beforeAll(async () => {
  h = await openHarness();
});
afterAll(() => h.close());

const WENNA = { email: "Wenna@Quillmoor.example", name: "Wenna", password: "lantern-night" };

describe("passwords", () => {
  it("fit their own hash and no other", async () => {
    const hash = await hashPassword("lantern-night");
    expect(await passwordFits("lantern-night", hash)).toBe(true);
    expect(await passwordFits("lantern-nigh", hash)).toBe(false);
    expect(hash).not.toContain("lantern");
    expect(await hashPassword("lantern-night")).not.toBe(hash);
  });
});

describe("accounts and sessions", () => {
  it("signs up, knows who is there, signs out", async () => {
    const agent = request.agent(h.app);
    const made = await agent.post("/api/accounts").send(WENNA).expect(201);
    expect(made.body).toMatchObject({ email: "wenna@quillmoor.example", role: "student" });
    expect(JSON.stringify(made.body)).not.toContain("assword");
    await agent.get("/api/session").expect(200);
    await agent.delete("/api/session").expect(200);
    await agent.get("/api/session").expect(401);
  });

  it("the cookie cannot be read by scripts or sent from other sites", async () => {
    const reply = await request(h.app).post("/api/session").send({ email: WENNA.email, password: WENNA.password }).expect(200);
    const [cookie = ""] = reply.headers["set-cookie"] as unknown as string[];
    expect(cookie).toMatch(/HttpOnly/i);
    expect(cookie).toMatch(/SameSite=Strict/i);
  });

  it("a wrong password and an unknown e-mail look alike", async () => {
    const wrong = await request(h.app).post("/api/session").send({ email: WENNA.email, password: "not this one" }).expect(401);
    const unknown = await request(h.app).post("/api/session").send({ email: "no@one.example", password: "not this one" }).expect(401);
    expect(wrong.body.detail).toBe(unknown.body.detail);
  });

  it("an e-mail is used once, whatever its capitals", async () => {
    const again = await request(h.app)
      .post("/api/accounts")
      .send({ ...WENNA, email: "WENNA@quillmoor.example" })
      .expect(409);
    expect(again.body.detail).toContain("Sign in instead");
  });

  it("after eight wrong tries even the right password waits", async () => {
    await visitor(h.app, "often@wrong.example");
    for (let i = 0; i < 8; i++)
      await request(h.app)
        .post("/api/session")
        .send({ email: "often@wrong.example", password: `try ${i}` })
        .expect(401);
    const refused = await request(h.app).post("/api/session").send({ email: "often@wrong.example", password: "long enough 1" }).expect(429);
    expect(refused.body.detail).toContain("Wait 15 minutes");
    await h
      .knex("login_failures")
      .where({ email: "often@wrong.example" })
      .update({ at: h.knex.raw("now() - interval '16 minutes'") });
    await request(h.app).post("/api/session").send({ email: "often@wrong.example", password: "long enough 1" }).expect(200);
  });

  it("keeps preferences", async () => {
    const v = await visitor(h.app, "prefers@metric.example");
    expect((await v.send("patch", "/api/session", { unit: "cm", look: "night" })).body).toMatchObject({ unit: "cm", look: "night" });
    expect((await v.get("/api/session")).body.unit).toBe("cm");
    expect((await v.send("patch", "/api/session", { role: "instructor" })).status).toBe(400);
  });

  it.each([
    [{ email: "x", name: "A", password: "long enough 1" }, "/email"],
    [{ email: "a@b.example", name: " ", password: "long enough 1" }, "/name"],
    [{ email: "a@b.example", name: "A", password: "short" }, "/password"],
    [{ email: "a@b.example", name: "A", password: "long enough 1", role: "instructor" }, "/"],
    [{}, "/"],
  ])("refuses %j and says where", async (body, at) => {
    const reply = await request(h.app).post("/api/accounts").send(body).expect(400);
    expect(reply.headers["content-type"]).toContain("application/problem+json");
    expect((reply.body.errors as { at: string }[]).map((e) => e.at)).toContain(at);
  });
});

describe("every door asks who is there", () => {
  it.each([
    ["get", "/api/people"],
    ["get", "/api/drafts"],
    ["get", "/api/systems"],
    ["get", "/api/drafts/6a8c1f7e-53b5-4a6f-9b57-6d1c5a1f0c11/files/pattern.pdf"],
    ["delete", "/api/people/6a8c1f7e-53b5-4a6f-9b57-6d1c5a1f0c11"],
  ] as const)("%s %s", async (method, path) => {
    const reply = await request(h.app)[method](path).expect(401);
    expect(reply.body).toMatchObject({ status: 401, title: "Sign in first" });
  });

  it("health needs no door", async () => {
    expect((await request(h.app).get("/api/health").expect(200)).body).toEqual({ healthy: true });
  });
});

describe("what a browser and a stranger meet", () => {
  it("a strict content policy and no sniffing", async () => {
    const { headers } = await request(h.app).get("/api/health");
    expect(headers["content-security-policy"]).toContain("default-src 'self'");
    expect(headers["content-security-policy"]).not.toContain("unsafe-eval");
    expect(headers["x-content-type-options"]).toBe("nosniff");
    expect(headers["x-powered-by"]).toBeUndefined();
  });

  it("a form of another site cannot change anything", async () => {
    await request(h.app).post("/api/session").type("form").send("email=a&password=b").expect(415);
  });

  it("broken JSON, too much of it, and paths that are not there are problems too", async () => {
    expect((await request(h.app).post("/api/session").type("json").send("{oops").expect(400)).body.title).toBe("Not readable");
    expect(
      (
        await request(h.app)
          .post("/api/session")
          .send({ email: "x".repeat(1_100_000) })
          .expect(413)
      ).body.title,
    ).toBe("Too much");
    expect((await request(h.app).get("/api/nothing").expect(404)).body.title).toBe("No such page");
  });

  it("the log holds no body data", async () => {
    const v = await visitor(h.app, "logged@quiet.example");
    await v.send("post", "/api/people", { name: "Barnaby Thrupp", isSelf: false, isChild: false, note: "a secret note" });
    const log = h.logged.join("");
    expect(log).toContain('"url":"/api/people"');
    for (const secret of ["Barnaby", "secret note", "long enough", "quiet.example"]) expect(log).not.toContain(secret);
  });
});
