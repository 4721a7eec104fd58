import type { Audience, Work } from "@lodrin/contract";
import { isoMoment } from "../database/base-model.js";
import { VersionedModel } from "../database/versioned.js";

/** A system in work: its text, and what it was copied from. */
export class WorkRow extends VersionedModel {
  static override readonly tableName = "works";
  declare ownerId: string;
  declare slug: string;
  declare title: string;
  declare notation: string;
  declare fromSlug: string | null;
  declare fromVersion: number | null;
  declare audience: Audience;
  declare archivedAt: string | null;
  declare updatedAt: string;
  declare deletedAt: string | null;

  /** What the client sees; `published` is the newest version on the shelf. */
  toReply(published: number): Work {
    const { id, slug, title, notation, fromSlug, fromVersion, version, audience } = this;
    const from = fromSlug === null || fromVersion === null ? null : { slug: fromSlug, version: fromVersion };
    const archived = this.archivedAt !== null;
    return { id, slug, title, notation, from, published, audience, archived, version, updatedAt: isoMoment(this.updatedAt) };
  }
}
