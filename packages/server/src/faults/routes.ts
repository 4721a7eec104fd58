import { DONE, placeRoutes } from "@lodrin/contract";
import type { Router } from "express";
import type { Logger } from "pino";
import { addressOf } from "../auth/account.js";
import type { Attempts } from "../auth/attempts.js";
import { mount } from "../http/mount.js";

/** Faults that browsers report: kept in the log under the id that their users were shown. */
export function faultsRoutes(router: Router, log: Logger, attempts: Attempts): void {
  mount(router, placeRoutes.fault, async ({ body: { id, what, where, stack }, request }) => {
    await attempts.fault(addressOf(request));
    log.error({ fault: id, what, where, stack }, "a browser reported a fault");
    return DONE;
  });
}
