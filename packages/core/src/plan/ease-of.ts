import { evaluated } from "../formula/evaluated.js";
import type { Environment } from "../formula/scope.js";
import type { PlannedSew } from "./plan.js";

/** How much longer the first side of a seam is meant to be (mm): nothing when no ease is stated, not a number where it cannot be worked out on this draft. */
export const easeOf = ({ eased }: Pick<PlannedSew, "eased">, environment: Environment): number =>
  eased ? evaluated(eased, environment) : 0;
