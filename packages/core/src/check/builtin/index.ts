import type { BuiltinCheck } from "./builtin.js";
import { darts } from "./darts.js";
import { humanRange } from "./human-range.js";
import { outline } from "./outline.js";
import { sewnPairs } from "./sewn-pairs.js";
import { squareAtFold } from "./square-at-fold.js";

/** Every check made on every draft, in the order they are listed. */
export const BUILTIN_CHECKS: readonly BuiltinCheck[] = [sewnPairs, outline, squareAtFold, darts, humanRange];
