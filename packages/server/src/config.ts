import { availableParallelism } from "node:os";
import { type Quota, USUAL_QUOTA } from "./storage/usage.js";

/** What the server is told by its environment. */
export interface Config {
  readonly port: number;
  /** The address to listen on; loopback unless a place says otherwise. */
  readonly host: string;
  /** Served over TLS: cookies are sent no other way, and browsers are told so. */
  readonly secure: boolean;
  /** Proxies in front, as Express's "trust proxy" takes them: a number of them, or their addresses. */
  readonly trustProxy: number | string | false;
  /** Demo people, bodies and drafts are loaded into an empty database, and their logins printed. */
  readonly demo: boolean;
  readonly databaseUrl: string;
  /** Folder of the built web application; undefined when only the API is served. */
  readonly webRoot: string | undefined;
  readonly library: string;
  readonly sessionSecret: string;
  readonly logLevel: string;
  /** The file the log is kept in; undefined for the console. */
  readonly logFile: string | undefined;
  /** The mail server letters go through, `smtp://…`; undefined where none are sent. */
  readonly smtp: string | undefined;
  readonly mailFrom: string;
  /** Where the demo's letters are laid instead of being sent. */
  readonly letters: string | undefined;
  /** Where people open Lodrin: links in letters begin with it. */
  readonly address: string;
  /** How many processes serve: one for each processor, unless a place says otherwise. */
  readonly processes: number;
  /** How much an account, and the place, may keep. */
  readonly quota: Quota;
}

const MEGABYTE = 1_024 ** 2;

/** More would only wait for the database. */
const MOST_PROCESSES = 4;

/** Reads the environment. Throws with one sentence when something is missing. */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const databaseUrl = env["DATABASE_URL"];
  if (!databaseUrl) throw new Error("DATABASE_URL is not set. Start Lodrin with ./lodrin start, which sets it.");
  const secret = env["LODRIN_SECRET"];
  if (!secret) throw new Error("LODRIN_SECRET is not set. Start Lodrin with ./lodrin start, which makes one.");
  const port = Number(env["LODRIN_PORT"] ?? 4150);
  const host = env["LODRIN_HOST"] ?? "127.0.0.1";
  return {
    port,
    host,
    secure: env["LODRIN_SECURE"] === "1",
    trustProxy: proxies(env["LODRIN_TRUST_PROXY"]),
    demo: env["LODRIN_DEMO"] !== "0",
    databaseUrl,
    webRoot: env["LODRIN_WEB"],
    library: env["LODRIN_LIBRARY"] ?? "systems",
    sessionSecret: secret,
    logLevel: env["LODRIN_LOG"] ?? "info",
    logFile: env["LODRIN_LOG_FILE"],
    smtp: env["LODRIN_SMTP"],
    mailFrom: env["LODRIN_MAIL_FROM"] ?? "lodrin@localhost",
    letters: env["LODRIN_LETTERS"],
    address: env["LODRIN_ADDRESS"] ?? `http://${host}:${port}`,
    processes: Math.max(1, Number(env["LODRIN_PROCESSES"]) || Math.min(MOST_PROCESSES, availableParallelism())),
    quota: {
      account: (Number(env["LODRIN_ACCOUNT_MB"]) || USUAL_QUOTA.account / MEGABYTE) * MEGABYTE,
      place: (Number(env["LODRIN_PLACE_MB"]) || USUAL_QUOTA.place / MEGABYTE) * MEGABYTE,
    },
  };
}

function proxies(said: string | undefined): number | string | false {
  if (said === undefined || said === "" || said === "0") return false;
  return /^\d+$/.test(said) ? Number(said) : said;
}
