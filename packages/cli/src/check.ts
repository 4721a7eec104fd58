import { loadSystem, problemSaid } from "@lodrin/core";
import { RequestError } from "./arguments.js";
import type { Voices } from "./draft.js";
import { libraryFor, readSystemFile } from "./files.js";

const USAGE = "./lodrin check FILE [--json]";

/** Runs `./lodrin check`: every problem of a system at its place, a line each or as JSON. Gives how many; throws RequestError. */
export async function check(words: readonly string[], library: string, { out }: Voices): Promise<number> {
  const [file, ...more] = words.filter((word) => word !== "--json");
  if (file === undefined || more.length > 0 || file.startsWith("-")) throw new RequestError(`Which file? Use: ${USAGE}`);
  const { source, folder } = await readSystemFile(file, library);
  const { problems } = loadSystem(source, libraryFor(source, library, folder));
  if (words.includes("--json")) out(JSON.stringify(problems));
  else for (const problem of problems) out(`${problem.line}:${problem.column}: ${problemSaid(problem)}`);
  return problems.length;
}
