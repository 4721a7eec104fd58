/** What the server is told by its environment. */
export interface Config {
  readonly port: number;
  readonly databaseUrl: string;
  /** Folder of the built web application; undefined when only the API is served. */
  readonly webRoot: string | undefined;
  readonly library: string;
  readonly sessionSecret: string;
  readonly logLevel: string;
}

/** Reads the environment. Throws with one sentence when something is missing. */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const databaseUrl = env["DATABASE_URL"];
  if (!databaseUrl) throw new Error("DATABASE_URL is not set. Start Lodrin with ./lodrin start, which sets it.");
  const secret = env["LODRIN_SECRET"];
  if (!secret) throw new Error("LODRIN_SECRET is not set. Start Lodrin with ./lodrin start, which makes one.");
  return {
    port: Number(env["LODRIN_PORT"] ?? 4150),
    databaseUrl,
    webRoot: env["LODRIN_WEB"],
    library: env["LODRIN_LIBRARY"] ?? "systems",
    sessionSecret: secret,
    logLevel: env["LODRIN_LOG"] ?? "info",
  };
}
