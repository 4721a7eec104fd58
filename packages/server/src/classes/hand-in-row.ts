import type { HandIn } from "@lodrin/contract";
import { BaseModel } from "../database/base-model.js";

/** What was handed in, as it was then. */
export class HandInRow extends BaseModel {
  static override readonly tableName = "hand_ins";
  static override readonly jsonAttributes = ["measurements", "settings", "readings", "marksOnPicture", "marks"];
  declare id: string;
  declare assignmentId: string;
  declare accountId: string;
  /** Whose body it is; null where that is not known, or erased. */
  declare personId: string | null;
  declare attempt: number;
  declare unit: HandIn["unit"];
  declare personName: string;
  declare measurements: HandIn["measurements"];
  declare settings: HandIn["settings"];
  declare readings: HandIn["readings"];
  declare note: string;
  declare picture: string | null;
  declare marksOnPicture: HandIn["marksOnPicture"];
  declare handedAt: string;
  declare erasedAt: string | null;
  declare state: HandIn["state"];
  declare marks: HandIn["marks"];
}
