import { fileURLToPath } from "node:url";
import { createApp } from "./app.js";
import { type Config, readConfig } from "./config.js";
import { connect, poolFor } from "./database/connect.js";
import { migrate } from "./database/migrate.js";
import { purgeDaily } from "./database/purge.js";
import { DEMO_LOGINS, loadDemo } from "./demo/load.js";
import { FileMaker } from "./files/file-maker.js";
import { openLog } from "./log.js";
import { loadLibrary } from "./systems/library.js";

/** Exit codes by which `./lodrin` knows that the port is taken, and that the server could not begin. */
const PORT_TAKEN = 3;
const NOT_BEGUN = 4;

function notBegun(error: unknown): never {
  process.stderr.write(`${(error as Error).message}\n`);
  process.exit(NOT_BEGUN);
}

function configOrEnd(): Config {
  try {
    return readConfig(process.env);
  } catch (error) {
    return notBegun(error);
  }
}

const config = configOrEnd();
const log = openLog(config.logLevel, process.env["LODRIN_LOG_FILE"]);
const knex = connect(config.databaseUrl);
const pool = poolFor(config.databaseUrl);

try {
  await migrate(knex);
  await loadLibrary(knex, config.library);
  if (config.demo) await loadDemo(knex);
} catch (error) {
  notBegun(error);
}

const files = new FileMaker(fileURLToPath(new URL("./file-worker.mjs", import.meta.url)));
const { sessionSecret, webRoot, secure, trustProxy } = config;
const app = createApp({ knex, pool, log, files, sessionSecret, webRoot, secure, trustProxy });
const server = app.listen(config.port, config.host, (error?: Error) => {
  if (error) {
    process.stderr.write(`${error.message}\n`);
    process.exit((error as NodeJS.ErrnoException).code === "EADDRINUSE" ? PORT_TAKEN : 1);
  }
  process.stdout.write(`\nLodrin is ready:  http://${config.host}:${config.port}\n\n`);
  if (config.demo)
    for (const login of DEMO_LOGINS) process.stdout.write(`  ${login.role.padEnd(10)}  ${login.email.padEnd(30)}  ${login.password}\n`);
  process.stdout.write("\nCtrl-C stops it.\n");
});

for (const signal of ["SIGINT", "SIGTERM"] as const) process.once(signal, () => void stop());

const stopPurging = purgeDaily(knex, (error) => log.error({ err: error }, "purge failed"));

/** How long requests that are under way may take when the server is asked to stop. */
const PATIENCE_MS = 10_000;

async function stop(): Promise<void> {
  stopPurging();
  const finished = new Promise((resolve) => server.close(resolve));
  server.closeIdleConnections();
  await Promise.race([finished, new Promise((resolve) => setTimeout(resolve, PATIENCE_MS).unref())]);
  await Promise.allSettled([knex.destroy(), pool.end(), files.close()]);
  process.exit(0);
}
