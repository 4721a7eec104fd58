import { accountRoutes } from "@lodrin/contract";
import type { RequestHandler, Router } from "express";
import type { Knex } from "knex";
import { signedInAccount } from "../auth/account.js";
import { mount } from "../http/mount.js";
import type { Usage } from "./usage.js";

/** How much space an account, and for its owner the place, has left. */
export function storageRoutes(router: Router, knex: Knex, usage: Usage): void {
  mount(router, accountRoutes.storage, async ({ accountId }) => {
    const { role } = await signedInAccount(knex, accountId);
    const account = { used: await usage.ofAccount(accountId), most: usage.quota.account };
    return { account, place: role === "owner" ? { used: await usage.ofPlace(), most: usage.quota.place } : null };
  });
}

/** Refuses what would go beyond the space of who sends it. What takes away is always let through. */
export const withinSpace =
  (usage: Usage): RequestHandler =>
  async (request, _, next) => {
    const { accountId } = request.session;
    const adds = request.method === "POST" || request.method === "PATCH";
    if (accountId !== undefined && adds) await usage.count(accountId, Number(request.get("content-length")) || 0);
    next();
  };
