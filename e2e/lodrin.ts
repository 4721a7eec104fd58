import { type ChildProcess, spawn } from "node:child_process";
import { randomBytes } from "node:crypto";
import { createServer } from "node:net";
import { fileURLToPath } from "node:url";
import { test as base, expect, type Page } from "@playwright/test";
import pg from "pg";

const ROOT = fileURLToPath(new URL("..", import.meta.url));
export const PASSWORD = "lantern-night";

/** A Lodrin of the built application, on a database of its own, that a test may stop and start again. */
export interface Lodrin {
  readonly url: string;
  readonly start: () => Promise<void>;
  readonly stop: () => Promise<void>;
}

function adminUrl(): string {
  const url = process.env["LODRIN_TEST_DATABASE"];
  if (!url) throw new Error("LODRIN_TEST_DATABASE is not set: run the tests with ./lodrin test.");
  return url;
}

async function administer(sql: string): Promise<void> {
  const client = new pg.Client({ connectionString: adminUrl() });
  await client.connect();
  await client.query(sql);
  await client.end();
}

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.listen(0, "127.0.0.1", () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });

async function open(): Promise<Lodrin & { close: () => Promise<void> }> {
  const name = `lodrin_e2e_${randomBytes(5).toString("hex")}`;
  await administer(`create database ${name}`);
  const port = await freePort();
  const url = `http://127.0.0.1:${port}`;
  let child: ChildProcess | undefined;
  const env = {
    ...process.env,
    DATABASE_URL: adminUrl().replace(/\/[^/]*$/, `/${name}`),
    LODRIN_PORT: String(port),
    LODRIN_SECRET: "for the tests",
    LODRIN_WEB: `${ROOT}packages/web/dist`,
    LODRIN_LIBRARY: `${ROOT}systems`,
    LODRIN_LOG: "silent",
  };
  const start = (): Promise<void> =>
    new Promise((resolve, reject) => {
      child = spawn("node", [`${ROOT}packages/server/build/server.mjs`], { env, stdio: ["ignore", "pipe", "inherit"] });
      child.once("exit", (code) => reject(new Error(`The server ended with code ${code}.`)));
      child.stdout?.on("data", (text: Buffer) => text.toString().includes("is ready") && resolve());
    });
  const stop = (): Promise<void> =>
    new Promise((resolve) => {
      if (!child || child.exitCode !== null) return resolve();
      child.once("exit", () => resolve());
      child.kill("SIGTERM");
    });
  await start();
  const close = async (): Promise<void> => {
    await stop();
    await administer(`drop database if exists ${name} with (force)`);
  };
  return { url, start, stop, close };
}

/** Every test of a worker uses one Lodrin with the demo in it; pages are opened signed out. */
export const test = base.extend<{ baseURL: string }, { lodrin: Lodrin }>({
  lodrin: [
    // eslint-disable-next-line no-empty-pattern
    async ({}, use) => {
      const lodrin = await open();
      await use(lodrin);
      await lodrin.close();
    },
    { scope: "worker", timeout: 60_000 },
  ],
  baseURL: async ({ lodrin }, use) => use(lodrin.url),
});

export { expect };

/** Signs a demo person in, without the form: that has a test of its own. */
export async function signIn(page: Page, who: "ottoline" | "pim" | "jory" | "wenna"): Promise<void> {
  const reply = await page.request.post("/api/session", { data: { email: `${who}@quillmoor.example`, password: PASSWORD } });
  expect(reply.status()).toBe(200);
  await page.goto("/");
  await expect(page.getByRole("heading", { name: /Good to see you/ })).toBeVisible();
}

/** Starts a draft of the flat shirt block on the body whose row has these words, and waits for its table. */
export async function startShirt(page: Page, body: RegExp): Promise<void> {
  await page.goto("/shelf/08-menswear-flat-shirt-block");
  await page.getByRole("main").getByRole("button", { name: body }).click();
  await expect(page.getByRole("region", { name: "Handout" })).toBeVisible();
}
