import type { Knex } from "knex";
import { LRUCache } from "lru-cache";
import type { FileMaker } from "../files/file-maker.js";
import { SystemVersionRow } from "./system-version.js";

const MOST_KNOWN = 500;

/** The steps that versions of systems have, by name. A version never changes: each is compiled once, in a worker, and kept. */
export class StepNames {
  private readonly known = new LRUCache<string, ReadonlySet<string>>({ max: MOST_KNOWN });

  constructor(
    private readonly knex: Knex,
    private readonly files: FileMaker,
  ) {}

  /** The names of a version's steps, by the version's id. Throws ProblemError 503 while too many texts wait to be read. */
  async of(versionId: string): Promise<ReadonlySet<string>> {
    const known = this.known.get(versionId);
    if (known) return known;
    const row = await SystemVersionRow.query(this.knex).findById(versionId).throwIfNotFound();
    const names = row.stepNames ?? (await this.compiled(row));
    const set = new Set(names);
    this.known.set(versionId, set);
    return set;
  }

  private async compiled({ id, notation, bases }: SystemVersionRow): Promise<readonly string[]> {
    const { stepNames } = await this.files.look({ notation, library: bases }, id);
    await SystemVersionRow.query(this.knex)
      .patch({ stepNames: [...stepNames] })
      .where({ id });
    return stepNames;
  }
}
