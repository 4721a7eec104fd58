import type { Request, Response } from "express";
import { describe, expect, it } from "vitest";
import { problems } from "./problem.js";

/** What an error is answered with. */
function answered(error: unknown): { status: number; body: { title: string; detail: string; fault?: string }; logged: number } {
  let status = 0;
  let text = "";
  let logged = 0;
  const response = {
    headersSent: false,
    set: () => response,
    type: () => response,
    status: (code: number) => ((status = code), response),
    send: (sent: string) => ((text = sent), response),
  };
  const request = { id: "the-fault", log: { error: () => logged++ } };
  problems(error, request as unknown as Request, response as unknown as Response, () => undefined);
  return { status, body: JSON.parse(text) as { title: string; detail: string; fault?: string }, logged };
}

describe("an error", () => {
  // PostgreSQL's error codes: https://www.postgresql.org/docs/15/errcodes-appendix.html
  it.each([
    ["a full disk of the database", { code: "53100" }, 507, "no room"],
    ["a full disk of the server", { code: "ENOSPC" }, 507, "no room"],
    ["a row whose place was taken", { code: "23505" }, 409, "Reload"],
    ["a row that belongs to none", { code: "23503" }, 409, "Reload"],
    ["a database that is away", { code: "57P01" }, 503, "Try again"],
  ])("of %s is answered with what to do", (_, error, status, said) => {
    const reply = answered(error);
    expect([reply.status, reply.body.detail]).toEqual([status, expect.stringContaining(said)]);
  });

  it("of ours is answered with the number it has in the log, and nothing of its inside", () => {
    const { status, body, logged } = answered(new Error("the inside"));
    expect([status, body.fault, logged]).toEqual([500, "the-fault", 1]);
    expect(body.detail).toContain("the-fault");
    expect(JSON.stringify(body)).not.toContain("the inside");
  });
});
