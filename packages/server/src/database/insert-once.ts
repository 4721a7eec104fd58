import type { QueryBuilder } from "objection";
import type { VersionedModel } from "./versioned.js";

/**
 * Inserts a row and gives its id. With an id of the caller's own, a second call is the same call come again, because its
 * answer got lost: nothing is inserted twice. Whose row it is, is for the caller to look at when it is read back.
 */
export async function insertOnce<R extends VersionedModel>(
  query: QueryBuilder<R>,
  fields: Readonly<Record<string, unknown>> & { readonly id?: string },
): Promise<string> {
  const insert = query.insert(fields as object);
  if (fields.id === undefined) return (await insert).id;
  await insert.onConflict("id").ignore();
  return fields.id;
}
