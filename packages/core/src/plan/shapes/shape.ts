import type { Frame, Scope } from "../../formula/scope.js";
import type { Path } from "../../geometry/path.js";
import type { PathStep } from "../../system/model.js";
import type { References } from "../references.js";

/** A way of drawing a line: compiles one use of it. Adding one is a file here and a line in `index.ts`. */
export type Shape = (step: PathStep, scope: Scope, uses: References) => (f: Frame) => Path;
