import { once } from "node:events";
import type { LiveMessage, LiveStep, SchoolClass } from "@lodrin/contract";
import type { Knex } from "knex";
import request from "supertest";
import { afterAll, beforeAll, expect, it } from "vitest";
import { connect } from "../database/connect.js";
import { administer, TEMPLATE, urlOf } from "../test/database.js";
import { childrenOf, freePort, startServer } from "../test/server-process.js";

const STUDENTS = 30;
const MOVES = 12;
const DATABASE = `lodrin_test_live_${process.pid}`;
const PASSWORD = "long enough 1";

let knex: Knex;
beforeAll(async () => {
  await administer(`drop database if exists ${DATABASE} with (force)`);
  await administer(`create database ${DATABASE} template ${TEMPLATE}`);
  knex = connect(urlOf(DATABASE));
});
afterAll(async () => {
  await knex.destroy();
  await administer(`drop database if exists ${DATABASE} with (force)`);
});

/** A browser that follows: it reads the stream, and comes again by itself when the connection is lost. */
class Screen {
  live: LiveStep | null | undefined;
  private readonly stop = new AbortController();

  constructor(
    private readonly address: string,
    private readonly cookie: string,
  ) {
    void this.follow();
  }

  close(): void {
    this.stop.abort();
  }

  private async follow(): Promise<void> {
    while (!this.stop.signal.aborted) {
      await this.once().catch(() => undefined);
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }

  private async once(): Promise<void> {
    const response = await fetch(this.address, { headers: { cookie: this.cookie }, signal: this.stop.signal });
    const decoder = new TextDecoder();
    let text = "";
    for await (const bytes of response.body ?? []) {
      text += decoder.decode(bytes as Uint8Array, { stream: true });
      const events = text.split("\n\n");
      text = events.pop() ?? "";
      for (const event of events) this.heard(event);
    }
  }

  private heard(event: string): void {
    const data = event.split("\n").find((line) => line.startsWith("data: "));
    if (data === undefined) return;
    const message = JSON.parse(data.slice("data: ".length)) as LiveMessage;
    if (message.kind !== "step") return;
    // What comes late is not newer.
    if (this.live && message.live && message.live.move < this.live.move) return;
    this.live = message.live;
  }
}

it("thirty who follow stand at every step the teacher goes to, over two processes of which one is killed", async () => {
  const port = await freePort();
  const server = await startServer(DATABASE, port, { LODRIN_PROCESSES: "2" });
  const at = `http://127.0.0.1:${port}`;
  const signIn = async (n: number): Promise<string> => {
    const account = { email: `live${n}@quillmoor.example`, name: `Student ${n}`, password: PASSWORD };
    await knex("rate_limits").delete();
    const reply = await request(at).post("/api/accounts").send(account).expect(201);
    return String(reply.headers["set-cookie"]).split(";")[0] ?? "";
  };
  // The first account of a place owns it, and so may teach.
  const teacher = await signIn(0);
  const made = { name: "Live", term: "", meets: "", note: "", classmatesAnswer: false };
  const { id, code } = (await request(at).post("/api/classes").set("cookie", teacher).send(made).expect(201)).body as SchoolClass;
  const screens: Screen[] = [];
  for (let n = 1; n <= STUDENTS; n++) {
    const cookie = await signIn(n);
    await request(at).post(`/api/class-codes/${code}`).set("cookie", cookie).send({}).expect(201);
    screens.push(new Screen(`${at}/api/classes/${id}/live/events`, cookie));
  }
  await expect.poll(() => screens.filter((s) => s.live === null).length, { timeout: 10_000 }).toBe(STUDENTS);

  for (let move = 0; move < MOVES; move++) {
    if (move === MOVES / 2) process.kill((await childrenOf(server.pid ?? 0))[0] ?? 0, "SIGKILL");
    const lead = { slug: "08-menswear-flat-shirt-block", systemVersion: 1, step: `#${move}` };
    const call = (): Promise<request.Response> =>
      request(at).post(`/api/classes/${id}/live`).set("cookie", teacher).send(lead).timeout(3_000);
    await call().catch(call);
    await expect.poll(() => screens.filter((s) => s.live?.step === lead.step).length, { timeout: 10_000, interval: 5 }).toBe(STUDENTS);
  }

  await request(at).delete(`/api/classes/${id}/live`).set("cookie", teacher).send({}).expect(200);
  await expect.poll(() => screens.filter((s) => s.live === null).length, { timeout: 10_000 }).toBe(STUDENTS);
  for (const screen of screens) screen.close();
  const ended = once(server, "exit");
  server.kill("SIGTERM");
  expect((await ended)[0]).toBe(0);
}, 120_000);
