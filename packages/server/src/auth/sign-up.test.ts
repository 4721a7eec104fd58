import request from "supertest";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { Letter } from "../mail/mailer.js";
import { type Harness, openHarness } from "../test/harness.js";

const WREN = { email: "wren@confirmed.example", name: "Wren", password: "long enough 1" };

describe("a sign-up where letters can be sent", () => {
  let h: Harness;
  const letters: Letter[] = [];
  beforeAll(async () => {
    h = await openHarness({
      address: "https://lodrin.example",
      confirmsEmail: true,
      mailer: async (letter) => void letters.push(letter),
    });
  });
  afterAll(() => h.close());

  const signUp = (who: object): request.Test => request(h.app).post("/api/accounts").send(who);
  const confirm = (token: string | undefined): request.Test => request(h.app).post("/api/sign-up-confirmed").send({ token });
  const tokenIn = (letter: Letter | undefined): string | undefined => /lodrin\.example\/welcome#(\S+)/.exec(letter?.text ?? "")?.[1];

  it("begins an account by the link of a letter, once", async () => {
    const { headers, body } = await signUp(WREN).expect(201);
    expect([body, headers["set-cookie"]]).toEqual([{ letterSent: true }, undefined]);
    await expect.poll(() => letters.length).toBe(1);
    await request(h.app).post("/api/session").send({ email: WREN.email, password: WREN.password }).expect(401);
    const begun = await confirm(tokenIn(letters[0])).expect(201);
    expect(begun.body).toMatchObject({ email: WREN.email, name: "Wren", role: "owner" });
    await request(h.app)
      .get("/api/session")
      .set("cookie", begun.headers["set-cookie"] ?? "")
      .expect(200);
    await confirm(tokenIn(letters[0])).expect(410);
    await request(h.app).post("/api/session").send({ email: WREN.email, password: WREN.password }).expect(200);
  });

  it("does not show who is here: one who is is answered as one who is not, and is written to", async () => {
    const [known, unknown] = [await signUp(WREN), await signUp({ ...WREN, email: "new@confirmed.example" })];
    expect([known.status, known.body]).toEqual([unknown.status, unknown.body]);
    await expect.poll(() => letters.length).toBe(3);
    const toWren = letters.filter(({ to }) => to === WREN.email).at(-1);
    expect(toWren?.text).toContain("You have one already");
    expect(tokenIn(toWren)).toBeUndefined();
  });

  it("gives one account to two letters of the same e-mail", async () => {
    const twice = { ...WREN, email: "twice@confirmed.example" };
    await signUp(twice);
    await signUp(twice);
    await expect.poll(() => letters.filter(({ to }) => to === twice.email).length).toBe(2);
    const [first, second] = letters.filter(({ to }) => to === twice.email);
    await confirm(tokenIn(first)).expect(201);
    await confirm(tokenIn(second)).expect(409);
  });

  it("takes no link that is a day old, nor one that was made up", async () => {
    const late = { ...WREN, email: "late@confirmed.example" };
    await signUp(late);
    await expect.poll(() => letters.some(({ to }) => to === late.email)).toBe(true);
    await h.knex("sign_ups").where({ email: late.email }).update({ until: "2020-01-01T00:00:00Z" });
    await confirm(tokenIn(letters.find(({ to }) => to === late.email))).expect(410);
    await confirm("made-up").expect(410);
  });

  it("fills nobody's letter box", async () => {
    for (let n = 0; n < 6; n++) await signUp({ ...WREN, email: "full@confirmed.example" }).expect(201);
    await expect.poll(() => letters.filter(({ to }) => to === "full@confirmed.example").length).toBe(3);
  });
});
