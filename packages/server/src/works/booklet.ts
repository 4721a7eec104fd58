import { type BodyOf, workRoutes } from "@lodrin/contract";
import { basesOf } from "@lodrin/core";
import type { Router } from "express";
import type { Knex } from "knex";
import { Owned } from "../access/owned.js";
import { callerOf } from "../auth/session.js";
import type { FileMaker } from "../files/file-maker.js";
import { endOf } from "../http/end-of.js";
import { validate } from "../http/validate.js";
import { textsFor } from "../systems/library.js";

/** The booklet of a system in work: the text as it is saved, drawn on the body that was chosen. */
export function bookletRoute(router: Router, knex: Knex, files: FileMaker): void {
  router.post(workRoutes.booklet.path, async (request, response) => {
    const accountId = callerOf(request, workRoutes.booklet);
    validate(workRoutes.booklet.params, request.params, "path");
    validate(workRoutes.booklet.body, request.body, "body");
    const { unit, paper, rules, name, measurements, writtenIn, ticket } = request.body as BodyOf<typeof workRoutes.booklet>;
    const row = await new Owned(knex, accountId).work((request.params as { id: string }).id);
    const made = await files.make(
      {
        file: "booklet.pdf",
        wanted: { paper, what: "pieces", unit, rules },
        // A text in work changes: its plan is kept by the change it is at.
        systemVersionId: `work ${row.id} ${row.version}`,
        ...{ slug: row.slug, notation: row.notation, bases: { ...basesOf(row.notation, await textsFor(knex, accountId)) } },
        ...{ unit: writtenIn, measurements, settings: {} },
        ...{ title: row.title, lines: [rules ? "Formulas as rules" : `Sums for ${name}`] },
      },
      { accountId, ticket, signal: endOf(response) },
    );
    response.type("application/pdf").set("cache-control", "no-store").set("content-disposition", 'inline; filename="booklet.pdf"');
    response.send(typeof made === "string" ? made : Buffer.from(made));
  });
}
