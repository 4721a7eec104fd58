import { createHash } from "node:crypto";
import type { Request, Response } from "express";

/** Sends a small SVG picture. The browser keeps it and asks each time whether it is still so: nothing is sent again that it has. */
export function sendPicture(request: Request, response: Response, svg: string): void {
  const etag = `"${createHash("sha1").update(svg).digest("base64url")}"`;
  response.set({ "cache-control": "private, no-cache", etag });
  if (request.fresh) return void response.status(304).end();
  response.type("image/svg+xml").send(svg);
}
