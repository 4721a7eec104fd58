import type { Account } from "@lodrin/contract";
import { BaseModel } from "../database/base-model.js";

/** An account's row. */
export class AccountRow extends BaseModel {
  static override readonly tableName = "accounts";
  declare id: string;
  declare email: string;
  declare name: string;
  declare role: Account["role"];
  declare unit: Account["unit"];
  declare look: Account["look"];
  declare passwordHash: string;

  /** What the client may see. */
  toReply(): Account {
    return { id: this.id, email: this.email, name: this.name, role: this.role, unit: this.unit, look: this.look };
  }
}
