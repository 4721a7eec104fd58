import { Model } from "objection";

/** Every row of Lodrin: camel case in code, snake case in the database (see connect.ts). */
export class BaseModel extends Model {}

/** A moment from the database as ISO text. */
export const isoMoment = (value: Date | string): string => new Date(value).toISOString();
