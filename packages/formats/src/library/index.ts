import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import type { Library } from "@lodrin/core";

/** The notation of every system in a folder, by its slug, in order: what is on the shelf and may be built on. */
export function readLibrary(folder: string): Library {
  const files = readdirSync(folder).filter((file) => file.endsWith(".lodrin"));
  return Object.fromEntries(files.sort().map((file) => [file.replace(/\.lodrin$/, ""), readFileSync(join(folder, file), "utf8")]));
}
