import type { Environment } from "../../formula/scope.js";
import type { Path } from "../../geometry/path/path.js";
import type { PathStep } from "../../system/model.js";
import type { StepReader } from "../compile/step-reader.js";

/** A way of drawing a line: compiles one use of it. Adding one is a file here and a line in `index.ts`. */
export type PathMaker = (step: PathStep, read: StepReader) => (f: Environment) => Path;
