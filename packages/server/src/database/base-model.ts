import { Model, snakeCaseMappers } from "objection";

/** Every row of Lodrin: camel case in code, snake case in the database. */
export class BaseModel extends Model {
  static override get columnNameMappers(): ReturnType<typeof snakeCaseMappers> {
    return snakeCaseMappers();
  }
}

/** A moment from the database as ISO text. */
export const isoMoment = (value: Date | string): string => new Date(value).toISOString();
