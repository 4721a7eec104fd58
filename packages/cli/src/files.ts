import { existsSync, readFileSync, statSync } from "node:fs";
import { basename, dirname, join } from "node:path";
import { type Given, type Library, usedIn } from "@lodrin/core";
import { readLibrary } from "@lodrin/formats/library";
import { RequestError } from "./arguments.js";

/**
 * The text of a library system (by its slug), of a notation file or of a system kept as JSON, what it is called, and the
 * folder it lies in, whose other systems it may build on. Throws RequestError.
 */
export async function readSystemFile(name: string, library: string): Promise<{ source: string; slug: string; folder: string }> {
  const inLibrary = join(library, `${name}.lodrin`);
  if (/^[\w-]+$/.test(name) && existsSync(inLibrary)) return { source: readText(inLibrary), slug: name, folder: library };
  if (!existsSync(name))
    throw new RequestError(
      `There is no system “${name}” in the library and no such file. The library has: ${Object.keys(readLibrary(library)).join(", ")}.`,
    );
  const folder = dirname(name);
  if (/\.json$/i.test(name)) {
    const { notationOfModel } = await import("./model.js");
    return { source: notationOfModel(readJson(name), name), slug: basename(name).replace(/\.json$/i, ""), folder };
  }
  return { source: readText(name), slug: basename(name).replace(/\.lodrin$/, ""), folder };
}

/** The systems a text may build on: those of the library, and those that lie beside it, which come first. */
export function libraryFor(source: string, library: string, folder: string): Library {
  const found: Record<string, string> = { ...readLibrary(library) };
  const gather = (text: string): void => {
    for (const base of usedIn(text)) {
      const beside = join(folder, `${base}.lodrin`);
      if (!existsSync(beside) || found[base] === (found[base] = readText(beside))) continue;
      gather(found[base]);
    }
  };
  gather(source);
  return found;
}

/** Bodies from a JSON file (one object, or an array of them) or a CSV file (one body). Throws RequestError. */
export async function readBodies(file: string): Promise<{ bodies: Given[]; many: boolean }> {
  if (isCsv(file)) return { bodies: [(await readCsv(file)).measurements], many: false };
  const value = readJson(file);
  if (Array.isArray(value)) return { bodies: value.map((v, i) => given(v, `${file}, body ${i + 1}`)), many: true };
  return { bodies: [given(value, file)], many: false };
}

/** Settings from a JSON or CSV file. Throws RequestError. */
export async function readSettings(file: string | undefined): Promise<Given> {
  if (file === undefined) return {};
  return isCsv(file) ? (await readCsv(file)).settings : given(readJson(file), file);
}

/** Readings of a hand draft, or anything else given by name, from a JSON file. Throws RequestError. */
export const readGiven = (file: string): Given => given(readJson(file), file);

const isCsv = (file: string): boolean => /\.csv$/i.test(file);

async function readCsv(file: string): Promise<{ measurements: Given; settings: Given }> {
  const { readAnswers } = await import("@lodrin/formats");
  const { answers, problems } = readAnswers(readText(file));
  const [problem] = problems;
  if (problem) throw new RequestError(`${file}, line ${problem.line}: ${problem.why} ${problem.fix}`);
  return answers;
}

/** The text of a file. Throws RequestError for a folder, for a file that is not there, and for one that is not written in UTF-8. */
export function readText(file: string): string {
  let bytes: Buffer;
  try {
    if (statSync(file).isDirectory()) throw new RequestError(`${file} is a folder. Name the file in it.`);
    bytes = readFileSync(file);
  } catch (error) {
    if (error instanceof RequestError) throw error;
    throw new RequestError(`The file ${file} cannot be read.`);
  }
  if ((bytes[0] === 0xff && bytes[1] === 0xfe) || (bytes[0] === 0xfe && bytes[1] === 0xff))
    throw new RequestError(`${file} is written in UTF-16. Save it as UTF-8 text.`);
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch (error) {
    if (!(error instanceof TypeError)) throw error;
    throw new RequestError(`${file} is not written in UTF-8 (perhaps in an older encoding, like Latin-1). Save it as UTF-8 text.`);
  }
}

function readJson(file: string): unknown {
  const text = readText(file);
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new RequestError(`${file} is not JSON: ${(error as Error).message}.`);
  }
}

function given(value: unknown, where: string): Given {
  if (typeof value !== "object" || value === null || Array.isArray(value))
    throw new RequestError(`${where} should be an object like {"chest": "40 1/2"}.`);
  for (const [key, answer] of Object.entries(value)) {
    if (typeof answer !== "string" && typeof answer !== "number")
      throw new RequestError(`${where}: ${key} should be a tape string or a number.`);
  }
  return value as Given;
}
