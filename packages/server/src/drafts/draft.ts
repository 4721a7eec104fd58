import type { Draft } from "@lodrin/contract";
import { isoMoment } from "../database/base-model.js";
import { VersionedModel } from "../database/versioned.js";
import type { SystemSummary } from "../systems/summary.js";

/** A kept draft: a snapshot of the body and the settings, bound to one version of a system. */
export class DraftRow extends VersionedModel {
  static override readonly tableName = "drafts";
  static override readonly jsonAttributes = ["measurements", "settings"];
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

  toReply(system: SystemSummary): Draft {
    const { id, name, note, personId, personName, setId, unit, measurements, settings, step, version } = this;
    return {
      ...{ id, name, note, personId, personName, setId, unit, measurements, settings, step, version },
      slug: system.slug,
      systemVersion: system.version,
      systemTitle: system.title,
      createdAt: isoMoment(this.createdAt),
      updatedAt: isoMoment(this.updatedAt),
    };
  }
}
