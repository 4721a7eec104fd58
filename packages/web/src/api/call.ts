import type { BodyOf, ParamsOf, ReplyOf, Route } from "@lodrin/contract";

/** An answer that is not what was asked for: in words, with what is stored now after a collision. */
export class CallError extends Error {
  override readonly name = "CallError";
  constructor(
    /** HTTP status; 0 when the server could not be reached. */
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly current?: unknown,
    /** Private systems that become readable, by slug: whoever agrees asks again. */
    readonly discloses?: Readonly<Record<string, string>>,
  ) {
    super(detail || title);
  }
}

type Given<T> = (ParamsOf<T> extends undefined ? { params?: undefined } : { params: ParamsOf<T> }) &
  (BodyOf<T> extends undefined ? { body?: undefined } : { body: BodyOf<T> });

const PATIENCE_MS = 20_000;

/** Calls one route of the API; `keepalive` lets the call outlive its page. Throws CallError, never anything else. */
export async function call<T extends Route>(route: T, given: Given<T>, keepalive = false): Promise<ReplyOf<T>> {
  const { params, body } = given as { params?: Record<string, string>; body?: unknown };
  return (await answerTo(route, pathOf(route, params ?? {}), body, keepalive)).reply;
}

/** The path of a route with its gaps filled: for what is not called, like a picture or a stream. */
export const pathOf = ({ path }: Route, params: Readonly<Record<string, string>>): string =>
  path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(params[name] ?? ""));

type ItemOf<T> = ReplyOf<T> extends readonly (infer I)[] ? I : never;

/** Calls a list that is sent page by page, to its end. A row that moved meanwhile is given once. Throws CallError. */
export async function callAll<T extends Route>(route: T, params: Readonly<Record<string, string>> = {}): Promise<ItemOf<T>[]> {
  const all: ItemOf<T>[] = [];
  const seen = new Set<string>();
  for (let path: string | undefined = pathOf(route, params); path !== undefined;) {
    const { reply, next }: Answer<T> = await answerTo(route, path, undefined);
    for (const item of reply as ItemOf<T>[]) {
      const key = (item as { id?: string }).id ?? JSON.stringify(item);
      if (!seen.has(key)) all.push(item);
      seen.add(key);
    }
    path = next;
  }
  return all;
}

interface Answer<T> {
  readonly reply: ReplyOf<T>;
  /** Where the next page of a list is (RFC 8288). */
  readonly next: string | undefined;
}

async function answerTo<T extends Route>(route: T, path: string, body: unknown, keepalive = false): Promise<Answer<T>> {
  const init: RequestInit = {
    method: route.method,
    headers: { accept: "application/json" },
    credentials: "same-origin",
    keepalive,
    signal: AbortSignal.timeout(PATIENCE_MS),
  };
  if (body !== undefined || route.method === "POST") {
    init.body = JSON.stringify(body ?? {});
    init.headers = { ...init.headers, "content-type": "application/json" };
  }
  // What is made under an id of its own may be asked for again: nothing is made twice.
  const again = route.method === "POST" && typeof (body as { id?: unknown } | undefined)?.id === "string";
  const response = await fetch(path, init)
    .catch(() => (again ? fetch(path, { ...init, signal: AbortSignal.timeout(PATIENCE_MS) }) : Promise.reject(new Error("no answer"))))
    .catch(() => {
      throw new CallError(0, "No connection", "Lodrin cannot be reached just now.");
    });
  const reply: unknown = await response.json().catch(() => undefined);
  const next = /<([^>]+)>;\s*rel="next"/.exec(response.headers.get("link") ?? "")?.[1];
  if (response.ok && reply !== undefined) return { reply: reply as ReplyOf<T>, next };
  throw problemOf(response.status, reply);
}

function problemOf(status: number, reply: unknown): CallError {
  const problem = (reply ?? {}) as {
    title?: string;
    detail?: string;
    errors?: { at: string; message: string }[];
    current?: unknown;
    discloses?: Record<string, string>;
  };
  const places = problem.errors?.map((e) => `${e.at.replace(/^\//, "")} ${e.message}`).join("; ");
  if (status === 502 || status === 503 || status === 504) return new CallError(0, "No connection", "Lodrin cannot be reached just now.");
  return new CallError(
    status,
    problem.title ?? "That did not work",
    [problem.detail, places].filter(Boolean).join(" ") || "Lodrin gave no reason. Try again.",
    problem.current,
    problem.discloses,
  );
}
