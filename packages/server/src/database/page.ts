import type { QueryBuilder } from "objection";
import type { BaseModel } from "./base-model.js";

/** So many rows of a list are told at once; who wants more asks for those behind the last. */
export const PAGE = 100;

/** An order that no two rows share: SQL expressions over the table's own columns, all rising or all falling. */
export interface Order {
  readonly by: string;
  readonly falling?: boolean;
}

export const NEWEST_FIRST: Order = { by: "updated_at, id", falling: true };

/**
 * A page of an account's list, told by keyset: in its order, behind the row with the id `after`, and one row more than a page
 * holds, by which it is known whether more follow. `own` is asked of that row as well, so that nothing is shown of another's.
 */
export function page<M extends BaseModel>(
  query: QueryBuilder<M, M[]>,
  { by, falling = false }: Order,
  own: Readonly<Record<string, string>>,
  after: string | undefined,
): QueryBuilder<M, M[]> {
  const { tableName } = query.modelClass();
  const order = by.split(", ").map((part) => `${part} ${falling ? "desc" : "asc"}`);
  void query
    .where(own)
    .orderByRaw(order.join(", "))
    .limit(PAGE + 1);
  if (after === undefined) return query;
  const columns = Object.keys(own).map((column) => ` and ${column} = ?`);
  const place = `(select ${by} from ${tableName} where id = ?${columns.join("")})`;
  return query.whereRaw(`(${by}) ${falling ? "<" : ">"} ${place}`, [after, ...Object.values(own)]);
}
