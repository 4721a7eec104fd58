import type { Person } from "@lodrin/contract";
import { Model } from "objection";
import { VersionedModel } from "../database/versioned.js";
import { SetRow } from "./set.js";

/** Someone who is drafted for: the account's holder, or a client. */
export class PersonRow extends VersionedModel {
  static override readonly tableName = "people";
  static override readonly relationMappings = {
    sets: { relation: Model.HasManyRelation, modelClass: SetRow, join: { from: "people.id", to: "measurement_sets.personId" } },
  };
  declare ownerId: string;
  declare name: string;
  declare isSelf: boolean;
  declare isChild: boolean;
  declare note: string;
  declare deletedAt: string | null;
  declare sets?: SetRow[];

  /** Newest set first. */
  toReply(): Person {
    const { id, name, isSelf, isChild, note, version } = this;
    const sets = (this.sets ?? []).filter((s) => s.deletedAt === null).sort((a, b) => b.takenOn.localeCompare(a.takenOn));
    return { id, name, isSelf, isChild, note, version, sets: sets.map((s) => s.toReply()) };
  }
}
