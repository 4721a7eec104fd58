import { type Draft, draftRoutes, type SystemSheet, systemRoutes } from "@lodrin/contract";

/** Where the picture of the pieces of a version lies. */
export const systemPicturePath = ({ slug, version }: Pick<SystemSheet, "slug" | "version">): string =>
  systemRoutes.systemPicture.path.replace(":slug", slug).replace(":version", String(version));

/** Where the picture of a draft lies. It names the draft's version, so that a changed draft shows its new picture. */
export const draftPicturePath = ({ id, version }: Pick<Draft, "id" | "version">): string =>
  `${draftRoutes.draftPicture.path.replace(":id", id)}?version=${version}`;
