import { defaultMark, loadSystem, type Plan, run, type Run, runToJson } from "@lodrin/core";
import { drawBoard, drawPieces, PAPER_KEYS, type PaperKey, pointsCsv, seamsCsv, writeAnswers, writeDxf, writeSvg } from "@lodrin/formats";
import { type PrintFacts, writeHandoutPdf, writeTiledPdf } from "@lodrin/formats/pdf";
import { Type } from "@sinclair/typebox";
import type { Response, Router } from "express";
import type { Knex } from "knex";
import { Owned } from "../auth/owned.js";
import { accountIdOf } from "../auth/session.js";
import { ProblemError } from "../http/problem.js";
import { validate } from "../http/validate.js";
import type { DraftRow } from "./draft.js";

const Params = Type.Object({ id: Type.String({ format: "uuid" }), file: Type.String() });
const Query = Type.Object(
  {
    paper: Type.Optional(Type.Union(PAPER_KEYS.map((key) => Type.Literal(key)))),
    what: Type.Optional(Type.Union([Type.Literal("pieces"), Type.Literal("board")])),
    unit: Type.Optional(Type.Union([Type.Literal("in"), Type.Literal("cm")])),
  },
  { additionalProperties: false },
);

type Wanted = { paper: PaperKey; what: "pieces" | "board"; unit: "in" | "cm" };

/** A file made from a kept draft: its type, and its bytes. */
interface Made {
  readonly plan: Plan;
  readonly drafted: Run;
}

type Maker = (made: Made, row: DraftRow, wanted: Wanted) => Promise<{ type: string; body: Buffer | string }>;

const drawing = ({ plan, drafted }: Made, wanted: Wanted): ReturnType<typeof drawPieces> =>
  wanted.what === "board" ? drawBoard(plan, drafted) : drawPieces(drafted);

const MAKERS: Readonly<Record<string, Maker>> = {
  "pattern.pdf": async (made, row, wanted) => ({
    type: "application/pdf",
    body: await writeTiledPdf(drawing(made, wanted), wanted.paper, factsOf(row)),
  }),
  "handout.pdf": async (made, row, wanted) => ({
    type: "application/pdf",
    body: await writeHandoutPdf(made.plan, made.drafted, factsOf(row), {
      unit: wanted.unit,
      mark: wanted.unit === made.plan.system.unit ? made.plan.system.tape : defaultMark(wanted.unit),
      paper: wanted.paper === "Letter" ? "LETTER" : "A4",
    }),
  }),
  "pattern.svg": (made, _, wanted) => Promise.resolve({ type: "image/svg+xml", body: writeSvg(drawing(made, wanted)) }),
  "pattern.dxf": ({ drafted }) => Promise.resolve({ type: "image/vnd.dxf", body: writeDxf(drafted) }),
  "points.csv": ({ plan, drafted }) => Promise.resolve({ type: "text/csv", body: pointsCsv(plan, drafted) }),
  "seams.csv": ({ drafted }) => Promise.resolve({ type: "text/csv", body: seamsCsv(drafted) }),
  "answers.csv": (_, row) => Promise.resolve({ type: "text/csv", body: writeAnswers(row) }),
  "run.json": ({ plan, drafted }, row) =>
    Promise.resolve({ type: "application/json", body: JSON.stringify(runToJson(plan, drafted, row.system?.slug ?? ""), null, 1) }),
};

/** The files of a kept draft: tiled PDF, handout PDF, SVG, DXF, tables and JSON. */
export function draftFiles(router: Router, knex: Knex): void {
  router.get("/api/drafts/:id/files/:file", async (request, response) => {
    const accountId = accountIdOf(request);
    validate(Params, request.params, "path");
    validate(Query, request.query, "query");
    const maker = Object.hasOwn(MAKERS, request.params.file) ? MAKERS[request.params.file] : undefined;
    if (!maker) throw new ProblemError(404, "No such file", `There are: ${Object.keys(MAKERS).join(", ")}.`);
    const row = await new Owned(knex, accountId).draft(request.params.id);
    const { paper = "A4", what = "pieces", unit = row.unit } = request.query as Partial<Wanted>;
    const { plan } = loadSystem(row.system?.notation ?? "", row.system?.bases);
    const drafted = run(plan, row.measurements, row.settings, row.unit);
    send(response, await maker({ plan, drafted }, row, { paper, what, unit }), `${fileName(row.name)}-${request.params.file}`);
  });
}

function factsOf(row: DraftRow): PrintFacts {
  return {
    title: row.name,
    lines: [row.systemLine, row.personName, `drafted ${new Date(row.updatedAt).toISOString().slice(0, 10)}`].filter((line) => line !== ""),
  };
}

const fileName = (name: string): string =>
  name
    .normalize("NFKD")
    .replace(/[^\w]+/g, "-")
    .replace(/^-|-$/g, "")
    .toLowerCase() || "draft";

function send(response: Response, made: { type: string; body: Buffer | string }, name: string): void {
  response.type(made.type).set("content-disposition", `inline; filename="${name}"`).set("cache-control", "no-store").send(made.body);
}
