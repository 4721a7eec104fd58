import { writeFileSync } from "node:fs";
import { type Given, loadSystem, type Plan, problemText, run, type Run, runToJson, type System } from "@lodrin/core";
import { readLibrary } from "@lodrin/formats/library";
import { drawPieces, writeDxf, writeSvg } from "@lodrin/formats";
import { writeTiledPdf } from "@lodrin/formats/pdf";
import { type DraftRequest, readArguments, RequestError } from "./arguments.js";
import { writeModel } from "./model.js";
import { readBodies, readSettings, readSystemFile } from "./files.js";

/** Runs `./lodrin draft`: prints to `out`; throws RequestError with one sentence when it cannot. */
export async function draft(words: readonly string[], library: string, out: (line: string) => void): Promise<void> {
  const request = readArguments(words);
  const { source, slug } = readSystemFile(request.system, library);
  const { plan, system, problems } = loadSystem(source, readLibrary(library));
  const [problem] = problems;
  if (problem) throw new RequestError(`${request.system}, ${problemText(problem)}`);
  const { bodies, many } = readBodies(request.measurements);
  const settings = readSettings(request.settings);
  if (many) {
    for (const body of bodies) out(JSON.stringify(oneOfMany(plan, body, settings, slug)));
    return;
  }
  const drafted = draftBody(plan, bodies[0] ?? {}, settings);
  await deliver(request, system, plan, drafted, slug, out);
}

/** A run, or RequestError when an answer cannot be read or is missing. */
function draftBody(plan: Plan, body: Given, settings: Given): Run {
  const drafted = run(plan, body, settings);
  const [problem] = drafted.inputs.problems;
  if (problem) throw new RequestError(`${problem.key}: ${problem.why}`);
  if (drafted.missing.length > 0) throw new RequestError(`This system also needs: ${drafted.missing.join(", ")}.`);
  return drafted;
}

function oneOfMany(plan: Plan, body: Given, settings: Given, slug: string): unknown {
  try {
    return runToJson(plan, draftBody(plan, body, settings), slug);
  } catch (error) {
    if (error instanceof RequestError) return { system: slug, error: error.message };
    throw error;
  }
}

async function deliver(
  request: DraftRequest,
  authored: System,
  plan: Plan,
  drafted: Run,
  slug: string,
  out: (line: string) => void,
): Promise<void> {
  if (request.svg !== undefined) save(request.svg, writeSvg(drawPieces(drafted)), out);
  if (request.dxf !== undefined) save(request.dxf, writeDxf(drafted), out);
  if (request.pdf !== undefined) {
    save(request.pdf, await writeTiledPdf(drawPieces(drafted), request.paper, { title: drafted.title, lines: [] }), out);
  }
  if (request.model !== undefined) save(request.model, writeModel(authored), out);
  if (request.json || [request.svg, request.dxf, request.pdf, request.model].every((file) => file === undefined))
    out(JSON.stringify(runToJson(plan, drafted, slug)));
}

function save(file: string, content: string | Buffer, out: (line: string) => void): void {
  try {
    writeFileSync(file, content);
  } catch (error) {
    throw new RequestError(`${file} cannot be written: ${(error as NodeJS.ErrnoException).code ?? "unknown reason"}.`);
  }
  out(`Written: ${file}`);
}
