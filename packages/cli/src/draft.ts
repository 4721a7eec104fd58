import { writeFileSync } from "node:fs";
import { failuresOf, type Given, loadSystem, type Plan, problemText, run, type Run, runToJson, type System } from "@lodrin/core";
import { DrawingTooLarge, drawPieces, writeDxf, writeSvg } from "@lodrin/formats";
import { type DraftRequest, readArguments, RequestError } from "./arguments.js";
import { libraryFor, readBodies, readSettings, readSystemFile } from "./files.js";

/** Where things are said: what was asked for goes out, all else is told beside it. */
export interface Voices {
  readonly out: (line: string) => void;
  readonly tell: (line: string) => void;
}

/** Runs `./lodrin draft`. Gives how many steps, pieces and shapings could not be done; throws RequestError with one sentence when it cannot at all. */
export async function draft(words: readonly string[], library: string, voices: Voices): Promise<number> {
  const request = readArguments(words);
  const { source, slug, folder } = await readSystemFile(request.system, library);
  const { plan, system, problems } = loadSystem(source, libraryFor(source, library, folder));
  if (problems.length > 0) throw new RequestError(problems.map((p) => `${request.system}, ${problemText(p)}`).join("\n"));
  const { bodies, many } = await readBodies(request.measurements);
  const settings = await readSettings(request.settings);
  if (many) {
    let failures = 0;
    bodies.forEach((body, i) => {
      const made = oneOfMany(plan, body, settings, slug);
      failures += told(plan, made.run, voices, `body ${i + 1}, `);
      voices.out(JSON.stringify(made.json));
    });
    return failures;
  }
  const drafted = draftBody(plan, bodies[0] ?? {}, settings);
  const failures = told(plan, drafted, voices);
  await deliver(request, system, plan, drafted, slug, voices);
  return failures;
}

/** Tells what could not be done and what is doubted, a line each; gives the number of failures. */
function told(plan: Plan, drafted: Run | undefined, { tell }: Voices, where = ""): number {
  if (!drafted) return 1;
  const failures = failuresOf(plan, drafted).map(({ says }) => says);
  for (const failure of failures) tell(`${where}${failure}`);
  for (const { text } of drafted.warnings) tell(`${where}doubt: ${text}`);
  return failures.length;
}

/** A run, or RequestError when an answer cannot be read or is missing. */
export function draftBody(plan: Plan, body: Given, settings: Given): Run {
  const drafted = run(plan, body, settings);
  const [problem] = drafted.inputs.problems;
  if (problem) throw new RequestError(`${problem.key}: ${problem.why}`);
  if (drafted.missing.length > 0) throw new RequestError(`This system also needs: ${drafted.missing.join(", ")}.`);
  return drafted;
}

function oneOfMany(plan: Plan, body: Given, settings: Given, slug: string): { json: unknown; run: Run | undefined } {
  try {
    const drafted = draftBody(plan, body, settings);
    return { json: runToJson(plan, drafted, slug), run: drafted };
  } catch (error) {
    if (error instanceof RequestError) return { json: { system: slug, error: error.message }, run: undefined };
    throw error;
  }
}

async function deliver(request: DraftRequest, authored: System, plan: Plan, drafted: Run, slug: string, voices: Voices): Promise<void> {
  if (request.svg !== undefined) save(request.svg, writeSvg(drawPieces(drafted)), voices);
  if (request.dxf !== undefined) save(request.dxf, writeDxf(drafted), voices);
  if (request.pdf !== undefined) save(request.pdf, await pdfOf(drafted, request), voices);
  if (request.model !== undefined) save(request.model, `${JSON.stringify(authored, null, 2)}\n`, voices);
  if (request.json || [request.svg, request.dxf, request.pdf, request.model].every((file) => file === undefined))
    voices.out(JSON.stringify(runToJson(plan, drafted, slug)));
}

async function pdfOf(drafted: Run, { paper }: DraftRequest): Promise<Buffer> {
  const { writeTiledPdf } = await import("@lodrin/formats/pdf");
  try {
    return await writeTiledPdf(drawPieces(drafted), paper, { title: drafted.title, lines: [] });
  } catch (error) {
    if (error instanceof DrawingTooLarge) throw new RequestError(error.message);
    throw error;
  }
}

function save(file: string, content: string | Buffer, { tell }: Voices): void {
  try {
    writeFileSync(file, content);
  } catch (error) {
    throw new RequestError(`${file} cannot be written: ${(error as NodeJS.ErrnoException).code ?? "unknown reason"}.`);
  }
  tell(`Written: ${file}`);
}
