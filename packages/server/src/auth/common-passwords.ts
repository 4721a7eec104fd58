import { ProblemError } from "../http/problem.js";

/**
 * Passwords of ten letters and more that stand near the top of every published list of the most common (from memory), and
 * runs of the keyboard. Shorter ones are refused for their length.
 */
const COMMON: ReadonlySet<string> = new Set([
  "1234567890",
  "0123456789",
  "0987654321",
  "9876543210",
  "1234554321",
  "12345678910",
  "123456789a",
  "1q2w3e4r5t",
  "1q2w3e4r5t6y",
  "1qaz2wsx3edc",
  "q1w2e3r4t5",
  "qwertyuiop",
  "qwerty12345",
  "qwerty123456",
  "qwertz12345",
  "asdfghjkl;",
  "asdfghjkl1",
  "password12",
  "password123",
  "password1234",
  "passw0rd123",
  "p@ssw0rd123",
  "mypassword",
  "iloveyou12",
  "iloveyou123",
  "welcome123",
  "letmein123",
  "football123",
  "basketball",
  "administrator",
  "changeme123",
  "abcdefghij",
  "abcdefg123",
  "princess123",
  "sunshine123",
]);

/** Why a password cannot be taken although it is long enough; undefined when it can. */
function whyWeak(password: string): string | undefined {
  const bare = password.trim().toLowerCase();
  if (bare.length < 10) return "Blanks at its ends do not count: give at least ten letters.";
  if (new Set(bare).size < 3) return "It is the same letter over and over: nobody needs long to guess it.";
  if (COMMON.has(bare)) return "It is one of the most common passwords: it is among the first that are tried.";
  return undefined;
}

/** Throws a 400 problem for a password that is among the first to be guessed. */
export function refuseWeak(password: string): void {
  const weak = whyWeak(password);
  if (weak)
    throw new ProblemError(400, "Not as it should be", "Another password is needed.", { errors: [{ at: "/password", message: weak }] });
}
