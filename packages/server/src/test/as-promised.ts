import { Problem, type Route, ROUTES } from "@lodrin/contract";
import type { Response } from "supertest";
import { validatorOf } from "../http/validate.js";

const PATTERNS = ROUTES.map((route) => ({ route, pattern: new RegExp(`^${route.path.replace(/:\w+/g, "[^/]+")}$`) }));

/** The route of the contract that a call is for. */
const routeOf = (method: string, path: string): Route | undefined =>
  PATTERNS.find(({ route, pattern }) => route.method === method.toUpperCase() && pattern.test(path.split("?")[0] ?? ""))?.route;

/** Throws when an answer is not what the contract says of its route: the reply when it is one, a problem otherwise. */
export function asPromised(method: string, path: string, reply: Response): Response {
  const route = routeOf(method, path);
  const schema = reply.status < 300 ? route?.reply : Problem;
  if (!schema) return reply;
  const fits = validatorOf(schema);
  if (fits(reply.body)) return reply;
  throw new Error(
    `${method.toUpperCase()} ${path} answered ${reply.status}, not as promised: ${JSON.stringify(fits.errors)} in ${reply.text.slice(0, 300)}`,
  );
}
