import { DONE, bodyRoutes, type Person } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { Owned } from "../access/owned.js";
import { insertOnce } from "../database/insert-once.js";
import { page } from "../database/page.js";
import { changeVersion } from "../database/versioned.js";
import { mount } from "../http/mount.js";
import { mountPaged } from "../http/paged.js";
import { ProblemError } from "../http/problem.js";
import { PersonRow } from "./person.js";
import { SetRow } from "./set.js";

/** People and their measurement sets. */
export function peopleRoutes(router: Router, knex: Knex): void {
  const reply = async (id: string): Promise<Person> => {
    const row = await PersonRow.query(knex).findById(id).withGraphFetched("sets").throwIfNotFound();
    return row.toReply();
  };

  mountPaged(router, bodyRoutes.people, async ({ accountId, after }) => {
    const rows = await page(
      PersonRow.query(knex).whereNull("deletedAt").withGraphFetched("sets"),
      { by: "not is_self, name, id" },
      { owner_id: accountId },
      after,
    );
    return rows.map((row) => ({ key: row.id, item: row.toReply() }));
  });

  mount(router, bodyRoutes.addPerson, async ({ accountId, body }) => {
    const { consent, ...fields } = body;
    if (fields.isChild && !consent) throw askFirst();
    const id = await insertOnce(PersonRow.query(knex), { ...fields, ...agreed(consent), ownerId: accountId });
    await new Owned(knex, accountId).person(id);
    return reply(id);
  });

  mount(router, bodyRoutes.changePerson, async ({ accountId, params, body }) => {
    const { version, consent, ...patch } = body;
    const find = (): Promise<PersonRow> => new Owned(knex, accountId).person(params.id);
    if (patch.isChild && !consent && (await find()).consentAt === null) throw askFirst();
    const change = PersonRow.query(knex)
      .patch({ ...patch, ...agreed(consent), version: version + 1 })
      .where({ id: params.id, ownerId: accountId, version })
      .whereNull("deletedAt")
      .returning("*")
      .first();
    await changeVersion(change, patch, { what: "person", find, reply: () => reply(params.id) });
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
    const owned = new Owned(knex, accountId);
    const person = await owned.person(params.id);
    const id = await insertOnce(SetRow.query(knex), { ...body, personId: person.id });
    return (await owned.set(id)).toReply();
  });

  mount(router, bodyRoutes.changeSet, async ({ accountId, params, body }) => {
    const owned = new Owned(knex, accountId);
    const { version, ...patch } = body;
    const change = SetRow.query(knex)
      .patch({ ...patch, version: version + 1, updatedAt: new Date().toISOString() })
      .where({ id: params.id, version })
      .whereIn("personId", PersonRow.query(knex).select("id").where({ ownerId: accountId }).whereNull("deletedAt"))
      .whereNull("deletedAt")
      .returning("*")
      .first();
    const find = (): Promise<SetRow> => owned.set(params.id);
    const row = await changeVersion(change, patch, { what: "measurement set", find, reply: (now) => now.toReply() });
    return row.toReply();
  });

  mount(router, bodyRoutes.copySet, async ({ accountId, params, body }) => {
    const owned = new Owned(knex, accountId);
    const { personId, unit, written, note } = await owned.set(params.id);
    const id = await insertOnce(SetRow.query(knex), { personId, unit, written, note, ...body });
    return (await owned.set(id)).toReply();
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

const agreed = (consent: true | undefined): { consentAt?: string } => (consent ? { consentAt: new Date().toISOString() } : {});

const askFirst = (): ProblemError =>
  new ProblemError(422, "Ask first", "This is a child: a parent or guardian must agree before any measurement is kept.");
