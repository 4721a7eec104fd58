import { mkdtemp, readdir, readFile } from "node:fs/promises";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { SMTPServer } from "smtp-server";
import request from "supertest";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { DEMO_LOGINS, loadDemo } from "../demo/load.js";
import { catchingMailer, type Letter, smtpMailer } from "../mail/mailer.js";
import { type Harness, openHarness, visitor } from "../test/harness.js";

const PIM = "pim@letters.example";

describe("a forgotten password", () => {
  let h: Harness;
  const letters: Letter[] = [];
  beforeAll(async () => {
    h = await openHarness({ address: "https://lodrin.example", mailer: async (letter) => void letters.push(letter) });
    await visitor(h.app, PIM);
  });
  afterAll(() => h.close());
  const ask = (email: string): request.Test => request(h.app).post("/api/password-forgotten").send({ email });

  it("is set again by a link that comes by mail, once", async () => {
    await ask(` ${PIM.toUpperCase()}`.trim()).expect(201);
    await expect.poll(() => letters.length).toBe(1);
    expect(letters[0]).toMatchObject({ to: PIM });
    const token = /https:\/\/lodrin\.example\/new-password#(\S+)/.exec(letters[0]?.text ?? "")?.[1];
    await request(h.app).post("/api/password-reset").send({ token, password: "quite another 1" }).expect(201);
    await request(h.app).post("/api/password-reset").send({ token, password: "quite another 2" }).expect(410);
    const again = await visitor(h.app, PIM, "quite another 1");
    await expect.poll(async () => JSON.stringify((await again.get("/api/account/events")).body)).toContain("somebody on the sign-in page");
  });

  it("of nobody here is answered alike, and no letter goes out", async () => {
    const known = await ask(PIM);
    const unknown = await ask("nobody@letters.example");
    expect([unknown.status, unknown.body]).toEqual([known.status, known.body]);
    await expect.poll(() => letters.length).toBe(2);
    expect(letters.map(({ to }) => to)).toEqual([PIM, PIM]);
  });

  it("fills nobody's letter box: three letters in an hour", async () => {
    for (let n = 0; n < 5; n++) await ask(PIM).expect(201);
    await expect.poll(() => letters.length).toBe(3);
  });
});

it("a place that sends no letters says who can help", async () => {
  const h = await openHarness();
  const { status, body } = await request(h.app).post("/api/password-forgotten").send({ email: PIM });
  expect([status, (body as { detail: string }).detail]).toEqual([409, expect.stringContaining("make a link for you")]);
  await h.close();
});

describe("letters", () => {
  const letter = { to: PIM, subject: "A new password", text: "Hello Pim,\n\nset it here." };

  it("go through a mail server that speaks SMTP (RFC 5321)", async () => {
    const got: string[] = [];
    const server = new SMTPServer({
      authOptional: true,
      disabledCommands: ["STARTTLS"],
      onData: (stream, session, done) => {
        let text = "";
        stream.on("data", (part: Buffer) => (text += part.toString()));
        stream.on("end", () => (got.push(session.envelope.rcptTo.map((r) => r.address).join(), text), done()));
      },
    });
    await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
    const { port } = server.server.address() as AddressInfo;
    await smtpMailer(`smtp://127.0.0.1:${port}`, "lodrin@quillmoor.example")(letter);
    expect(got[0]).toBe(PIM);
    expect(got[1]).toMatch(/From: lodrin@quillmoor\.example[^]*set it here\./);
    await new Promise<void>((resolve) => server.close(resolve));
  });

  it("are laid in a folder in the demo", async () => {
    const folder = await mkdtemp(join(tmpdir(), "lodrin-letters-"));
    await catchingMailer(folder, "lodrin@quillmoor.example")(letter);
    const [file = ""] = await readdir(folder);
    expect(await readFile(join(folder, file), "utf8")).toMatch(/To: pim@letters\.example[^]*set it here\./);
  });
});

describe("the demo's logins", () => {
  it("are offered in the demo alone, and only those that are there", async () => {
    const closed = await openHarness();
    await loadDemo(closed.knex);
    expect((await request(closed.app).get("/api/place").expect(200)).body).toEqual({ sendsMail: false, logins: [] });
    await closed.close();
    const open = await openHarness({ demo: true });
    expect((await request(open.app).get("/api/place").expect(200)).body).toEqual({ sendsMail: false, logins: [] });
    await loadDemo(open.knex);
    expect((await request(open.app).get("/api/place").expect(200)).body).toEqual({ sendsMail: false, logins: DEMO_LOGINS });
    await open.close();
  });
});
