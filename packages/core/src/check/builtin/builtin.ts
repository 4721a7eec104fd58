import type { Plan } from "../../plan/plan.js";
import type { Environment } from "../../formula/scope.js";
import type { PieceResult } from "../../piece/piece.js";
import type { CheckResult } from "../result.js";

/** A check made on every draft. Adding one is a file here and a line in `index.ts`. */
export type BuiltinCheck = (given: {
  readonly plan: Plan;
  readonly environment: Environment;
  readonly pieces: readonly PieceResult[];
}) => CheckResult[];
