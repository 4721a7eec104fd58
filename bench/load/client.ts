import { Agent, request } from "node:http";

/** One answer: its status, how long it took (ms), its body and the cookie it set. */
export interface Answer {
  readonly status: number;
  readonly ms: number;
  readonly body: string;
  readonly cookie: string | undefined;
}

/** A caller that keeps its connections and its cookie. */
export class Client {
  private cookie = "";
  private readonly agent: Agent;

  constructor(
    private readonly port: number,
    connections = 1,
  ) {
    this.agent = new Agent({ keepAlive: true, maxSockets: connections });
  }

  call(method: string, path: string, body?: object): Promise<Answer> {
    const from = performance.now();
    const text = body === undefined ? undefined : JSON.stringify(body);
    const headers = {
      cookie: this.cookie,
      "accept-encoding": "gzip",
      ...(text === undefined ? {} : { "content-type": "application/json", "content-length": Buffer.byteLength(text) }),
    };
    return new Promise((resolve, reject) => {
      const call = request({ host: "127.0.0.1", port: this.port, method, path, headers, agent: this.agent }, (reply) => {
        const parts: Buffer[] = [];
        reply.on("data", (part: Buffer) => void parts.push(part));
        reply.on("end", () => {
          const cookie = reply.headers["set-cookie"]?.[0]?.split(";")[0];
          if (cookie) this.cookie = cookie;
          resolve({ status: reply.statusCode ?? 0, ms: performance.now() - from, body: Buffer.concat(parts).toString(), cookie });
        });
        reply.on("error", reject);
      });
      call.on("error", reject);
      call.end(text);
    });
  }

  close(): void {
    this.agent.destroy();
  }
}

/** The value below which a share of a list lies. */
export function percentile(list: readonly number[], share: number): number {
  const sorted = [...list].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? Number.NaN;
}
