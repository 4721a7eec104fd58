import { writeFileSync } from "node:fs";
import { loadSystem, problemText, readText as readHandout, type SentenceReading, type TextReading } from "@lodrin/core";
import { RequestError } from "./arguments.js";
import type { Voices } from "./draft.js";
import { libraryFor, readSystemFile, readText } from "./files.js";

const USAGE = "./lodrin read HANDOUT.txt [--into FILE.lodrin] [--unit in|cm] [--json]";

/**
 * Runs `./lodrin read`: a handout in plain sentences, as a system of its own or into one that is there. With `--json` nothing is
 * written. Gives how many sentences were not read; throws RequestError.
 */
export async function read(words: readonly string[], library: string, { out, tell }: Voices): Promise<number> {
  const { handout, into, unit, json } = readWords(words);
  const text = readText(handout);
  const reading = await readInto(text, into, unit, library);
  const open = reading.sentences.filter(({ status }) => status !== "read");
  if (json) out(JSON.stringify({ sentences: reading.sentences.map(sentenceJson), text: reading.loaded.read.source }));
  else {
    for (const sentence of reading.sentences) for (const line of sentenceLines(sentence)) tell(line);
    tell(`${reading.sentences.length - open.length} of ${reading.sentences.length} sentences read.`);
    if (into === undefined) out(reading.loaded.read.source);
    else write(into, reading.loaded.read.source);
    if (into !== undefined) tell(`Added to ${into}.`);
  }
  return open.length;
}

interface ReadRequest {
  readonly handout: string;
  readonly into: string | undefined;
  readonly unit: "in" | "cm" | undefined;
  readonly json: boolean;
}

function readWords(words: readonly string[]): ReadRequest {
  const rest: string[] = [];
  let into: string | undefined;
  let unit: string | undefined;
  for (let i = 0; i < words.length; i++) {
    const word = words[i] as string;
    if (word === "--into" || word === "--unit") {
      const value = words[++i];
      if (value === undefined) throw new RequestError(`${word} needs a word behind it. Use: ${USAGE}`);
      if (word === "--into") into = value;
      else unit = value;
    } else if (word === "--json") continue;
    else if (word.startsWith("--")) throw new RequestError(`There is no option ${word}. Use: ${USAGE}`);
    else rest.push(word);
  }
  const [handout, ...more] = rest;
  if (handout === undefined || more.length > 0) throw new RequestError(`Which handout? Use: ${USAGE}`);
  if (unit !== undefined && unit !== "in" && unit !== "cm") throw new RequestError(`The unit is in or cm, not “${unit}”.`);
  return { handout, into, unit, json: words.includes("--json") };
}

async function readInto(handout: string, into: string | undefined, unit: "in" | "cm" | undefined, library: string): Promise<TextReading> {
  if (into === undefined) return readHandout(handout, { unit });
  const { source, folder } = await readSystemFile(into, library);
  const known = libraryFor(source, library, folder);
  const loaded = loadSystem(source, known);
  const [problem] = loaded.problems;
  if (problem) throw new RequestError(`${into}, ${problemText(problem)}`);
  if (unit !== undefined && unit !== loaded.system.unit)
    throw new RequestError(`${into} is drafted in ${loaded.system.unit === "in" ? "inches" : "centimetres"}. Leave --unit out.`);
  return readHandout(handout, { into: loaded, library: known });
}

function write(file: string, text: string): void {
  if (!file.endsWith(".lodrin")) throw new RequestError(`Only a notation file can be added to, not ${file}. Use --json to see the text.`);
  try {
    writeFileSync(file, text);
  } catch (error) {
    throw new RequestError(`${file} cannot be written: ${(error as NodeJS.ErrnoException).code ?? "unknown reason"}.`);
  }
}

/** What became of a sentence, as plain data. */
export interface SentenceJson {
  readonly sentence: string;
  readonly status: SentenceReading["status"];
  /** The statements that were put in; none of a sentence that was not read. */
  readonly statements: readonly string[];
  readonly leftover: readonly string[];
  /** What is asked, or why it cannot be. */
  readonly said: string;
  readonly offers: readonly string[];
}

function sentenceJson({ sentence, status, readings, leftover, said, offers }: SentenceReading): SentenceJson {
  const texts = readings.map(({ puts }) => puts.map(({ lines }) => lines.join("\n")));
  return {
    sentence,
    status,
    statements: status === "read" ? (texts[0] ?? []) : [],
    leftover: leftover.map(({ text }) => text),
    said,
    offers: status === "ask" && texts.length > 1 ? texts.map((lines) => lines.join(" ;; ")) : offers,
  };
}

function sentenceLines(reading: SentenceReading): string[] {
  const { sentence, status, statements, leftover, said, offers } = sentenceJson(reading);
  if (status === "read") return [sentence, ...statements.map((line) => `  ${line.replace(/\n/g, "\n  ")}`)];
  const left = leftover.length === 0 ? [] : [`  not understood: ${leftover.join(", ")}`];
  return [sentence, `  ${status === "ask" ? "?" : "not read:"} ${said}`, ...left, ...offers.map((offer) => `  perhaps: ${offer}`)];
}
