import type { Person } from "@lodrin/contract";
import { Model } from "objection";
import { isoMoment } from "../database/base-model.js";
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
  declare consentAt: string | null;
  declare note: string;
  declare deletedAt: string | null;
  declare sets?: SetRow[];

  /** Newest set first. */
  toReply(): Person {
    const { id, name, isSelf, isChild, note, version } = this;
    const consentAt = this.consentAt === null ? null : isoMoment(this.consentAt);
    const sets = (this.sets ?? []).filter((s) => s.deletedAt === null).sort((a, b) => b.takenOn.localeCompare(a.takenOn));
    return { id, name, isSelf, isChild, note, version, consentAt, sets: sets.map((s) => s.toReply()) };
  }
}
