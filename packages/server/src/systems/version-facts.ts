import type { SystemCard } from "@lodrin/contract";
import type { Knex } from "knex";
import { LRUCache } from "lru-cache";
import type { FileMaker } from "../files/file-maker.js";
import { SystemVersionRow } from "./system-version.js";

/** What is worked out once of a version of a system. */
export interface VersionFacts {
  /** Its steps as a handout names them. */
  readonly stepNames: ReadonlySet<string>;
  readonly card: SystemCard;
  /** Its pieces, as SVG. */
  readonly picture: string;
}

const MOST_KNOWN = 500;

/** What versions of systems say of themselves. A version never changes: each is compiled once, in a worker, and what it says is kept with it. */
export class FactsKeeper {
  private readonly known = new LRUCache<string, VersionFacts>({ max: MOST_KNOWN });

  constructor(
    private readonly knex: Knex,
    private readonly files: FileMaker,
  ) {}

  /** By the version's id. Throws ProblemError 503 while too many texts wait to be read. */
  async of(versionId: string): Promise<VersionFacts> {
    const known = this.known.get(versionId);
    if (known) return known;
    const row = await SystemVersionRow.query(this.knex).findById(versionId).throwIfNotFound();
    const { stepNames, card, picture } = row;
    const facts = stepNames && card && picture !== null ? { stepNames, card, picture } : await this.compiled(row);
    const kept = { ...facts, stepNames: new Set(facts.stepNames) };
    this.known.set(versionId, kept);
    return kept;
  }

  private async compiled({ id, notation, bases }: SystemVersionRow): Promise<{ stepNames: string[]; card: SystemCard; picture: string }> {
    const { stepNames, card, picture } = await this.files.look({ notation, library: bases }, id);
    const facts = { stepNames: [...stepNames], card, picture };
    await SystemVersionRow.query(this.knex).patch(facts).where({ id });
    return facts;
  }
}
