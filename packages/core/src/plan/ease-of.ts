import { evaluated } from "../formula/evaluated.js";
import type { Frame } from "../formula/scope.js";
import type { PlannedSew } from "./plan.js";

/** How much longer the first side of a seam is meant to be (mm): nothing when no ease is stated, not a number where it cannot be worked out on this draft. */
export const easeOf = ({ eased }: Pick<PlannedSew, "eased">, frame: Frame): number => (eased ? evaluated(eased, frame) : 0);
