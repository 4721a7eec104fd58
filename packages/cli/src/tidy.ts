import { writeFileSync } from "node:fs";
import { tidyNotation } from "@lodrin/core";
import { RequestError } from "./arguments.js";
import type { Voices } from "./draft.js";
import { readSystemFile } from "./files.js";

const USAGE = "./lodrin tidy FILE.lodrin";

/** Runs `./lodrin tidy`: writes a notation file in the house's layout. Throws RequestError when that would change what it means. */
export async function tidy(words: readonly string[], library: string, { tell }: Voices): Promise<void> {
  const [file, ...more] = words;
  if (file === undefined || more.length > 0 || !file.endsWith(".lodrin")) throw new RequestError(`Which file? Use: ${USAGE}`);
  const { source: text } = await readSystemFile(file, library);
  const neat = tidyNotation(text);
  if (neat === undefined)
    throw new RequestError(
      `${file} is left as it is: a line of it cannot be read yet. ./lodrin check ${file} says which, and what to write.`,
    );
  if (neat === text) return tell(`${file} is tidy already.`);
  try {
    writeFileSync(file, neat);
  } catch (error) {
    throw new RequestError(`${file} cannot be written: ${(error as NodeJS.ErrnoException).code ?? "unknown reason"}.`);
  }
  tell(`Written: ${file}`);
}
