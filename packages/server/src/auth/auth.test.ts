import { randomBytes, scryptSync } from "node:crypto";
import request from "supertest";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Harness, openHarness, visitor } from "../test/harness.js";
import { hashPassword, isOutdated, passwordFits } from "./password.js";

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
    expect(isOutdated(hash)).toBe(false);
  });

  it("a hash of before still opens, and is made again when it does", async () => {
    const salt = randomBytes(16);
    const key = scryptSync("lantern-night", salt, 32, { N: 2 ** 17, r: 8, p: 1, maxmem: 256 * 1024 * 1024 });
    const old = `scrypt$${salt.toString("base64")}$${key.toString("base64")}`;
    expect([await passwordFits("lantern-night", old), await passwordFits("other", old), isOutdated(old)]).toEqual([true, false, true]);
    await visitor(h.app, "old@hash.example");
    await h.knex("accounts").where({ email: "old@hash.example" }).update({ passwordHash: old });
    await request(h.app).post("/api/session").send({ email: "old@hash.example", password: "lantern-night" }).expect(200);
    const [row] = await h.knex("accounts").where({ email: "old@hash.example" }).select<{ passwordHash: string }[]>("passwordHash");
    expect(row?.passwordHash).toMatch(/^\$argon2id\$/);
    await request(h.app).post("/api/session").send({ email: "old@hash.example", password: "lantern-night" }).expect(200);
  });

  it("too many at once are told to come again, and a health call is answered meanwhile", async () => {
    let over = false;
    const storm = Promise.allSettled(Array.from({ length: 160 }, () => hashPassword("lantern-night"))).finally(() => (over = true));
    await request(h.app).get("/api/health").expect(200);
    expect(over).toBe(false);
    const refused = (await storm).filter((r) => r.status === "rejected");
    expect(refused.length).toBeGreaterThan(20);
    expect((refused[0] as PromiseRejectedResult).reason).toMatchObject({ status: 503, retryAfter: 2 });
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

  it("after eight wrong tries from one address even the right password waits there, and nowhere else", async () => {
    const trusting = await openHarness({ trustProxy: 1 });
    const from = (address: string, password: string): Promise<request.Response> =>
      request(trusting.app).post("/api/session").set("x-forwarded-for", address).send({ email: "often@wrong.example", password });
    await visitor(trusting.app, "often@wrong.example");
    for (let i = 0; i < 8; i++) expect((await from("192.0.2.1", `try ${i}`)).status).toBe(401);
    const refused = await from("192.0.2.1", "long enough 1");
    expect(refused.status).toBe(429);
    expect(refused.body.detail).toMatch(/^That was wrong too often\. Wait 1\d minutes and try again\.$/);
    expect(Number(refused.headers["retry-after"])).toBeGreaterThan(14 * 60);
    expect((await from("192.0.2.2", "long enough 1")).status).toBe(200);
    await trusting
      .knex("rate_limits")
      .where("key", "like", "sign-in:%")
      .update({ expire: Date.now() - 1 });
    expect((await from("192.0.2.1", "long enough 1")).status).toBe(200);
    await trusting.close();
  });

  it("a hundred wrong guesses at once are counted before they are looked at", async () => {
    await visitor(h.app, "stormed@wrong.example");
    const replies = await Promise.all(
      Array.from({ length: 100 }, (_, i) =>
        request(h.app)
          .post("/api/session")
          .send({ email: "stormed@wrong.example", password: `guess ${i}` }),
      ),
    );
    expect(replies.filter((r) => r.status === 401)).toHaveLength(8);
    expect(replies.filter((r) => r.status === 429)).toHaveLength(92);
  });

  it("forty wrong tries at many accounts of a school lock nobody else of it out", async () => {
    await visitor(h.app, "classmate@school.example");
    for (let i = 0; i < 40; i++)
      await request(h.app)
        .post("/api/session")
        .send({ email: `pupil${i}@school.example`, password: "forgotten" })
        .expect(401);
    await request(h.app).post("/api/session").send({ email: "classmate@school.example", password: "long enough 1" }).expect(200);
  });

  it("two sign-ups with one e-mail at the same moment: one is made, the other is told", async () => {
    const twin = { email: "twin@quillmoor.example", name: "Twin", password: "long enough 1" };
    const replies = await Promise.all(Array.from({ length: 6 }, () => request(h.app).post("/api/accounts").send(twin)));
    expect(replies.map((r) => r.status).sort()).toEqual([201, 409, 409, 409, 409, 409]);
  });

  it.each(["          ", "aaaaaaaaaaaa", "Password123", "  short   ", "1q2w3e4r5t"])(
    "the password “%s” is refused, and says why",
    async (password) => {
      const reply = await request(h.app)
        .post("/api/accounts")
        .send({ email: "weak@quillmoor.example", name: "Weak", password })
        .expect(400);
      expect((reply.body.errors as { at: string; message: string }[])[0]).toMatchObject({ at: "/password" });
    },
  );

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
