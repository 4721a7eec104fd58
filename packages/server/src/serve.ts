import { fileURLToPath } from "node:url";
import { createApp } from "./app.js";
import { KnownSessions } from "./auth/known-sessions.js";
import { LiveHub } from "./classes/live-hub.js";
import type { Config } from "./config.js";
import { connect, poolFor } from "./database/connect.js";
import { Listener } from "./database/listener.js";
import { FileMaker } from "./files/file-maker.js";
import { WaitingFiles } from "./files/waiting-files.js";
import { boundConnections } from "./http/connections.js";
import { openLog } from "./log.js";
import { catchingMailer, type Mailer, smtpMailer } from "./mail/mailer.js";

/** Exit code by which it is known that the port is taken. */
export const PORT_TAKEN = 3;

/** How long requests that are under way may take when the server is asked to stop. */
const PATIENCE_MS = 10_000;

/** Exit code of a process that ended because of a fault of its own. */
const FAULT = 70;

/** One process of the server: serves until it is asked to stop. Its log is a file of its own, for each is rotated by who writes it; a process that replaces another takes its number, and so its log. */
export function serve(config: Config, number: string): void {
  const log = openLog(config.logLevel, config.logFile?.replace(/(\.\w+)?$/, `-${number}$1`));
  const knex = connect(config.databaseUrl);
  const pool = poolFor(config.databaseUrl);
  const files = new FileMaker(fileURLToPath(new URL("./file-worker.mjs", import.meta.url)), undefined, new WaitingFiles(knex));
  const { sessionSecret, webRoot, secure, trustProxy, demo, address, quota } = config;
  const listener = new Listener(pool, log);
  const live = new LiveHub(pool, listener, log);
  const knownSessions = new KnownSessions(listener);
  listener.begin();
  const app = createApp({
    knex,
    pool,
    log,
    files,
    live,
    knownSessions,
    sessionSecret,
    webRoot,
    secure,
    trustProxy,
    demo,
    address,
    quota,
    mailer: mailerOf(config),
    confirmsEmail: config.smtp !== undefined && config.smtp !== "",
  });
  const server = app.listen(config.port, config.host, (error?: Error) => {
    if (!error) return;
    process.stderr.write(`${error.message}\n`);
    process.exit((error as NodeJS.ErrnoException).code === "EADDRINUSE" ? PORT_TAKEN : 1);
  });
  boundConnections(server, { behindProxy: trustProxy !== false });

  let stopping = false;
  const stop = async (code = 0): Promise<void> => {
    if (stopping) return;
    stopping = true;
    // Whoever follows a lesson comes again, to another process.
    live.close();
    knownSessions.close();
    listener.close();
    const finished = new Promise((resolve) => server.close(resolve));
    server.closeIdleConnections();
    await Promise.race([finished, new Promise((resolve) => setTimeout(resolve, PATIENCE_MS).unref())]);
    await Promise.allSettled([knex.destroy(), pool.end(), files.close()]);
    process.exit(code);
  };
  // Ctrl-C reaches every process of the terminal; the first of them passes on that it is time.
  process.on("SIGINT", () => undefined);
  process.once("SIGTERM", () => void stop());
  // A promise that nobody waits for is one request's; what was thrown outside of any may have left anything half done: then no more
  // is taken, what is under way is finished, and another process takes this one's place.
  process.on("unhandledRejection", (error) => log.error({ err: error }, "a rejection was not handled"));
  process.on("uncaughtException", (error) => {
    log.fatal({ err: error }, "an error was not handled; the process ends");
    void stop(FAULT);
  });
}

function mailerOf({ smtp, mailFrom, letters, demo }: Config): Mailer | undefined {
  if (smtp !== undefined && smtp !== "") return smtpMailer(smtp, mailFrom);
  return demo && letters !== undefined ? catchingMailer(letters, mailFrom) : undefined;
}
