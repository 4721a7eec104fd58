import { randomUUID } from "node:crypto";
import { isDeepStrictEqual } from "node:util";
import { DONE, type Work, workRoutes } from "@lodrin/contract";
import type { Router } from "express";
import type { Knex } from "knex";
import { Owned } from "../access/owned.js";
import { insertOnce } from "../database/insert-once.js";
import { NEWEST_FIRST, page } from "../database/page.js";
import { changeVersion } from "../database/versioned.js";
import type { FileMaker } from "../files/file-maker.js";
import { mount } from "../http/mount.js";
import { mountPaged } from "../http/paged.js";
import { collision, notFound, ProblemError } from "../http/problem.js";
import { newestVersion, textsFor } from "../systems/library.js";
import { SystemVersionRow } from "../systems/system-version.js";
import { requireDisclosure } from "./disclosure.js";
import { slugFor, titleIn } from "./naming.js";
import { WorkRow } from "./work.js";

/** A hand that has not told of itself for so long is gone. */
const HAND_SECONDS = 15;

/** Systems in work: begin, write, publish as a version, delete and restore. What is published is never changed. */
export function worksRoutes(router: Router, knex: Knex, files: FileMaker): void {
  const find = (accountId: string, id: string): Promise<WorkRow> => new Owned(knex, accountId).work(id);
  const published = async (slug: string): Promise<number> => {
    const [row] = (await knex("system_versions").where({ slug }).max("version as newest")) as { newest: number | null }[];
    return row?.newest ?? 0;
  };
  const reply = async (row: WorkRow): Promise<Work> => row.toReply(await published(row.slug));

  mountPaged(router, workRoutes.works, async ({ accountId, after }) => {
    const rows = await page(WorkRow.query(knex).whereNull("deletedAt"), NEWEST_FIRST, { owner_id: accountId }, after);
    const newest = (await knex("system_versions")
      .whereIn(
        "slug",
        rows.map((row) => row.slug),
      )
      .groupBy("slug")
      .select("slug")
      .max("version as newest")) as { slug: string; newest: number }[];
    return rows.map((row) => {
      const { notation: _, ...rest } = row.toReply(newest.find(({ slug }) => slug === row.slug)?.newest ?? 0);
      return { key: row.id, item: rest };
    });
  });

  mount(router, workRoutes.work, async ({ accountId, params }) => reply(await find(accountId, params.id)));

  mount(router, workRoutes.addWork, async ({ accountId, body }) => {
    const { notation, from } = body;
    if (from && !(await SystemVersionRow.readable(knex, accountId).findOne(from))) throw notFound("system");
    const id = body.id ?? randomUUID();
    const title = titleIn(notation);
    await insertOnce(WorkRow.query(knex), {
      ...{ id, ownerId: accountId, notation, title, slug: slugFor(title, id) },
      ...{ fromSlug: from?.slug ?? null, fromVersion: from?.version ?? null },
    });
    return reply(await find(accountId, id));
  });

  mount(router, workRoutes.changeWork, async ({ accountId, params, body }) => {
    const { version, notation } = body;
    const patch = { notation };
    const change = WorkRow.query(knex)
      .patch({ ...patch, title: titleIn(notation), version: version + 1, updatedAt: new Date().toISOString() })
      .where({ id: params.id, ownerId: accountId, version })
      .whereNull("deletedAt")
      .returning("*")
      .first();
    return reply(await changeVersion(change, patch, { what: "system", find: () => find(accountId, params.id), reply }));
  });

  mount(router, workRoutes.publishWork, async ({ accountId, params, body }) => {
    const row = await find(accountId, params.id);
    // What she saw is what is published: not what another hand has written since.
    if (row.version !== body.version) throw collision("system", await reply(row));
    const library = await textsFor(knex, accountId);
    const { title, garment, bases, problems, stepNames, card, picture } = await files.look({ notation: row.notation, library }, accountId);
    const [problem] = problems;
    if (problem !== undefined) throw new ProblemError(422, "Not ready to be published", `Fix this first: ${problem}`);
    await requireDisclosure(knex, accountId, row.audience, Object.keys(bases), body.discloses);
    const { slug, notation, audience } = row;
    await knex.transaction(async (trx) => {
      // Two at the same moment come one after the other; the second finds it on the shelf, as does one sent again because its answer was lost.
      await trx.raw("select pg_advisory_xact_lock(hashtext(?))", [`publish ${slug}`]);
      const newest = await newestVersion(trx, slug);
      if (newest && !newest.withdrawn && newest.notation === notation && isDeepStrictEqual(newest.bases, bases)) return;
      const fields = {
        slug,
        version: (newest?.version ?? 0) + 1,
        title,
        garment,
        notation,
        bases,
        stepNames: [...stepNames],
        card,
        picture,
      };
      await SystemVersionRow.query(trx).insert({ ...fields, ownerId: accountId, audience, changeNote: body.note.trim() });
    });
    return reply(row);
  });

  mount(router, workRoutes.handInWork, async ({ accountId, params, body }) => {
    await find(accountId, params.id);
    const row = { workId: params.id, hand: body.hand, seenAt: knex.fn.now() };
    if (body.leaves) await knex("work_hands").where({ workId: params.id, hand: body.hand }).delete();
    else await knex("work_hands").insert(row).onConflict(["work_id", "hand"]).merge(["seen_at"]);
    const gone = knex.raw("now() - make_interval(secs => ?)", [HAND_SECONDS]);
    await knex("work_hands").where({ workId: params.id }).where("seenAt", "<", gone).delete();
    const others = await knex("work_hands").where({ workId: params.id }).whereNot({ hand: body.hand }).count("* as many");
    return { others: Number((others[0] as { many: string } | undefined)?.many ?? 0) };
  });

  mount(router, workRoutes.workVersions, async ({ accountId, params }) => {
    const { slug } = await find(accountId, params.id);
    const rows = await SystemVersionRow.query(knex).where({ slug, ownerId: accountId }).orderBy("version", "desc");
    const counts = (await knex("drafts")
      .whereIn(
        "systemVersionId",
        rows.map((row) => row.id),
      )
      .whereNull("deletedAt")
      .groupBy("systemVersionId")
      .select("systemVersionId")
      .count("* as many")) as unknown as { systemVersionId: string; many: string }[];
    return rows.map((row) => ({ ...row.toLine(), drafts: Number(counts.find((c) => c.systemVersionId === row.id)?.many ?? 0) }));
  });

  mount(router, workRoutes.withdrawVersion, async ({ accountId, params, body }) => {
    const { slug } = await find(accountId, params.id);
    const changed = await SystemVersionRow.query(knex)
      .patch(body)
      .where({ slug, ownerId: accountId, version: Number(params.number) });
    if (changed === 0) throw notFound("version of the system");
    return DONE;
  });

  mount(router, workRoutes.placeWork, async ({ accountId, params, body }) => {
    const row = await find(accountId, params.id);
    const published = await SystemVersionRow.query(knex).where({ slug: row.slug, ownerId: accountId, withdrawn: false }).select("bases");
    const bases = published.flatMap((version) => Object.keys(version.bases));
    if (body.audience !== undefined) await requireDisclosure(knex, accountId, body.audience, bases, body.discloses);
    const { audience = row.audience, archived = row.archivedAt !== null } = body;
    await knex.transaction(async (trx) => {
      await row.$query(trx).patch({ audience, archivedAt: archived ? new Date().toISOString() : null });
      await SystemVersionRow.query(trx).patch({ audience }).where({ slug: row.slug, ownerId: accountId });
    });
    return reply(await find(accountId, params.id));
  });

  mount(router, workRoutes.removeWork, async ({ accountId, params }) => {
    const row = await find(accountId, params.id);
    await row.$query(knex).patch({ deletedAt: new Date().toISOString() });
    return DONE;
  });

  mount(router, workRoutes.restoreWork, async ({ accountId, params }) => {
    const row = await new Owned(knex, accountId).work(params.id, true);
    await row.$query(knex).patch({ deletedAt: null });
    return reply(await find(accountId, params.id));
  });
}
