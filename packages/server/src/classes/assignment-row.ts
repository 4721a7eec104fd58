import type { Assignment } from "@lodrin/contract";
import { VersionedModel } from "../database/versioned.js";
import type { SystemSummary } from "../systems/summary.js";

/** What a class is asked to draft, bound to one version of a system. */
export class AssignmentRow extends VersionedModel {
  static override readonly tableName = "assignments";
  static override readonly jsonAttributes = ["body", "settings", "free", "readings", "rubric"];
  declare classId: string;
  declare systemVersionId: string;
  declare title: string;
  declare text: string;
  declare body: Assignment["body"];
  declare settings: Assignment["settings"];
  declare free: Assignment["free"];
  declare readings: Assignment["readings"];
  declare rubric: Assignment["rubric"];
  declare picture: boolean;
  declare note: boolean;
  declare dueOn: string | null;
  declare toleranceMm: number;
  declare deletedAt: string | null;

  toReply(system: SystemSummary): Assignment {
    const { id, classId, title, text, body, settings, free, readings, rubric, picture, note, dueOn, toleranceMm, version } = this;
    return {
      ...{ id, classId, title, text, body, settings, free, readings, rubric, picture, note, dueOn, toleranceMm, version },
      slug: system.slug,
      systemVersion: system.version,
      systemTitle: system.title,
    };
  }
}
