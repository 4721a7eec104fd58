import { type Static, Type } from "@sinclair/typebox";
import { closed, Moment, Unit, Version } from "./common.js";
import { route } from "./route.js";

/** What a card of the shelf says of a version; its picture is a route of its own. */
export const SystemCard = Type.Object(
  {
    about: Type.String(),
    suits: Type.String(),
    points: Type.Integer({ minimum: 0 }),
    unit: Unit,
    /** The measurements it needs with its settings as they stand. */
    needs: Type.Array(Type.String()),
  },
  closed,
);
export type SystemCard = Static<typeof SystemCard>;

export const SystemSheet = Type.Object(
  {
    slug: Type.String(),
    title: Type.String(),
    garment: Type.String(),
    version: Version,
    /** Whose school it is: the name of who published it; empty for the library's own. */
    by: Type.String(),
    /** What changed in this version, in its author's words. */
    note: Type.String(),
    /** Null until it was first worked out; on the shelf it always is. */
    card: Type.Union([SystemCard, Type.Null()]),
    notation: Type.String(),
    /** The notation of the systems it builds on, as they were when this version was published. */
    bases: Type.Record(Type.String(), Type.String()),
  },
  closed,
);
export type SystemSheet = Static<typeof SystemSheet>;

/** A version of a system as its history tells it. */
export const VersionLine = Type.Object({ version: Version, note: Type.String(), publishedAt: Moment, withdrawn: Type.Boolean() }, closed);
export type VersionLine = Static<typeof VersionLine>;

const Slug = Type.String({ pattern: "^[a-z0-9-]{1,80}$" });

export const systemRoutes = {
  /** Every version of a system, newest first. */
  versions: route("GET", "/api/systems/:slug/versions", {
    who: "student",
    params: Type.Object({ slug: Slug }, closed),
    reply: Type.Array(VersionLine),
  }),
  shelf: route("GET", "/api/systems", { who: "student", reply: Type.Array(SystemSheet) }),
  system: route("GET", "/api/systems/:slug/:version", {
    who: "student",
    params: Type.Object({ slug: Slug, version: Type.String({ pattern: "^[0-9]{1,6}$" }) }, closed),
    reply: SystemSheet,
  }),
  /** The pieces of a version, small: an SVG picture, not JSON. */
  systemPicture: route("GET", "/api/systems/:slug/:version/picture", {
    who: "student",
    params: Type.Object({ slug: Slug, version: Type.String({ pattern: "^[0-9]{1,6}$" }) }, closed),
    reply: Type.Any(),
  }),
};
