import { type Cause, loadSystem, problemText, review as judge, type ReviewedReading, tapeText } from "@lodrin/core";
import { readOptions, RequestError } from "./arguments.js";
import { draftBody, type Voices } from "./draft.js";
import { libraryFor, readBodies, readGiven, readSettings, readSystemFile } from "./files.js";

const USAGE = "./lodrin review SYSTEM --measurements M [--settings S] --readings R [--json]";

/** A cause as JSON. Lengths in mm. */
interface CauseJson {
  readonly code: string;
  readonly step?: string;
  readonly says: string;
  readonly would_read: number;
  readonly confidence: number;
  readonly also?: readonly string[];
  readonly decide_by?: string;
}

/** Runs `./lodrin review`: judges what the tape read on a hand draft. Gives how many readings are off; throws RequestError. */
export async function review(words: readonly string[], library: string, { out, tell }: Voices): Promise<number> {
  const { system, options, json } = readOptions(words, USAGE, ["--measurements", "--settings", "--readings"]);
  const measurements = options.get("--measurements");
  const readings = options.get("--readings");
  if (measurements === undefined || readings === undefined) throw new RequestError(`Use: ${USAGE}`);
  const { source, slug, folder } = await readSystemFile(system, library);
  const { plan, problems } = loadSystem(source, libraryFor(source, library, folder));
  if (problems.length > 0) throw new RequestError(problems.map((p) => `${system}, ${problemText(p)}`).join("\n"));
  const { bodies, many } = await readBodies(measurements);
  if (many) throw new RequestError(`${measurements} holds several bodies; a hand draft is of one.`);
  const run = draftBody(plan, bodies[0] ?? {}, await readSettings(options.get("--settings")));
  const judged = judge(plan, run, readGiven(readings));
  for (const { name, why, fix } of judged.readings) if (why !== undefined) tell(`${name}: ${why} ${fix ?? ""}`);
  if (json)
    out(
      JSON.stringify({
        system: slug,
        readings: judged.readings.map((r) => ({
          name: r.name,
          expected: r.expected,
          read: r.read,
          difference: r.difference,
          verdict: r.verdict,
          causes: r.causes.map(causeJson),
          ...(r.affects.length > 0 && { affects: r.affects }),
        })),
        together: judged.together.map(causeJson),
      }),
    );
  else for (const reading of judged.readings) out(readingText(reading, plan.system.unit));
  return judged.readings.filter((r) => r.verdict !== "right").length;
}

const causeJson = ({ code, step, says, wouldRead, confidence, also, decideBy }: Cause): CauseJson => ({
  code,
  ...(step !== undefined && { step }),
  says,
  would_read: wouldRead,
  confidence,
  ...(also.length > 0 && { also }),
  ...(decideBy !== undefined && { decide_by: decideBy }),
});

function readingText({ name, expected, read, verdict, causes, affects }: ReviewedReading, unit: "in" | "cm"): string {
  if (expected === undefined || read === undefined || verdict === "unread") return `${name}: not judged`;
  if (verdict === "right") return `${name}: right, ${tapeText(expected, unit)}`;
  const [first] = causes;
  const affected = affects.length > 0 ? ` This also affects ${affects.join(", ")}.` : "";
  return `${name}: reads ${tapeText(read, unit)}, should be ${tapeText(expected, unit)}. ${first?.says ?? ""}${affected}`;
}
