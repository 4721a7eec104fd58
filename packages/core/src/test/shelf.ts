import { readdirSync, readFileSync } from "node:fs";
import { type LoadedSystem, loadSystem } from "../plan/load.js";

/** Worked by hand outside the project: the points of a whole draft in mm, and its named lengths. */
interface Worked {
  readonly name: string;
  readonly measurements: Record<string, number>;
  readonly settings: Record<string, number | string>;
  readonly points: Record<string, [number, number]>;
  readonly values?: Record<string, number | string>;
}

export interface Shelved extends LoadedSystem {
  readonly slug: string;
  readonly source: string;
  readonly examples: readonly [Worked, ...Worked[]];
}

const SHELF = new URL("../../../../systems/", import.meta.url);
const textOf = (file: string): string => readFileSync(new URL(file, SHELF), "utf8");

/** The notation of every system on the shelf, by its slug. */
export const NOTATIONS: Readonly<Record<string, string>> = Object.fromEntries(
  readdirSync(SHELF)
    .filter((file) => file.endsWith(".lodrin"))
    .map((file) => [file.replace(".lodrin", ""), textOf(file)]),
);

/** Every system on the shelf, loaded, with its worked examples. */
export function readShelf(): Shelved[] {
  return Object.entries(NOTATIONS).map(([slug, source]) => {
    const { examples } = JSON.parse(textOf(`worked/${slug}.json`)) as Pick<Shelved, "examples">;
    return { slug, source, examples, ...loadSystem(source, NOTATIONS) };
  });
}
