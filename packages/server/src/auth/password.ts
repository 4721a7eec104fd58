import { randomBytes, scrypt as scryptCallback, timingSafeEqual } from "node:crypto";
import { hash, verify } from "@node-rs/argon2";
import pLimit from "p-limit";
import { busy } from "../http/problem.js";

// OWASP's advice for Argon2id: 19 MiB, two passes, one lane (from memory). The parameters are kept with each hash.
const COST = { memoryCost: 19 * 1024, timeCost: 2, parallelism: 1 } as const;

/** Hashing takes a thread for some hundredths of a second: never more than two of libuv's four, so that files and drafts go on. */
const AT_ONCE = 2;
/** More than these waiting would wait longer than anyone does. */
const MOST_WAITING = 100;
const queue = pLimit(AT_ONCE);

function queued<T>(act: () => Promise<T>): Promise<T> {
  if (queue.pendingCount >= MOST_WAITING) return Promise.reject(busy("Many people are signing in just now."));
  return queue(act);
}

/** A password's hash with its salt and its parameters, as text (PHC string). Throws ProblemError 503 when too many wait. */
export const hashPassword = (password: string): Promise<string> => queued(() => hash(password.normalize("NFKC"), COST));

/** True when the password belongs to the hash; takes as long when it does not. */
export const passwordFits = (password: string, kept: string): Promise<boolean> =>
  queued(() => (kept.startsWith("scrypt$") ? scryptFits(password, kept) : verify(kept, password.normalize("NFKC"))));

/** True for a hash made in another way than hashes are made now: it is made again when its password is next given. */
export const isOutdated = (kept: string): boolean =>
  !kept.startsWith(`$argon2id$v=19$m=${COST.memoryCost},t=${COST.timeCost},p=${COST.parallelism}$`);

/** Hashes of before: scrypt with N = 2^17, r = 8, p = 1. */
function scryptFits(password: string, kept: string): Promise<boolean> {
  const [, salt = "", key = ""] = kept.split("$");
  const expected = Buffer.from(key, "base64");
  return new Promise((resolve, reject) =>
    scryptCallback(
      password.normalize("NFKC"),
      Buffer.from(salt, "base64"),
      expected.length,
      { N: 2 ** 17, r: 8, p: 1, maxmem: 256 * 1024 * 1024 },
      (error, got) => (error ? reject(error) : resolve(timingSafeEqual(expected, got))),
    ),
  );
}

// A hash of what nobody knows: an unknown e-mail takes as long as a wrong password.
const nobody = hashPassword(randomBytes(16).toString("hex"));
export const hashOfNobody = (): Promise<string> => nobody;
