import { once } from "node:events";
import { mkdtempSync, readdirSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Draft } from "@lodrin/contract";
import request from "supertest";
import { afterAll, beforeAll, expect, it } from "vitest";
import { administer, TEMPLATE } from "./database.js";
import { childrenOf, freePort, startServer } from "./server-process.js";

/** Three in every run; LODRIN_KILLS=100 for the long one. */
const KILLS = Number(process.env["LODRIN_KILLS"] ?? 3);
const DATABASE = `lodrin_test_kills_${process.pid}`;
const NEW = {
  ...{ name: "Killed", note: "", slug: "08-menswear-flat-shirt-block", personId: null, personName: "", setId: null, unit: "cm", step: 0 },
  ...{ measurements: {}, settings: {} },
};

beforeAll(async () => {
  await administer(`drop database if exists ${DATABASE} with (force)`);
  await administer(`create database ${DATABASE} template ${TEMPLATE}`);
});
afterAll(async () => void (await administer(`drop database if exists ${DATABASE} with (force)`)));

it(
  `no save that was answered is lost in ${KILLS} kills`,
  async () => {
    const port = await freePort();
    const agent = request.agent(`http://127.0.0.1:${port}`);
    let server = await startServer(DATABASE, port);
    await agent.post("/api/accounts").send({ email: "killed@quillmoor.example", name: "Killed", password: "long enough 1" }).expect(201);
    const { id } = (await agent.post("/api/drafts").send(NEW).expect(201)).body as Draft;
    let version = 1;
    let lost = 0;
    for (let kill = 0; kill < KILLS; kill++) {
      const ended = once(server, "exit");
      setTimeout(() => server.kill("SIGKILL"), 30 + ((kill * 37) % 120));
      let answered = "";
      for (let n = 0; ; n++) {
        const note = `kill ${kill}, save ${n}`;
        const reply = await agent
          .patch(`/api/drafts/${id}`)
          .send({ version, note })
          .catch(() => undefined);
        if (!reply) break;
        expect(reply.status).toBe(200);
        answered = note;
        version = (reply.body as Draft).version;
      }
      await ended;
      server = await startServer(DATABASE, port);
      const now = (await agent.get(`/api/drafts/${id}`).expect(200)).body as Draft;
      // What was under way when the server was killed may be stored or not; what was answered is.
      if (now.version < version || (now.version === version && answered !== "" && now.note !== answered)) lost++;
      expect(now.version - version).toBeLessThanOrEqual(1);
      version = now.version;
    }
    const ended = once(server, "exit");
    server.kill("SIGTERM");
    expect((await ended)[0]).toBe(0);
    expect(lost).toBe(0);
  },
  60_000 + KILLS * 20_000,
);

it("a process that is killed is replaced and goes on with its log; every call to it ends, and the others serve on", async () => {
  const port = await freePort();
  const logs = mkdtempSync(join(tmpdir(), "lodrin-logs-"));
  const server = await startServer(DATABASE, port, {
    LODRIN_PROCESSES: "2",
    LODRIN_LOG: "info",
    LODRIN_LOG_FILE: join(logs, "server.log"),
  });
  const before = await childrenOf(server.pid ?? 0);
  expect(before).toHaveLength(2);
  let calling = true;
  const settled: string[] = [];
  const call = async (): Promise<void> => {
    while (calling) {
      // A connection of its own for each call, half of them just when the process dies: it is refused or reset, and never hangs.
      const ended = fetch(`http://127.0.0.1:${port}/api/health`, { headers: { connection: "close" } }).then(
        (reply) => reply.text().then(() => "answered"),
        () => "broke",
      );
      settled.push(await Promise.race([ended, new Promise<string>((resolve) => setTimeout(() => resolve("hangs"), 5_000))]));
    }
  };
  const callers = Array.from({ length: 8 }, call);
  const [one = 0] = before;
  process.kill(one, "SIGKILL");
  await expect
    .poll(() => childrenOf(server.pid ?? 0).then((all) => all.length === 2 && !all.includes(one)), { timeout: 20_000 })
    .toBe(true);
  await new Promise((resolve) => setTimeout(resolve, 1_000));
  calling = false;
  await Promise.all(callers);
  expect(settled.filter((how) => how === "hangs")).toEqual([]);
  expect(settled.filter((how) => how === "answered").length).toBeGreaterThan(20);
  const ended = once(server, "exit");
  server.kill("SIGTERM");
  expect((await ended)[0]).toBe(0);
  expect(
    readdirSync(logs)
      .filter((name) => name.endsWith(".log"))
      .sort(),
  ).toEqual(["server-1.log", "server-2.log", "server.log"]);
  rmSync(logs, { recursive: true });
}, 60_000);
