import { NO_NAME, wordsRow } from "../grammar/rules.js";

/** The name a line is drawn under. */
export const CALLED_LINE = wordsRow<string>(
  "name of a line",
  3,
  (words) =>
    /^[a-z ]+$/.test(words) &&
    !NO_NAME.test(words) &&
    !/\b(?:line|a|from|through|to|straight|join|new|it|lines|down|up|out|in|across|half|by|of)\b/.test(words)
      ? words
      : undefined,
  0.6,
);
