import type { ErrorRequestHandler, RequestHandler } from "express";

/** An answer that is not what was asked for, as RFC 9457 problem details. */
export class ProblemError extends Error {
  override readonly name = "ProblemError";
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly more: {
      readonly errors?: readonly { at: string; message: string }[];
      readonly current?: unknown;
      readonly discloses?: Readonly<Record<string, string>>;
      readonly fault?: string;
    } = {},
    /** Seconds after which it is worth trying again. */
    readonly retryAfter?: number,
  ) {
    super(`${title}: ${detail}`);
  }
}

export const notFound = (what: string): ProblemError => new ProblemError(404, "Not here", `This ${what} is not here, or it is not yours.`);
export const signInFirst = (): ProblemError =>
  new ProblemError(401, "Sign in first", "Your session has ended. Sign in again; what you typed is kept on this screen.");

/** The server has its hands full; it is worth coming again in a moment. */
export const busy = (why: string): ProblemError => new ProblemError(503, "Busy just now", `${why} Try again in a moment.`, {}, 2);

/** Someone else, or another tab, was quicker: shows what is stored now beside what was sent. */
export const collision = (what: string, current: unknown): ProblemError =>
  new ProblemError(409, "Changed in the meantime", `This ${what} was changed in another tab or by another person since you opened it.`, {
    current,
  });

/** Any path of the API that no route answered. */
export const noRoute: RequestHandler = (request) => {
  throw new ProblemError(404, "No such page", `There is nothing at ${request.method} ${request.path}.`);
};

/** Turns every error into problem details. Unknown errors say nothing of their inside; they are logged. */
export const problems: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) return next(error);
  const problem = asProblem(error, String(request.id));
  if (problem.status >= 500) request.log.error({ err: error }, "request failed");
  if (problem.retryAfter !== undefined) response.set("retry-after", `${problem.retryAfter}`);
  response
    .status(problem.status)
    .type("application/problem+json")
    .send(JSON.stringify({ type: "about:blank", title: problem.title, status: problem.status, detail: problem.detail, ...problem.more }));
};

interface KnownError {
  readonly name?: string;
  readonly status?: number;
  readonly type?: string;
  readonly code?: string;
  readonly message?: string;
}

/** What is wrong with a body that could not even be read, by the reader's own word for it. */
const UNREADABLE: Readonly<Record<string, string>> = {
  "entity.parse.failed": "The request's body is not JSON.",
  "charset.unsupported": "The request's body is in a character set that is not known. Send UTF-8.",
  "encoding.unsupported": "The request's body is packed in a way that is not known. Send it plain or as gzip.",
  "request.size.invalid": "The request's body is not as long as it says.",
  "request.aborted": "The request broke off.",
};

function asProblem(error: unknown, fault: string): ProblemError {
  if (error instanceof ProblemError) return error;
  const known = (error ?? {}) as KnownError;
  if (known.type === "entity.too.large") return new ProblemError(413, "Too much", "The request's body is larger than is taken here.");
  const status = known.status ?? 0;
  if (status >= 400 && status < 500)
    return new ProblemError(status, "Not readable", UNREADABLE[known.type ?? ""] ?? "The request cannot be read.");
  if (isAway(known))
    return new ProblemError(503, "The database is away", "Lodrin cannot reach its database just now. Try again in a moment.", {}, 2);
  if (BEYOND.has(known.code ?? ""))
    return new ProblemError(400, "Not as it should be", "Something in the request is no text, number or day that can be kept.");
  if (FULL.has(known.code ?? ""))
    return new ProblemError(
      507,
      "The disk is full",
      "There is no room to save this. Tell whoever looks after this Lodrin; what you typed is kept on this screen.",
    );
  if (known.code === TAKEN || known.code === NOT_THERE)
    return new ProblemError(
      409,
      "Changed in the meantime",
      "Something this belongs to was made or deleted at the same moment. Reload, then try again.",
    );
  return new ProblemError(500, "Something went wrong", `This is our mistake, and it is in the log as ${fault}. Try again.`, { fault });
}

/** No room on the disk, as PostgreSQL (53100) and the system say it. */
const FULL: ReadonlySet<string> = new Set(["53100", "ENOSPC"]);
/** PostgreSQL's codes for a row that another took the place of, and for one that belongs to a row that is not there. */
const TAKEN = "23505";
const NOT_THERE = "23503";

/** PostgreSQL's codes for text and figures it cannot hold: https://www.postgresql.org/docs/15/errcodes-appendix.html */
const BEYOND: ReadonlySet<string> = new Set(["22003", "22007", "22008", "22021", "22P02", "22P05"]);

/** Codes of the system and of PostgreSQL (classes 08 and 57, too many connections, closed to connections) for a database that goes, comes or is not there. */
const AWAY = /^(ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT|57P0[0-5]|53300|55000|08...)$/;
const AWAY_SAID =
  /Connection terminated|connection timeout|timeout exceeded when trying to connect|Client has encountered a connection error/i;

const isAway = ({ code, name, message }: KnownError): boolean =>
  AWAY.test(code ?? "") || name === "KnexTimeoutError" || AWAY_SAID.test(message ?? "");
