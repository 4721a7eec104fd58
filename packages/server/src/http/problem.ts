import type { ErrorRequestHandler, RequestHandler } from "express";

/** An answer that is not what was asked for, as RFC 9457 problem details. */
export class ProblemError extends Error {
  override readonly name = "ProblemError";
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly more: { readonly errors?: readonly { at: string; message: string }[]; readonly current?: unknown } = {},
  ) {
    super(`${title}: ${detail}`);
  }
}

export const notFound = (what: string): ProblemError => new ProblemError(404, "Not here", `This ${what} is not here, or it is not yours.`);
export const signInFirst = (): ProblemError =>
  new ProblemError(401, "Sign in first", "Your session has ended. Sign in again; what you typed is kept on this screen.");

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
  const problem = asProblem(error);
  if (problem.status >= 500) request.log.error({ err: error }, "request failed");
  response
    .status(problem.status)
    .type("application/problem+json")
    .send(JSON.stringify({ type: "about:blank", title: problem.title, status: problem.status, detail: problem.detail, ...problem.more }));
};

function asProblem(error: unknown): ProblemError {
  if (error instanceof ProblemError) return error;
  const known = error as { status?: number; type?: string; code?: string };
  if (known.type === "entity.parse.failed") return new ProblemError(400, "Not readable", "The request's body is not JSON.");
  if (known.type === "entity.too.large") return new ProblemError(413, "Too much", "The request's body is larger than a megabyte.");
  if (known.code === "ECONNREFUSED" || known.code === "57P01")
    return new ProblemError(503, "The database is away", "Lodrin cannot reach its database just now. Try again in a moment.");
  return new ProblemError(500, "Something broke", "Lodrin made a mistake. It has been noted; try again.");
}
