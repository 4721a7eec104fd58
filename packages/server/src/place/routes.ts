import { placeRoutes } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { AccountRow } from "../auth/account.js";
import { DEMO_LOGINS } from "../demo/load.js";
import { mount } from "../http/mount.js";

/** What anyone may know of a place before signing in: whether it writes letters, and in the demo with which logins to look round. */
export function placeRoutesOf(router: Router, knex: Knex, place: { readonly demo: boolean; readonly sendsMail: boolean }): void {
  mount(router, placeRoutes.place, async () => {
    const { demo, sendsMail } = place;
    if (!demo) return { sendsMail, logins: [] };
    const here = await AccountRow.query(knex)
      .select("email")
      .whereIn(
        "email",
        DEMO_LOGINS.map(({ email }) => email),
      );
    return { sendsMail, logins: DEMO_LOGINS.filter(({ email }) => here.some((account) => account.email === email)) };
  });
}
