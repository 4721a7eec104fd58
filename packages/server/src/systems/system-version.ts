import type { SystemSheet } from "@lodrin/contract";
import { BaseModel } from "../database/base-model.js";

/** One published version of a system's notation. Never changed once drafted with. */
export class SystemVersionRow extends BaseModel {
  static override readonly tableName = "system_versions";
  static override readonly jsonAttributes = ["bases"];
  declare id: string;
  declare slug: string;
  declare version: number;
  declare title: string;
  declare garment: string;
  declare notation: string;
  declare bases: Record<string, string>;
  /** Who published it; null for the library's own, or when the account is gone. */
  declare ownerId: string | null;
  /** What changed in it, in its author's words. */
  declare changeNote: string;

  toReply(): SystemSheet {
    const { slug, title, garment, version, notation, bases } = this;
    return { slug, title, garment, version, notation, bases };
  }
}
