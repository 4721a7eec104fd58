import { randomInt } from "node:crypto";
import { VersionedModel } from "../database/versioned.js";

/** A class and who teaches it. */
export class ClassRow extends VersionedModel {
  static override readonly tableName = "classes";
  declare teacherId: string;
  declare name: string;
  declare term: string;
  declare meets: string;
  declare note: string;
  declare code: string;
  declare codeClosed: boolean;
  declare mostMembers: number | null;
  declare classmatesAnswer: boolean;
  declare updatedAt: string;
  declare deletedAt: string | null;
}

/** Signs that are not taken for one another on a blackboard. */
const SIGNS = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789";
const CODE_LENGTH = 7;

/** A code to join a class by. */
export const newCode = (): string => Array.from({ length: CODE_LENGTH }, () => SIGNS[randomInt(SIGNS.length)]).join("");
