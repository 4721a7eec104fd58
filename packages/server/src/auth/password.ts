import { randomBytes, scrypt as scryptCallback, timingSafeEqual, type ScryptOptions } from "node:crypto";

// OWASP's advice for scrypt: N = 2^17, r = 8, p = 1 (from memory).
const COST: ScryptOptions = { N: 2 ** 17, r: 8, p: 1, maxmem: 256 * 1024 * 1024 };
const KEY_BYTES = 32;

function scrypt(password: string, salt: Buffer): Promise<Buffer> {
  return new Promise((resolve, reject) =>
    scryptCallback(password.normalize("NFKC"), salt, KEY_BYTES, COST, (error, key) => (error ? reject(error) : resolve(key))),
  );
}

/** A password's hash with its salt, as text. */
export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(16);
  return `scrypt$${salt.toString("base64")}$${(await scrypt(password, salt)).toString("base64")}`;
}

/** True when the password belongs to the hash; takes as long when it does not. */
export async function passwordFits(password: string, hash: string): Promise<boolean> {
  const [, salt = "", key = ""] = hash.split("$");
  const expected = Buffer.from(key, "base64");
  const got = await scrypt(password, Buffer.from(salt, "base64"));
  return expected.length === got.length && timingSafeEqual(expected, got);
}
