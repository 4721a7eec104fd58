import { PAPER_KEYS, type Wanted } from "@lodrin/formats";
import { FORMATS, type PrintFacts } from "@lodrin/formats/pdf";
import { draftRoutes, type ParamsOf, placeRoutes } from "@lodrin/contract";
import { Type } from "@sinclair/typebox";
import type { Response, Router } from "express";
import type { Knex } from "knex";
import { Owned } from "../access/owned.js";
import { callerOf } from "../auth/session.js";
import { endOf } from "../http/end-of.js";
import { mount } from "../http/mount.js";
import { ProblemError } from "../http/problem.js";
import { validate } from "../http/validate.js";
import type { FileMaker } from "../files/file-maker.js";
import { SystemVersionRow } from "../systems/system-version.js";
import type { DraftRow } from "./draft.js";

const Query = Type.Object(
  {
    paper: Type.Optional(Type.Union(PAPER_KEYS.map((key) => Type.Literal(key)))),
    what: Type.Optional(Type.Union([Type.Literal("pieces"), Type.Literal("board"), Type.Literal("square")])),
    unit: Type.Optional(Type.Union([Type.Literal("in"), Type.Literal("cm")])),
    /** Keys of pieces, with commas between; all without it. */
    pieces: Type.Optional(Type.String({ pattern: "^\\w+(,\\w+)*$", maxLength: 2_000 })),
    /** By which its place in the queue is asked for. */
    ticket: Type.Optional(Type.String({ format: "uuid" })),
  },
  { additionalProperties: false },
);

type Asked = Partial<Omit<Wanted, "pieces"> & { pieces: string; ticket: string }>;

/** The files of a kept draft: tiled PDF, handout PDF, SVG, DXF, tables and JSON. */
export function draftFiles(router: Router, knex: Knex, files: FileMaker): void {
  router.get(draftRoutes.draftFile.path, async (request, response) => {
    const accountId = callerOf(request, draftRoutes.draftFile);
    validate(draftRoutes.draftFile.params, request.params, "path");
    const { id, file } = request.params as ParamsOf<typeof draftRoutes.draftFile>;
    validate(Query, request.query, "query");
    const format = FORMATS.find((f) => f.file === file);
    if (!format) throw new ProblemError(404, "No such file", `There are: ${FORMATS.map((f) => f.file).join(", ")}.`);
    const row = await new Owned(knex, accountId).draft(id);
    const system = await SystemVersionRow.query(knex).findById(row.systemVersionId).throwIfNotFound();
    const { paper = "A4", what = "pieces", unit = row.unit, pieces, ticket } = request.query as Asked;
    const asked = {
      file: format.file,
      wanted: { paper, what, unit, pieces: pieces?.split(",") },
      systemVersionId: row.systemVersionId,
      ...{ slug: system.slug, notation: system.notation, bases: system.bases },
      ...{ unit: row.unit, measurements: row.measurements, settings: row.settings },
      ...factsOf(row, system),
    };
    const body = await files.make(asked, { accountId, ticket, signal: endOf(response) });
    send(response, format.type, body, `${fileName(row.name)}-${format.file}`);
  });
}

/** How many files are made before one that waits. */
export function filePlaceRoute(router: Router, files: FileMaker): void {
  mount(router, placeRoutes.filePlace, async ({ accountId, params }) => ({ ahead: await files.ahead(params.id, accountId) }));
}

function factsOf(row: DraftRow, system: SystemVersionRow): PrintFacts {
  return {
    title: row.name,
    lines: [
      `${system.title}, version ${system.version}`,
      row.personName,
      `drafted ${new Date(row.updatedAt).toISOString().slice(0, 10)}`,
    ].filter((line) => line !== ""),
  };
}

const fileName = (name: string): string =>
  name
    .normalize("NFKD")
    .replace(/[^\w]+/g, "-")
    .replace(/^-|-$/g, "")
    .toLowerCase() || "draft";

function send(response: Response, type: string, body: string | Uint8Array, name: string): void {
  response.type(type).set("content-disposition", `inline; filename="${name}"`).set("cache-control", "no-store");
  response.send(typeof body === "string" ? body : Buffer.from(body));
}
