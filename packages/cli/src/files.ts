import { existsSync, readFileSync } from "node:fs";
import { basename, join } from "node:path";
import type { Given } from "@lodrin/core";
import { readAnswers } from "@lodrin/formats";
import { readLibrary } from "@lodrin/formats/library";
import { RequestError } from "./arguments.js";
import { notationOfModel } from "./model.js";

/** The text of a library system (by its slug), of a notation file or of a system kept as JSON, and what it is called. Throws RequestError. */
export function readSystemFile(name: string, library: string): { source: string; slug: string } {
  const inLibrary = join(library, `${name}.lodrin`);
  if (/^[\w-]+$/.test(name) && existsSync(inLibrary)) return { source: readFileSync(inLibrary, "utf8"), slug: name };
  if (existsSync(name) && /\.json$/i.test(name))
    return { source: notationOfModel(readJson(name), name), slug: basename(name).replace(/\.json$/i, "") };
  if (existsSync(name)) return { source: readFileSync(name, "utf8"), slug: basename(name).replace(/\.lodrin$/, "") };
  throw new RequestError(
    `There is no system “${name}” in the library and no such file. The library has: ${Object.keys(readLibrary(library)).join(", ")}.`,
  );
}

/** Bodies from a JSON file (one object, or an array of them) or a CSV file (one body). Throws RequestError. */
export function readBodies(file: string): { bodies: Given[]; many: boolean } {
  if (isCsv(file)) return { bodies: [readCsv(file).measurements], many: false };
  const value = readJson(file);
  if (Array.isArray(value)) return { bodies: value.map((v, i) => given(v, `${file}, body ${i + 1}`)), many: true };
  return { bodies: [given(value, file)], many: false };
}

/** Settings from a JSON or CSV file. Throws RequestError. */
export function readSettings(file: string | undefined): Given {
  if (file === undefined) return {};
  return isCsv(file) ? readCsv(file).settings : given(readJson(file), file);
}

const isCsv = (file: string): boolean => /\.csv$/i.test(file);

function readCsv(file: string): { measurements: Given; settings: Given } {
  const { answers, problems } = readAnswers(readText(file));
  const [problem] = problems;
  if (problem) throw new RequestError(`${file}, line ${problem.line}: ${problem.why} ${problem.fix}`);
  return answers;
}

function readText(file: string): string {
  try {
    return readFileSync(file, "utf8");
  } catch {
    throw new RequestError(`The file ${file} cannot be read.`);
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
