import { DONE, bodyRoutes, type Person } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { Owned } from "../auth/owned.js";
import { changeVersion } from "../database/versioned.js";
import { mount } from "../http/mount.js";
import { PersonRow } from "./person.js";
import { SetRow } from "./set.js";

/** People and their measurement sets. */
export function peopleRoutes(router: Router, knex: Knex): void {
  const reply = async (id: string): Promise<Person> => {
    const row = await PersonRow.query(knex).findById(id).withGraphFetched("sets").throwIfNotFound();
    return row.toReply();
  };

  mount(router, bodyRoutes.people, async ({ accountId }) => {
    const rows = await PersonRow.query(knex)
      .where({ ownerId: accountId })
      .whereNull("deletedAt")
      .orderBy([{ column: "isSelf", order: "desc" }, "name"])
      .withGraphFetched("sets");
    return rows.map((row) => row.toReply());
  });

  mount(router, bodyRoutes.addPerson, async ({ accountId, body }) => {
    const row = await PersonRow.query(knex).insertAndFetch({ ...body, ownerId: accountId });
    return row.toReply();
  });

  mount(router, bodyRoutes.changePerson, async ({ accountId, params, body }) => {
    const row = await new Owned(knex, accountId).person(params.id);
    const { version, ...patch } = body;
    await changeVersion(row, knex, version, patch, { what: "person", current: () => reply(params.id) });
    return reply(params.id);
  });

  mount(router, bodyRoutes.removePerson, async ({ accountId, params }) => {
    const row = await new Owned(knex, accountId).person(params.id);
    await row.$query(knex).patch({ deletedAt: new Date().toISOString() });
    return DONE;
  });

  mount(router, bodyRoutes.restorePerson, async ({ accountId, params }) => {
    const row = await new Owned(knex, accountId).person(params.id, true);
    await row.$query(knex).patch({ deletedAt: null });
    return reply(params.id);
  });

  mount(router, bodyRoutes.addSet, async ({ accountId, params, body }) => {
    const person = await new Owned(knex, accountId).person(params.id);
    const row = await SetRow.query(knex).insertAndFetch({ ...body, personId: person.id });
    return row.toReply();
  });

  mount(router, bodyRoutes.changeSet, async ({ accountId, params, body }) => {
    const owned = new Owned(knex, accountId);
    const row = await owned.set(params.id);
    const { version, ...patch } = body;
    const current = async (): Promise<ReturnType<SetRow["toReply"]>> => (await owned.set(params.id)).toReply();
    await changeVersion(row, knex, version, { ...patch, updatedAt: new Date().toISOString() }, { what: "measurement set", current });
    return current();
  });

  mount(router, bodyRoutes.copySet, async ({ accountId, params, body }) => {
    const from = await new Owned(knex, accountId).set(params.id);
    const { personId, unit, written, note } = from;
    const row = await SetRow.query(knex).insertAndFetch({ personId, unit, written, note, takenOn: body.takenOn });
    return row.toReply();
  });

  mount(router, bodyRoutes.removeSet, async ({ accountId, params }) => {
    const row = await new Owned(knex, accountId).set(params.id);
    await row.$query(knex).patch({ deletedAt: new Date().toISOString() });
    return DONE;
  });

  mount(router, bodyRoutes.restoreSet, async ({ accountId, params }) => {
    const owned = new Owned(knex, accountId);
    const row = await owned.set(params.id, true);
    await row.$query(knex).patch({ deletedAt: null });
    return (await owned.set(params.id)).toReply();
  });
}
