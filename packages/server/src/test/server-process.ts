import { type ChildProcess, spawn } from "node:child_process";
import { once } from "node:events";
import { readFile } from "node:fs/promises";
import { createServer, type AddressInfo } from "node:net";
import { fileURLToPath } from "node:url";
import { urlOf } from "./database.js";

const ROOT = fileURLToPath(new URL("../../../../", import.meta.url));

/** A port nobody listens on. */
export async function freePort(): Promise<number> {
  const probe = createServer().listen(0, "127.0.0.1");
  await once(probe, "listening");
  const { port } = probe.address() as AddressInfo;
  probe.close();
  return port;
}

/** The server as it is bundled, on a database of its own, ready to be called. */
export async function startServer(database: string, port: number, more: NodeJS.ProcessEnv = {}): Promise<ChildProcess> {
  const env = {
    ...process.env,
    ...{ DATABASE_URL: urlOf(database), LODRIN_PORT: `${port}`, LODRIN_SECRET: "for tests", LODRIN_LIBRARY: `${ROOT}systems` },
    ...{ LODRIN_LOG: "silent", LODRIN_DEMO: "0" },
    ...more,
  };
  const child = spawn("node", [`${ROOT}packages/server/build/server.mjs`], { env, stdio: ["ignore", "pipe", "inherit"] });
  await new Promise<void>((resolve) => child.stdout.on("data", (text: Buffer) => text.toString().includes("is ready") && resolve()));
  return child;
}

/** The processes that a process began. */
export const childrenOf = async (pid: number): Promise<number[]> =>
  (await readFile(`/proc/${pid}/task/${pid}/children`, "utf8")).trim().split(" ").map(Number);
