import { RequestError } from "./arguments.js";
import { draft } from "./draft.js";

const [library = "systems", ...words] = process.argv.slice(2);

/** The draft was made, but some of it could not be. */
const WITH_FAILURES = 3;

try {
  const failures = await draft(words, library, {
    out: (line) => process.stdout.write(`${line}\n`),
    tell: (line) => process.stderr.write(`${line}\n`),
  });
  if (failures > 0) process.exitCode = WITH_FAILURES;
} catch (error) {
  if (!(error instanceof RequestError)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 2;
}
