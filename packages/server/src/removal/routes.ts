import { type DeletableKind, type DeletedThing, DONE, placeRoutes } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { DAYS_KEPT } from "../database/purge.js";
import { mount } from "../http/mount.js";
import { notFound } from "../http/problem.js";
import { erasePerson } from "../people/erase.js";
import { KINDS } from "./kinds.js";

interface Thing {
  readonly kind: DeletableKind;
  readonly id: string;
  readonly title: string;
  readonly deletedAt: Date | null;
}

const MOST_SHOWN = 300;
const A_DAY_MS = 86_400_000;
const untilFrom = (moment: Date): string => new Date(moment.getTime() + DAYS_KEPT * A_DAY_MS).toISOString();

const ALL_MINE = Object.entries(KINDS)
  .map(([kind, { mine }]) => `select '${kind}' as kind, id::text, title, deleted_at as "deletedAt" from (${mine}) m`)
  .join(" union all ");

/** What depends on a thing before it is deleted, what was deleted, and deleting it for good. */
export function removalRoutes(router: Router, knex: Knex): void {
  const find = async (accountId: string, kind: DeletableKind, id: string): Promise<Thing> => {
    const sql = `select * from (${ALL_MINE}) t where kind = :kind and id = :id`;
    const { rows } = (await knex.raw(sql, { me: accountId, kind, id })) as { rows: Thing[] };
    const [thing] = rows;
    if (!thing) throw notFound(kind === "set" ? "measurement set" : kind);
    return thing;
  };

  mount(router, placeRoutes.dependents, async ({ accountId, params: { kind, id } }) => {
    const { deletedAt } = await find(accountId, kind, id);
    const counts = await Promise.all(
      KINDS[kind].dependents.map(async ({ one, many, count }) => {
        const { rows } = (await knex.raw(count, { id })) as { rows: { n: number }[] };
        return { one, many, count: rows[0]?.n ?? 0 };
      }),
    );
    return { counts: counts.filter((c) => c.count > 0), until: untilFrom(deletedAt ?? new Date()) };
  });

  mount(router, placeRoutes.deleted, async ({ accountId }): Promise<DeletedThing[]> => {
    const sql = `select * from (${ALL_MINE}) t where "deletedAt" is not null order by "deletedAt" desc limit ${MOST_SHOWN}`;
    const { rows } = (await knex.raw(sql, { me: accountId })) as { rows: (Thing & { deletedAt: Date })[] };
    return rows.map(({ deletedAt, ...thing }) => ({ ...thing, deletedAt: deletedAt.toISOString(), until: untilFrom(deletedAt) }));
  });

  mount(router, placeRoutes.eraseDeleted, async ({ accountId, params: { kind, id } }) => {
    const thing = await find(accountId, kind, id);
    // For good is the second act: nothing that is still in use is erased.
    if (thing.deletedAt === null) throw notFound(`deleted ${kind === "set" ? "measurement set" : kind}`);
    if (kind === "person") await erasePerson(knex, id);
    else await knex(KINDS[kind].table).where({ id }).delete();
    return DONE;
  });
}
