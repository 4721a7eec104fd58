import { GIVEN_TEMPLATES } from "./given.js";
import { DART_TEMPLATES, LINE_TEMPLATES } from "./lines.js";
import { PIECE_TEMPLATES } from "./pieces.js";
import { POINT_TEMPLATES } from "./points.js";
import { SEAM_TEMPLATES } from "./seams.js";
import { SHAPING_TEMPLATES } from "./shapings.js";
import type { Template } from "./template.js";

/** Everything that can be made by hand, in the order it is looked for. */
export const TEMPLATES: readonly Template[] = [
  ...GIVEN_TEMPLATES,
  ...POINT_TEMPLATES,
  ...LINE_TEMPLATES,
  ...DART_TEMPLATES,
  ...PIECE_TEMPLATES,
  ...SHAPING_TEMPLATES,
  ...SEAM_TEMPLATES,
];
