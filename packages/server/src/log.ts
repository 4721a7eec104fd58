import { basename, dirname } from "node:path";
import { type Logger, pino } from "pino";
import { createStream } from "rotating-file-stream";

const LARGEST = "10M";
const MOST_FILES = 5;

interface Told {
  readonly type: string;
  readonly code: string | undefined;
  readonly message: string | undefined;
  readonly stack: string;
}

/** What is kept of an error: where it came from. A database tells figures and e-mails in its messages: of those only the code is kept. */
export function errorTold(error: Error & { readonly code?: unknown; readonly nativeError?: { readonly code?: unknown } }): Told {
  const code = error.nativeError?.code ?? error.code;
  const fromDatabase = typeof code === "string" && /^[0-9A-Z]{5}$/.test(code);
  return {
    type: error.name,
    code: typeof code === "string" ? code : undefined,
    message: fromDatabase ? undefined : error.message,
    stack: (error.stack ?? "")
      .split("\n")
      .filter((line) => line.trimStart().startsWith("at "))
      .join("\n"),
  };
}

/** The server's log: JSON lines in a file that is parted when it grows, of which the last few are kept; on stdout without a file. */
export function openLog(level: string, file: string | undefined): Logger {
  const options = { level, base: null, serializers: { err: errorTold } };
  if (file === undefined) return pino(options);
  return pino(options, createStream(basename(file), { path: dirname(file), size: LARGEST, maxFiles: MOST_FILES }));
}
