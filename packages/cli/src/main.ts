import { RequestError } from "./arguments.js";
import { draft } from "./draft.js";

const [library = "systems", ...words] = process.argv.slice(2);

try {
  await draft(words, library, (line) => process.stdout.write(`${line}\n`));
} catch (error) {
  if (!(error instanceof RequestError)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 2;
}
