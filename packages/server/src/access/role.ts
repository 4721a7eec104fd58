import { ranksAbove, type Role, type Route } from "@lodrin/contract";
import { ProblemError } from "../http/problem.js";

/** Throws a 403 problem unless the role is the one a route asks for, or more. */
export function refuseBelow(role: Role, { who }: Pick<Route, "who">): void {
  if (who === "anyone" || !ranksAbove(who, role)) return;
  throw new ProblemError(
    403,
    "Not yours to do",
    who === "owner" ? "Only the owner of the place may do this." : "Only instructors may do this.",
  );
}
