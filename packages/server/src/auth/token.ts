import { createHash, randomBytes } from "node:crypto";

const HOURS = 24;

/** What is kept of a token: whoever reads the database cannot use it. */
export const digestOf = (token: string): string => createHash("sha256").update(token).digest("hex");

/** A token for a link that is good for a day. */
export const newToken = (): { token: string; until: string } => ({
  token: randomBytes(24).toString("base64url"),
  until: new Date(Date.now() + HOURS * 60 * 60 * 1_000).toISOString(),
});
