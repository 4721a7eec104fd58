import { spawn } from "node:child_process";
import { once } from "node:events";
import { Agent } from "node:http";
import { connect as connectTo, type Socket } from "node:net";
import type { SchoolClass } from "@lodrin/contract";
import request from "supertest";
import { afterAll, beforeAll, expect, it } from "vitest";
import { administer, TEMPLATE } from "../test/database.js";
import { childrenOf, freePort, startServer } from "../test/server-process.js";

const DATABASE = `lodrin_test_abuse_${process.pid}`;
/** Connections that are opened and dropped at once; LODRIN_DROPPED=8000 in the long run, when the waits of the others are judged too. */
const DROPPED = Number(process.env["LODRIN_DROPPED"] ?? 500);
const IS_LONG = process.env["LODRIN_DROPPED"] !== undefined;
/** Whoever attacks comes from another address than the others (all of 127.0.0.0/8 is this machine's). */
const ATTACKER = "127.0.0.2";
/** Opens connections in a process of its own, drops half of them at once, and the others a second later. */
const FLOOD = `const { connect } = require("node:net"); const [port, many] = process.argv.slice(1).map(Number); const open = [];
for (let n = 0; n < many; n++) { const s = connect({ port, host: "127.0.0.1", localAddress: "${ATTACKER}" }); s.on("error", () => {});
  s.on("connect", () => n % 2 ? open.push(s) : s.destroy()); } setTimeout(() => process.exit(0), 4000);`;
const PASSWORD = "long enough 1";

beforeAll(async () => {
  await administer(`drop database if exists ${DATABASE} with (force)`);
  await administer(`create database ${DATABASE} template ${TEMPLATE}`);
});
afterAll(async () => void (await administer(`drop database if exists ${DATABASE} with (force)`)));

it("streams pipelined, half open, stalled and given up end no process, and the others are answered within half a second", async () => {
  const port = await freePort();
  const server = await startServer(DATABASE, port, { LODRIN_PROCESSES: "2" });
  const at = `http://127.0.0.1:${port}`;
  const processes = await childrenOf(server.pid ?? 0);
  const signUp = async (name: string): Promise<string> => {
    const reply = await request(at)
      .post("/api/accounts")
      .send({ email: `${name}@abuse.example`, name, password: PASSWORD })
      .expect(201);
    return String(reply.headers["set-cookie"]).split(";")[0] ?? "";
  };
  const teacher = await signUp("teacher");
  const [student, bystander] = [await signUp("student"), await signUp("bystander")];
  const classes: SchoolClass[] = [];
  for (const name of ["One", "Two"]) {
    const made = { name, term: "", meets: "", note: "", classmatesAnswer: false };
    classes.push((await request(at).post("/api/classes").set("cookie", teacher).send(made).expect(201)).body as SchoolClass);
    await request(at)
      .post(`/api/class-codes/${classes.at(-1)?.code}`)
      .set("cookie", student)
      .send({})
      .expect(201);
  }
  const [one, two] = classes as [SchoolClass, SchoolClass];
  const sockets: Socket[] = [];
  const get = (id: string): string => `GET /api/classes/${id}/live/events HTTP/1.1\r\nhost: x\r\ncookie: ${student}\r\n\r\n`;
  const open = async (text: string): Promise<Socket> => {
    const socket = connectTo({ port, host: "127.0.0.1", localAddress: ATTACKER });
    socket.on("error", () => undefined);
    await once(socket, "connect");
    socket.write(text);
    sockets.push(socket);
    return socket;
  };
  let step = 0;
  const lead = async (id: string): Promise<void> => {
    const body = { slug: "08-menswear-flat-shirt-block", systemVersion: 1, step: `#${step++}` };
    await request(at).post(`/api/classes/${id}/live`).set("cookie", teacher).send(body).expect(201);
  };

  const agent = new Agent({ keepAlive: true });
  const waits: number[] = [];
  let watching = true;
  const watch = async (): Promise<void> => {
    while (watching) {
      const began = performance.now();
      await request(at).get("/api/session").agent(agent).set("cookie", bystander).timeout(10_000).expect(200);
      waits.push(performance.now() - began);
    }
  };
  const watched = watch();

  for (let round = 0; round < 3; round++) {
    // Six of one class, then twelve of the other in one breath on one connection: the oldest are let go.
    for (let n = 0; n < 6; n++) await open(get(one.id));
    await open(get(two.id).repeat(12));
    for (const { id } of classes) await lead(id);
    // One that never reads, one that never ends its request, and some that give up at once.
    (await open(get(one.id))).pause();
    await open(get(two.id).slice(0, 40));
    for (let n = 0; n < 10; n++) (await open(get(two.id))).destroy();
    for (const { id } of classes) await lead(id);
  }
  const flood = spawn("node", ["-e", FLOOD, `${port}`, `${DROPPED}`], { stdio: "inherit" });
  await once(flood, "exit");
  await lead(one.id);
  for (const socket of sockets) socket.destroy();
  watching = false;
  await watched;
  expect(await childrenOf(server.pid ?? 0)).toEqual(processes);
  const p99 = waits.sort((a, b) => a - b)[Math.floor(waits.length * 0.99)] ?? 0;
  if (IS_LONG) expect(p99).toBeLessThan(500);
  else expect(waits.length).toBeGreaterThan(10);
  agent.destroy();
  const ended = once(server, "exit");
  server.kill("SIGTERM");
  expect((await ended)[0]).toBe(0);
}, 120_000);
