import type { SizeChart } from "@lodrin/contract";
import { isoMoment } from "../database/base-model.js";
import { VersionedModel } from "../database/versioned.js";

/** A size chart of the workshop. */
export class ChartRow extends VersionedModel {
  static override readonly tableName = "size_charts";
  static override readonly jsonAttributes = ["columns", "sizes"];
  declare ownerId: string;
  declare name: string;
  declare note: string;
  declare columns: SizeChart["columns"];
  declare sizes: SizeChart["sizes"];
  declare updatedAt: string;
  declare deletedAt: string | null;
  /** The name of its owner, where it was asked for. */
  declare by: string | null | undefined;

  toReply(accountId: string): SizeChart {
    const { id, name, note, columns, sizes, version, by } = this;
    return {
      id,
      name,
      note,
      columns,
      sizes,
      version,
      mine: this.ownerId === accountId,
      by: by ?? "",
      updatedAt: isoMoment(this.updatedAt),
    };
  }
}
