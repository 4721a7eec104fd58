import { isDeepStrictEqual } from "node:util";
import { basesOf, type Library } from "@lodrin/core";
import { readLibrary } from "@lodrin/formats/library";
import type { Knex } from "knex";
import { lookThrough } from "../files/look-through.js";
import { SystemVersionRow } from "./system-version.js";

/**
 * Brings the shelf up to the library's files: a text that differs from the newest stored version, or builds on another
 * that does, becomes the next version; drafts made with older ones keep theirs. Throws when a library file has a problem.
 */
export async function loadLibrary(knex: Knex, folder: string): Promise<void> {
  const library = readLibrary(folder);
  for (const [slug, notation] of Object.entries(library)) await seed(knex, slug, notation, basesOf(notation, library));
}

async function seed(knex: Knex, slug: string, notation: string, bases: Library): Promise<void> {
  const newest = await newestVersion(knex, slug);
  // What stands on the shelf already was looked through when it was put there.
  if (newest?.notation === notation && isDeepStrictEqual(newest.bases, bases)) return;
  const { title, garment, problems, stepNames, card, picture } = lookThrough({ notation, library: bases });
  const [problem] = problems;
  if (problem) throw new Error(`The library system ${slug} has a problem at ${problem}`);
  // Two processes may stock at once: the second finds the version taken and leaves it.
  await SystemVersionRow.query(knex)
    .insert({ slug, version: (newest?.version ?? 0) + 1, title, garment, notation, bases, stepNames: [...stepNames], card, picture })
    .onConflict(["slug", "version"])
    .ignore();
}

/**
 * The notation of every system an account may build on, by slug: the newest of each on its own shelf, and what those build on,
 * as it was published with them.
 */
export async function textsFor(knex: Knex, accountId: string): Promise<Library> {
  const rows = await SystemVersionRow.onShelf(knex, accountId)
    .clearSelect()
    .distinctOn("slug")
    .orderBy([{ column: "slug" }, { column: "version", order: "desc" }])
    .select("slug", "notation", "bases");
  const texts = rows.map(({ slug, notation }) => [slug, notation] as const);
  return Object.fromEntries([...rows.flatMap(({ bases }) => Object.entries(bases)), ...texts]);
}

/** The newest version an account may begin a draft with, if there is one. */
export async function openVersion(knex: Knex, slug: string, accountId: string): Promise<SystemVersionRow | undefined> {
  return SystemVersionRow.onShelf(knex, accountId).where({ slug }).orderBy("version", "desc").first();
}

/** The newest version of a system, if there is one. */
export async function newestVersion(knex: Knex, slug: string): Promise<SystemVersionRow | undefined> {
  return SystemVersionRow.query(knex).where({ slug }).orderBy("version", "desc").first();
}
