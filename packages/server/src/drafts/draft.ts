import type { Draft } from "@lodrin/contract";
import { Model } from "objection";
import { isoMoment } from "../database/base-model.js";
import { VersionedModel } from "../database/versioned.js";
import { SystemVersionRow } from "../systems/system-version.js";

/** A kept draft: a snapshot of the body and the settings, bound to one version of a system. */
export class DraftRow extends VersionedModel {
  static override readonly tableName = "drafts";
  static override readonly jsonAttributes = ["measurements", "settings"];
  static override readonly relationMappings = {
    system: {
      relation: Model.BelongsToOneRelation,
      modelClass: SystemVersionRow,
      join: { from: "drafts.systemVersionId", to: "system_versions.id" },
    },
  };
  declare ownerId: string;
  declare systemVersionId: string;
  declare personId: string | null;
  declare setId: string | null;
  declare name: string;
  declare note: string;
  declare personName: string;
  declare unit: "in" | "cm";
  declare measurements: Record<string, string>;
  declare settings: Record<string, string>;
  declare step: number;
  declare createdAt: string;
  declare updatedAt: string;
  declare deletedAt: string | null;
  declare system?: SystemVersionRow;

  /** The system and its version in one line, for printed pages. */
  get systemLine(): string {
    return this.system ? `${this.system.title}, version ${this.system.version}` : "";
  }

  /** The system must have been fetched with it. */
  toReply(): Draft {
    const { id, name, note, personId, personName, setId, unit, measurements, settings, step, version } = this;
    return {
      ...{ id, name, note, personId, personName, setId, unit, measurements, settings, step, version },
      slug: this.system?.slug ?? "",
      systemVersion: this.system?.version ?? 1,
      systemTitle: this.system?.title ?? "",
      createdAt: isoMoment(this.createdAt),
      updatedAt: isoMoment(this.updatedAt),
    };
  }
}
