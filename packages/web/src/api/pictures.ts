import { type Draft, draftRoutes, type SystemSheet, systemRoutes } from "@lodrin/contract";
import { pathOf } from "./call.js";

/** Where the picture of the pieces of a version lies. */
export const systemPicturePath = ({ slug, version }: Pick<SystemSheet, "slug" | "version">): string =>
  pathOf(systemRoutes.systemPicture, { slug, version: String(version) });

/** Where the picture of a draft lies. It names the draft's version, so that a changed draft shows its new picture. */
export const draftPicturePath = ({ id, version }: Pick<Draft, "id" | "version">): string =>
  `${pathOf(draftRoutes.draftPicture, { id })}?version=${version}`;
