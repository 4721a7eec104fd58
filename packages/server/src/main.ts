import { pino } from "pino";
import { createApp } from "./app.js";
import { readConfig } from "./config.js";
import { connect, poolFor } from "./database/connect.js";
import { migrate } from "./database/migrate.js";
import { DEMO_LOGINS, loadDemo } from "./demo/load.js";
import { loadLibrary } from "./systems/library.js";

/** Exit code by which `./lodrin` knows that the port is taken. */
const PORT_TAKEN = 3;

const config = readConfig(process.env);
const log = pino(
  { level: config.logLevel, base: null },
  pino.destination({ dest: process.env["LODRIN_LOG_FILE"] ?? 1, sync: false, mkdir: true }),
);
const knex = connect(config.databaseUrl);
const pool = poolFor(config.databaseUrl);

await migrate(knex);
await loadLibrary(knex, config.library);
await loadDemo(knex);

const app = createApp({ knex, pool, log, sessionSecret: config.sessionSecret, webRoot: config.webRoot });
const server = app.listen(config.port, "127.0.0.1", (error?: Error) => {
  if (error) {
    process.stderr.write(`${error.message}\n`);
    process.exit((error as NodeJS.ErrnoException).code === "EADDRINUSE" ? PORT_TAKEN : 1);
  }
  process.stdout.write(`\nLodrin is ready:  http://127.0.0.1:${config.port}\n\n`);
  for (const login of DEMO_LOGINS) process.stdout.write(`  ${login.role.padEnd(10)}  ${login.email.padEnd(30)}  ${login.password}\n`);
  process.stdout.write("\nCtrl-C stops it.\n");
});

for (const signal of ["SIGINT", "SIGTERM"] as const) process.once(signal, () => void stop());

async function stop(): Promise<void> {
  server.close();
  server.closeIdleConnections();
  await Promise.allSettled([knex.destroy(), pool.end()]);
  process.exit(0);
}
