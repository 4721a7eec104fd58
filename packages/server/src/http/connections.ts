import type { Server } from "node:http";
import type { Socket } from "node:net";

/** A class behind one address has many screens; more than this is nobody's class. In each process. */
const MOST_FROM_ONE_ADDRESS = 512;
const MOST_CONNECTIONS = 5_000;
/** Whoever opens a connection says within this what is wanted (ms). */
const HEADERS_MS = 15_000;
const REQUEST_MS = 60_000;

/**
 * Bounds how many connections a server holds, from one address and in all; those beyond are closed unread. Behind a proxy all come
 * from its address: there it bounds, and only the sum is bounded here.
 */
export function boundConnections(server: Server, { behindProxy }: { readonly behindProxy: boolean }): void {
  server.maxConnections = MOST_CONNECTIONS;
  server.headersTimeout = HEADERS_MS;
  server.requestTimeout = REQUEST_MS;
  if (behindProxy) return;
  const open = new Map<string, number>();
  server.on("connection", (socket: Socket) => {
    const address = socket.remoteAddress ?? "";
    const many = (open.get(address) ?? 0) + 1;
    if (many > MOST_FROM_ONE_ADDRESS) return void socket.resetAndDestroy();
    open.set(address, many);
    socket.once("close", () => {
      const left = (open.get(address) ?? 1) - 1;
      if (left === 0) open.delete(address);
      else open.set(address, left);
    });
  });
}
