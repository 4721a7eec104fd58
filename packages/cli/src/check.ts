import { loadSystem, problemSaid, undrawableIn } from "@lodrin/core";
import { RequestError } from "./arguments.js";
import type { Voices } from "./draft.js";
import { libraryFor, readSystemFile } from "./files.js";

const USAGE = "./lodrin check FILE [--json]";

/** Runs `./lodrin check`: every problem of a system at its place, of its text or, where that is right, of its drawing on three bodies, a line each or as JSON. Gives how many; throws RequestError. */
export async function check(words: readonly string[], library: string, { out }: Voices): Promise<number> {
  const [file, ...more] = words.filter((word) => word !== "--json");
  if (file === undefined || more.length > 0 || file.startsWith("-")) throw new RequestError(`Which file? Use: ${USAGE}`);
  const { source, folder } = await readSystemFile(file, library);
  const loaded = loadSystem(source, libraryFor(source, library, folder));
  // What cannot be read is not drawn either: that is told first.
  const problems = loaded.problems.length > 0 ? loaded.problems : undrawableIn(loaded);
  if (words.includes("--json")) out(JSON.stringify(problems));
  else for (const problem of problems) out(`${problem.line}:${problem.column}: ${problemSaid(problem)}`);
  return problems.length;
}
