import cluster from "node:cluster";
import { type Config, readConfig } from "./config.js";
import { connect } from "./database/connect.js";
import { migrate } from "./database/migrate.js";
import { purgeDaily } from "./database/purge.js";
import { DEMO_LOGINS, loadDemo } from "./demo/load.js";
import { openLog } from "./log.js";
import { PORT_TAKEN, serve } from "./serve.js";
import { loadLibrary } from "./systems/library.js";

/** Exit code by which `./lodrin` knows that the server could not begin. */
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
if (cluster.isPrimary) await lead(config);
else serve(config, process.env["LODRIN_SLOT"] ?? "1");

/** Makes the database ready, then has as many processes serve as the place has processors. One that ends by itself is replaced. */
async function lead(config: Config): Promise<void> {
  const knex = connect(config.databaseUrl);
  try {
    await migrate(knex);
    await loadLibrary(knex, config.library);
    if (config.demo) await loadDemo(knex);
  } catch (error) {
    notBegun(error);
  }
  const log = openLog(config.logLevel, config.logFile);
  const stopPurging = purgeDaily(knex, (error) => log.error({ err: error }, "purge failed"));
  let stopping = false;
  // Each process accepts its own connections: handed out by this one, a connection whose process dies meanwhile would hang for ever.
  cluster.schedulingPolicy = cluster.SCHED_NONE;
  const slots = new Map<number, string>();
  const begin = (slot: string): void => void slots.set(cluster.fork({ LODRIN_SLOT: slot }).id, slot);
  for (let n = 1; n <= config.processes; n++) begin(String(n));
  let listening = 0;
  cluster.on("listening", () => ++listening === config.processes && announce(config));
  cluster.on("exit", (worker, code, signal) => {
    if (stopping) return void (Object.keys(cluster.workers ?? {}).length === 0 && process.exit(0));
    // None could begin: what is wrong is wrong for all, and is told by the supervisor.
    if (code === PORT_TAKEN || listening < config.processes) process.exit(code === 0 ? 1 : code);
    log.error({ process: worker.id, code, signal }, "a process ended by itself and is replaced");
    begin(slots.get(worker.id) ?? "1");
    slots.delete(worker.id);
  });
  const stop = (): void => {
    stopping = true;
    stopPurging();
    void knex.destroy();
    for (const worker of Object.values(cluster.workers ?? {})) worker?.process.kill("SIGTERM");
  };
  for (const signal of ["SIGINT", "SIGTERM"] as const) process.once(signal, stop);
}

function announce({ host, port, demo }: Config): void {
  process.stdout.write(`\nLodrin is ready:  http://${host}:${port}\n\n`);
  if (demo)
    for (const { role, email, password } of DEMO_LOGINS) process.stdout.write(`  ${role.padEnd(10)}  ${email.padEnd(30)}  ${password}\n`);
  process.stdout.write("\nCtrl-C stops it.\n");
}
