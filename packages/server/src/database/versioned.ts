import { isDeepStrictEqual } from "node:util";
import { collision } from "../http/problem.js";
import { BaseModel } from "./base-model.js";

/** A row that counts its changes, so that a change made from an old copy is noticed. */
export class VersionedModel extends BaseModel {
  declare id: string;
  declare version: number;
}

/** A change that was not made, because the row is not, or no longer, as it was when the change was begun. */
interface NotChanged<R> {
  /** What the row is called, for the message. */
  readonly what: string;
  /** The row as it is stored now. Throws when it is not there, or another's. */
  readonly find: () => Promise<R>;
  /** That row as it is answered. */
  readonly reply: (now: R) => unknown;
}

/**
 * Makes a change in one statement: `change` is an UPDATE with owner and version in its WHERE, and gives the row it changed.
 * When it changed none, a row that is already as was asked for is a change whose answer got lost, and is given; any
 * other is a 409 problem that carries what is stored now.
 */
export async function changeVersion<R extends VersionedModel>(
  change: PromiseLike<R | undefined>,
  patch: Readonly<Record<string, unknown>>,
  { what, find, reply }: NotChanged<R>,
): Promise<R> {
  const changed = await change;
  if (changed) return changed;
  const now = await find();
  if (isAsAsked(now, patch)) return now;
  throw collision(what, await reply(now));
}

const isAsAsked = (row: object, patch: Readonly<Record<string, unknown>>): boolean =>
  Object.entries(patch).every(([field, value]) => isDeepStrictEqual((row as Record<string, unknown>)[field], value));
