import { DONE, liveRoutes, type LiveStep } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { Classroom } from "../access/classroom.js";
import { AccountRow } from "../auth/account.js";
import { callerOf } from "../auth/session.js";
import { nameOfSession, requireSession } from "../auth/session-list.js";
import { mount } from "../http/mount.js";
import { validate } from "../http/validate.js";
import { eventOf, type LiveHub } from "./live-hub.js";

/** How soon a browser whose connection was lost comes again (ms). */
const RETRY_MS = 300;

/** Leading a class live: the teacher goes through the steps, everyone who follows stands at the same one. */
export function livesRoutes(router: Router, knex: Knex, hub: LiveHub): void {
  const room = (accountId: string): Classroom => new Classroom(knex, accountId);

  router.get(liveRoutes.liveEvents.path, async (request, response) => {
    const accountId = callerOf(request, liveRoutes.liveEvents);
    validate(liveRoutes.liveEvents.params, request.params, "path");
    const { id } = (await room(accountId).requireMember(String(request.params["id"]))).row;
    const sid = request.sessionID;
    const access = async (): Promise<{ teaches: boolean }> => {
      await requireSession(knex, sid);
      return room(accountId).requireMember(id);
    };
    response.set({ "content-type": "text/event-stream", "cache-control": "no-store, no-transform", connection: "keep-alive" });
    await hub.watch(id, { response, accountId, session: nameOfSession(sid), access });
    response.flushHeaders();
    // Watched first, read then: a move between the two comes twice and is known by its number.
    const now = `retry: ${RETRY_MS}\n${eventOf({ kind: "step", live: (await stepOf(knex, id)) ?? null })}`;
    if (!response.writableEnded) response.write(now);
  });

  mount(router, liveRoutes.lead, async ({ accountId, params, body }) => {
    const { id } = await room(accountId).requireTeacher(params.id);
    await knex("live_lessons")
      .insert({ classId: id, ...body, move: Math.floor(Date.now() / 1000) })
      .onConflict("class_id")
      .merge({ ...body, move: knex.raw("live_lessons.move + 1"), updatedAt: knex.fn.now() });
    const live = (await stepOf(knex, id)) as LiveStep;
    await hub.publish(id, { kind: "step", live });
    return live;
  });

  mount(router, liveRoutes.endLive, async ({ accountId, params }) => {
    const { id } = await room(accountId).requireTeacher(params.id);
    await knex("live_lessons").where({ classId: id }).delete();
    await hub.publish(id, { kind: "step", live: null });
    return DONE;
  });

  mount(router, liveRoutes.follow, async ({ accountId, params, body }) => {
    const { id } = await room(accountId).requireStudent(params.id);
    const { name } = await AccountRow.query(knex).findById(accountId).select("name").throwIfNotFound();
    await hub.publish(id, { kind: "follower", follower: { accountId, name, ...body } });
    return DONE;
  });
}

async function stepOf(knex: Knex, classId: string): Promise<LiveStep | undefined> {
  return knex("live_lessons").where({ classId }).first<LiveStep | undefined>("slug", "systemVersion", "step", "move");
}
