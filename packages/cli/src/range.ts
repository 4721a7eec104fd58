import { breaksAt, loadSystem, problemText, rangeRow, type RangeRow } from "@lodrin/core";
import { type ChartSize, readChart } from "@lodrin/formats";
import { readOptions, RequestError } from "./arguments.js";
import type { Voices } from "./draft.js";
import { libraryFor, readSettings, readSystemFile, readText } from "./files.js";

const USAGE = "./lodrin range SYSTEM --sizes CHART.csv [--settings S] [--json]";

/** Runs `./lodrin range`: a system over every size of a chart. Gives how many sizes break; throws RequestError. */
export async function range(words: readonly string[], library: string, { out, tell }: Voices): Promise<number> {
  const { system, sizes, settings, json } = readWords(words);
  const { source, folder } = await readSystemFile(system, library);
  const { plan, problems } = loadSystem(source, libraryFor(source, library, folder));
  if (problems.length > 0) throw new RequestError(problems.map((p) => `${system}, ${problemText(p)}`).join("\n"));
  const set = await readSettings(settings);
  const rows = readSizes(sizes).map((size) =>
    rangeRow(plan, { size: size.name, measurements: size.measurements, unit: plan.system.unit }, set),
  );
  if (json) out(JSON.stringify(rows.map((row) => ({ ...row, failures: row.failures.map(({ says }) => says) }))));
  else for (const row of rows) out(rowText(row));
  const broken = rows.filter(breaksAt);
  if (broken[0] && !json) tell(`The first size that breaks: ${broken[0].size}.`);
  return broken.length;
}

function readWords(words: readonly string[]): { system: string; sizes: string; settings: string | undefined; json: boolean } {
  const { system, options, json } = readOptions(words, USAGE, ["--sizes", "--settings"]);
  const sizes = options.get("--sizes");
  if (sizes === undefined) throw new RequestError(`Use: ${USAGE}`);
  return { system, sizes, settings: options.get("--settings"), json };
}

function readSizes(file: string): readonly ChartSize[] {
  const { sizes, problems } = readChart(readText(file));
  const [problem] = problems;
  if (problem) throw new RequestError(`${file}, line ${problem.line}: ${problem.why} ${problem.fix}`);
  return sizes;
}

function rowText(row: RangeRow): string {
  const { size, missing, failures, doubts, checks } = row;
  if (missing.length > 0) return `${size}: also needs ${missing.join(", ")}`;
  const not = checks.filter((c) => c.status === "fail").map((c) => c.name);
  const look = checks.filter((c) => c.status === "warn").map((c) => c.name);
  const said = [
    ...failures.map(({ says }) => says),
    ...not.map((name) => `does not hold: ${name}`),
    ...look.map((name) => `to look at: ${name}`),
    ...doubts,
  ];
  return `${size}: ${said.length === 0 ? `all ${checks.length} checks hold` : said.join("; ")}`;
}
