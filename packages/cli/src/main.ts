import { RequestError } from "./arguments.js";
import type { Voices } from "./draft.js";

const [library = "systems", command = "draft", ...words] = process.argv.slice(2);

/** What was asked for was done, and it found fault: a draft with failures; problems of a text; sizes that break; readings that are off; sentences that were not read. */
const FOUND = { draft: 3, check: 1, range: 1, review: 1, read: 1 } as const;
/** It could not be done at all. */
const REFUSED = 2;

const voices: Voices = {
  out: (line) => process.stdout.write(`${line}\n`),
  tell: (line) => process.stderr.write(`${line}\n`),
};

/** Only the command that is asked for is loaded. Gives the exit code. */
async function answer(): Promise<number> {
  switch (command) {
    case "tidy":
      await (await import("./tidy.js")).tidy(words, library, voices);
      return 0;
    case "check":
      return (await (await import("./check.js")).check(words, library, voices)) > 0 ? FOUND.check : 0;
    case "range":
      return (await (await import("./range.js")).range(words, library, voices)) > 0 ? FOUND.range : 0;
    case "read":
      return (await (await import("./read.js")).read(words, library, voices)) > 0 ? FOUND.read : 0;
    case "review":
      return (await (await import("./review.js")).review(words, library, voices)) > 0 ? FOUND.review : 0;
    default:
      return (await (await import("./draft.js")).draft(words, library, voices)) > 0 ? FOUND.draft : 0;
  }
}

try {
  process.exitCode = await answer();
} catch (error) {
  if (!(error instanceof RequestError)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = REFUSED;
}
