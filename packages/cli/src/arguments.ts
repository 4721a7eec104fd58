import { PAPER_KEYS, type PaperKey } from "@lodrin/formats";

/** What `./lodrin draft` was asked to do. */
export interface DraftRequest {
  readonly system: string;
  readonly measurements: string;
  readonly settings: string | undefined;
  readonly svg: string | undefined;
  readonly dxf: string | undefined;
  readonly pdf: string | undefined;
  /** Where the system itself is written, as JSON. */
  readonly model: string | undefined;
  readonly paper: PaperKey;
  readonly json: boolean;
}

/** A request that cannot be carried out: one clear sentence for stderr. */
export class RequestError extends Error {
  override readonly name = "RequestError";
}

const USAGE =
  "./lodrin draft SYSTEM --measurements m.json [--settings s.json] [--json | --svg FILE | --dxf FILE | --pdf FILE --paper A4 | --model FILE]";

/** Reads the words behind `./lodrin draft`. Throws RequestError. */
export function readArguments(words: readonly string[]): DraftRequest {
  const options = new Map<string, string>();
  let system: string | undefined;
  let json = false;
  for (let i = 0; i < words.length; i++) {
    const word = words[i] as string;
    if (word === "--json") json = true;
    else if (["--measurements", "--settings", "--svg", "--dxf", "--pdf", "--paper", "--model"].includes(word)) {
      const value = words[++i];
      if (value === undefined || value.startsWith("--"))
        throw new RequestError(`${word} needs a ${word === "--paper" ? "paper" : "file"} behind it. Use: ${USAGE}`);
      options.set(word, value);
    } else if (word.startsWith("-")) throw new RequestError(`There is no option ${word}. Use: ${USAGE}`);
    else if (system === undefined) system = word;
    else throw new RequestError(`“${word}” is one word too many. Use: ${USAGE}`);
  }
  if (system === undefined) throw new RequestError(`Which system? Use: ${USAGE}`);
  const measurements = options.get("--measurements");
  if (measurements === undefined)
    throw new RequestError(`Whose measurements? Name a JSON or CSV file behind --measurements. Use: ${USAGE}`);
  const paper = PAPER_KEYS.find((key) => key.toLowerCase() === (options.get("--paper") ?? "A4").toLowerCase());
  if (!paper) throw new RequestError(`There is no paper “${options.get("--paper")}”. There are: ${PAPER_KEYS.join(", ")}.`);
  const [settings, svg, dxf, pdf, model] = ["--settings", "--svg", "--dxf", "--pdf", "--model"].map((word) => options.get(word));
  return { system, measurements, settings, svg, dxf, pdf, model, paper, json };
}

/** The words behind a command: the system, its options with the file behind each, and whether JSON is asked for. Throws RequestError. */
export function readOptions(
  words: readonly string[],
  usage: string,
  named: readonly string[],
): { readonly system: string; readonly options: ReadonlyMap<string, string>; readonly json: boolean } {
  const options = new Map<string, string>();
  const rest: string[] = [];
  for (let i = 0; i < words.length; i++) {
    const word = words[i] as string;
    if (named.includes(word)) {
      const value = words[++i];
      if (value === undefined) throw new RequestError(`${word} needs a file behind it. Use: ${usage}`);
      options.set(word, value);
    } else if (word !== "--json") rest.push(word);
  }
  const [system, ...more] = rest;
  if (system === undefined || more.length > 0) throw new RequestError(`Use: ${usage}`);
  return { system, options, json: words.includes("--json") };
}
