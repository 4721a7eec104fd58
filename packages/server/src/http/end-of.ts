import type { Response } from "express";

/** Aborts when whoever asked has gone before the answer was sent. */
export function endOf(response: Response): AbortSignal {
  const gone = new AbortController();
  response.once("close", () => {
    if (!response.writableEnded) gone.abort();
  });
  return gone.signal;
}
