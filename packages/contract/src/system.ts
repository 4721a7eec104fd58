import { type Static, Type } from "@sinclair/typebox";
import { closed, Version } from "./common.js";
import { route } from "./route.js";

export const SystemSheet = Type.Object(
  {
    slug: Type.String(),
    title: Type.String(),
    garment: Type.String(),
    version: Version,
    /** Whose school it is: the name of who published it; empty for the library's own. */
    by: Type.String(),
    notation: Type.String(),
    /** The notation of the systems it builds on, as they were when this version was published. */
    bases: Type.Record(Type.String(), Type.String()),
  },
  closed,
);
export type SystemSheet = Static<typeof SystemSheet>;

export const systemRoutes = {
  shelf: route("GET", "/api/systems", { who: "student", reply: Type.Array(SystemSheet) }),
  system: route("GET", "/api/systems/:slug/:version", {
    who: "student",
    params: Type.Object({ slug: Type.String({ pattern: "^[a-z0-9-]{1,80}$" }), version: Type.String({ pattern: "^[0-9]{1,6}$" }) }, closed),
    reply: SystemSheet,
  }),
};
