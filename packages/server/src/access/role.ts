import type { Role, Route } from "@lodrin/contract";
import { ProblemError } from "../http/problem.js";

const RANK: Readonly<Record<Role, number>> = { student: 0, instructor: 1, owner: 2 };

/** Throws a 403 problem unless the role is the one a route asks for, or more. */
export function refuseBelow(role: Role, { who }: Pick<Route, "who">): void {
  if (who === "anyone" || RANK[role] >= RANK[who]) return;
  throw new ProblemError(
    403,
    "Not yours to do",
    who === "owner" ? "Only the owner of the place may do this." : "Only instructors may do this.",
  );
}

/** True when an account of one role may help an account of another back in: never one of the same rank or above. */
export const ranksAbove = (role: Role, other: Role): boolean => RANK[role] > RANK[other];
