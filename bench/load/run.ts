// Figures of the server under load, in databases of their own. Start it with: npm run bench:load (needs LODRIN_TEST_DATABASE, as ./lodrin test sets it)
import { type ChildProcess, spawn } from "node:child_process";
import { randomUUID } from "node:crypto";
import pg from "pg";
import { Client, percentile } from "./client.js";

const ADMIN = process.env["LODRIN_TEST_DATABASE"] ?? "";
const DATABASE = "lodrin_load";
const URL_OF_DATABASE = ADMIN.replace(/\/[^/]*$/, `/${DATABASE}`);
const [LODRIN, BARE] = [4181, 4182];
const NEW_DRAFT = {
  ...{
    name: "Load",
    note: "",
    slug: "08-menswear-flat-shirt-block",
    personId: null,
    personName: "",
    setId: null,
    unit: "cm",
    settings: {},
    step: 0,
  },
  measurements: { chest: "104", neck: "41", scye_depth: "25", back_waist: "45", half_back: "20,6", garment_length: "77" },
};
const PASSWORD = "lantern-night";

const tell = (what: string, got: string, aim: string): void =>
  void process.stdout.write(`${what.padEnd(58)} ${got.padStart(20)}   (${aim})\n`);

async function administer(sql: string): Promise<void> {
  const client = new pg.Client({ connectionString: ADMIN });
  await client.connect();
  await client.query(sql);
  await client.end();
}

function serve(script: string, port: number): Promise<ChildProcess> {
  const env = {
    ...process.env,
    DATABASE_URL: URL_OF_DATABASE,
    LODRIN_PORT: `${port}`,
    LODRIN_SECRET: "load",
    LODRIN_LIBRARY: "systems",
    LODRIN_LOG: "silent",
  };
  const child = spawn("node", [script], { env, stdio: ["ignore", "pipe", "inherit"] });
  return new Promise((resolve) => child.stdout.on("data", (text: Buffer) => text.toString().includes("is ready") && resolve(child)));
}

/** Calls a second by some callers at once, each as often as it is answered. */
async function rate(callers: readonly (() => Promise<unknown>)[], seconds: number): Promise<number> {
  const until = performance.now() + seconds * 1_000;
  let calls = 0;
  await Promise.all(
    callers.map(async (call) => {
      while (performance.now() < until) {
        await call();
        calls++;
      }
    }),
  );
  return calls / seconds;
}

/** Somebody signed in, with a draft that is saved from its newest version. */
async function student(port: number): Promise<{ client: Client; save: () => Promise<number>; read: () => Promise<number>; id: string }> {
  const client = new Client(port);
  await client.call("POST", "/api/session", { email: "pim@quillmoor.example", password: PASSWORD });
  const { id } = JSON.parse((await client.call("POST", "/api/drafts", NEW_DRAFT)).body) as { id: string };
  return { client, id, ...draftCalls(client, id) };
}

/** One after another: tries to sign in are counted before they are looked at. */
async function studentsOf(n: number): Promise<Awaited<ReturnType<typeof student>>[]> {
  const all: Awaited<ReturnType<typeof student>>[] = [];
  for (let i = 0; i < n; i++) all.push(await student(LODRIN));
  return all;
}

function draftCalls(client: Client, id: string): { save: () => Promise<number>; read: () => Promise<number> } {
  let version = 1;
  const save = async (): Promise<number> => {
    const { status, ms } = await client.call("PATCH", `/api/drafts/${id}`, { version, note: `saved ${version}` });
    if (status !== 200) throw new Error(`A save was answered ${status}.`);
    version++;
    return ms;
  };
  const read = async (): Promise<number> => {
    const { status, ms } = await client.call("GET", `/api/drafts/${id}`);
    if (status !== 200) throw new Error(`A draft was answered ${status}.`);
    return ms;
  };
  return { save, read };
}

const CALLERS = 16;

async function ratios(): Promise<void> {
  const students = await studentsOf(CALLERS);
  const bare = students.map(({ id }) => draftCalls(new Client(BARE), id));
  for (const kind of ["save", "read"] as const) {
    const ours: number[] = [];
    const theirs: number[] = [];
    // By turns, so that what slows the machine slows both, and once before anything is counted: a server has run for days.
    for (let round = -1; round < 5; round++) {
      if (kind === "save") await administerDrafts();
      const bareRate = await rate(
        (kind === "save" ? fresh(bare.length, BARE, students) : bare).map((b) => b[kind]),
        1.5,
      );
      if (kind === "save") await administerDrafts();
      const ourRate = await rate(
        (kind === "save" ? students.map(({ client, id }) => draftCalls(client, id)) : students).map((s) => s[kind]),
        1.5,
      );
      if (round < 0) continue;
      theirs.push(bareRate);
      ours.push(ourRate);
    }
    const ratio = percentile(
      ours.map((o, i) => o / (theirs[i] ?? 1)),
      0.5,
    );
    tell(
      kind === "save" ? "PATCH of a draft, against a bare handler" : "GET of a draft, against a bare handler",
      `${ratio.toFixed(2)} of it`,
      `at least 0.6; ${percentile(ours, 0.5).toFixed(0)} calls a second`,
    );
  }
  students.forEach(({ client }) => client.close());
}

const fresh = (n: number, port: number, students: readonly { id: string }[]): ReturnType<typeof draftCalls>[] =>
  Array.from({ length: n }, (_, i) => draftCalls(new Client(port), students[i]?.id ?? ""));

/** Sets every draft back to its first version. */
async function administerDrafts(): Promise<void> {
  const client = new pg.Client({ connectionString: URL_OF_DATABASE });
  await client.connect();
  await client.query("update drafts set version = 1");
  await client.end();
}

async function storm(students: number, seconds: number): Promise<void> {
  const all = await studentsOf(20);
  const waits: number[] = [];
  let errors = 0;
  const until = performance.now() + seconds * 1_000;
  await Promise.all(
    Array.from({ length: students }, async (_, i) => {
      const { client } = all[i % all.length] as (typeof all)[number];
      const mine = new Client(LODRIN);
      (mine as unknown as { cookie: string }).cookie = (client as unknown as { cookie: string }).cookie;
      const { id } = JSON.parse((await mine.call("POST", "/api/drafts", { ...NEW_DRAFT, id: randomUUID() })).body) as { id: string };
      const { save } = draftCalls(mine, id);
      await new Promise((resolve) => setTimeout(resolve, (2_000 * i) / students));
      for (let n = 0; performance.now() < until; n++) {
        const from = performance.now();
        try {
          waits.push(await save());
          if (n % 5 === 0) waits.push((await mine.call("GET", `/api/drafts/${id}`)).ms);
          if (n % 10 === 3) waits.push((await mine.call("GET", "/api/systems")).ms);
        } catch (error) {
          console.warn((error as Error).message);
          errors++;
        }
        await new Promise((resolve) => setTimeout(resolve, Math.max(0, 2_000 - (performance.now() - from))));
      }
      mine.close();
    }),
  );
  tell(
    `${students} students saving every two seconds for ${seconds} s`,
    `p95 ${percentile(waits, 0.95).toFixed(0)} ms`,
    `below 200 ms; ${errors} errors in ${waits.length} calls`,
  );
}

async function health(): Promise<void> {
  const { client, id } = await student(LODRIN);
  const waits: number[] = [];
  let busy = true;
  const watch = (async () => {
    const caller = new Client(LODRIN);
    while (busy) waits.push((await caller.call("GET", "/api/health")).ms);
    caller.close();
  })();
  const pdfs = Array.from({ length: 20 }, () => new Client(LODRIN));
  pdfs.forEach((p) => ((p as unknown as { cookie: string }).cookie = (client as unknown as { cookie: string }).cookie));
  const signIns = Array.from({ length: 100 }, (_, i) =>
    new Client(LODRIN).call("POST", "/api/session", { email: `nobody${i}@quillmoor.example`, password: PASSWORD }),
  );
  await Promise.all([...pdfs.map((p) => p.call("GET", `/api/drafts/${id}/files/pattern.pdf`)), ...signIns]);
  busy = false;
  await watch;
  tell(
    "Health during twenty PDFs and a hundred sign-ins",
    `p99 ${percentile(waits, 0.99).toFixed(0)} ms`,
    `at most 50 ms; ${waits.length} calls`,
  );
}

if (ADMIN === "") throw new Error("LODRIN_TEST_DATABASE is not set.");
await administer(`drop database if exists ${DATABASE} with (force)`);
await administer(`create database ${DATABASE}`);
const servers = [await serve("packages/server/build/server.mjs", LODRIN)];
servers.push(await serve("build/load-bare.mjs", BARE));
try {
  await ratios();
  await health();
  await storm(500, Number(process.argv[2] ?? 60));
} finally {
  servers.forEach((s) => s.kill());
  await administer(`drop database if exists ${DATABASE} with (force)`);
}
