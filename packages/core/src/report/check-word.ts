import type { CheckResult } from "../check/result.js";

const WORDS = { pass: "Pass", warn: "Look", fail: "Does not hold" } as const;

/** How a check came out, in the word people read. */
export const checkWord = (check: CheckResult): string => WORDS[check.status];
