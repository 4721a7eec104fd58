import type { MeasurementSet } from "@lodrin/contract";
import { isoMoment } from "../database/base-model.js";
import { VersionedModel } from "../database/versioned.js";

/** A measurement set's row: figures as they were written. */
export class SetRow extends VersionedModel {
  static override readonly tableName = "measurement_sets";
  static override readonly jsonAttributes = ["written"];
  declare personId: string;
  declare takenOn: string;
  declare unit: "in" | "cm";
  declare written: Record<string, string>;
  declare note: string;
  declare updatedAt: string;
  declare deletedAt: string | null;

  toReply(): MeasurementSet {
    const { id, personId, takenOn, unit, written, note, version } = this;
    return { id, personId, takenOn, unit, written, note, version, updatedAt: isoMoment(this.updatedAt) };
  }
}
