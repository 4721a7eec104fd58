import { type Static, Type } from "@sinclair/typebox";
import { closed, Done, Id, IdParams, Moment, Name, Note, OwnId, Unit, Version } from "./common.js";
import { route } from "./route.js";

const Key = Type.String({ pattern: "^[a-z_][a-z0-9_]{0,59}$" });

/** A chart of sizes: a column a measurement, each in its unit, and a row a size with its figures as they were written. */
export const SizeChart = Type.Object(
  {
    id: Id,
    name: Name,
    note: Note,
    columns: Type.Array(Type.Object({ key: Key, unit: Unit }, closed), { maxItems: 80 }),
    sizes: Type.Array(
      Type.Object(
        { name: Type.String({ minLength: 1, maxLength: 40 }), figures: Type.Record(Key, Type.String({ maxLength: 40 }), closed) },
        closed,
      ),
      { maxItems: 80 },
    ),
    /** Whether the account that asks may change it. */
    mine: Type.Boolean(),
    /** Whose it is. */
    by: Type.String(),
    version: Version,
    updatedAt: Moment,
  },
  closed,
);
export type SizeChart = Static<typeof SizeChart>;

const Kept = Type.Pick(SizeChart, ["name", "note", "columns", "sizes"]);

export const chartRoutes = {
  /** The charts of the house: everyone may draft on a size. */
  charts: route("GET", "/api/charts", { who: "student", reply: Type.Array(SizeChart) }),
  addChart: route("POST", "/api/charts", {
    who: "instructor",
    body: Type.Object({ ...OwnId, ...Kept.properties }, closed),
    reply: SizeChart,
  }),
  changeChart: route("PATCH", "/api/charts/:id", {
    who: "instructor",
    params: IdParams,
    body: Type.Composite([Type.Object({ version: Version }), Type.Partial(Kept)], closed),
    reply: SizeChart,
  }),
  removeChart: route("DELETE", "/api/charts/:id", { who: "instructor", params: IdParams, reply: Done }),
  restoreChart: route("POST", "/api/charts/:id/restore", { who: "instructor", params: IdParams, reply: SizeChart }),
};
