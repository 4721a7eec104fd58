import { RequestError } from "./arguments.js";
import { check } from "./check.js";
import { draft, type Voices } from "./draft.js";
import { range } from "./range.js";
import { review } from "./review.js";
import { tidy } from "./tidy.js";

const [library = "systems", command = "draft", ...words] = process.argv.slice(2);

/** What was asked for was done, and it found fault: a draft with failures; problems of a text; sizes that break; readings that are off. */
const FOUND = { draft: 3, check: 1, range: 1, review: 1 } as const;
/** It could not be done at all. */
const REFUSED = 2;

const voices: Voices = {
  out: (line) => process.stdout.write(`${line}\n`),
  tell: (line) => process.stderr.write(`${line}\n`),
};

try {
  if (command === "tidy") tidy(words, library, voices);
  else if (command === "check") process.exitCode = check(words, library, voices) > 0 ? FOUND.check : 0;
  else if (command === "range") process.exitCode = range(words, library, voices) > 0 ? FOUND.range : 0;
  else if (command === "review") process.exitCode = review(words, library, voices) > 0 ? FOUND.review : 0;
  else process.exitCode = (await draft(words, library, voices)) > 0 ? FOUND.draft : 0;
} catch (error) {
  if (!(error instanceof RequestError)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = REFUSED;
}
