import type { Plan, PlannedShaping } from "../plan/plan.js";
import { FormulaError } from "../formula/error.js";
import type { Environment } from "../formula/scope.js";
import type { PieceResult } from "../piece/piece.js";
import { DraftError } from "../verb/draft-error.js";
import { SHAPINGS } from "../shaping/index.js";

/** One shaping done: the pieces it was done to before and after it, or why it was not done. */
export interface Shaped {
  readonly before: readonly PieceResult[];
  readonly after: readonly PieceResult[];
  readonly outcome:
    | { readonly status: "done" }
    | { readonly status: "skipped"; readonly why: string }
    | { readonly status: "failed"; readonly why: string; readonly fix: string };
}

/** A shaping among all pieces there are by then. */
export interface ShapingResult extends Shaped {
  /** Which of the plan's shapings. */
  readonly index: number;
}

/** What became of the pieces a shaping needs: those left out for a reason make it left out too, those that failed make it fail. */
export type Absent = (key: string) => { readonly why: string; readonly failed: boolean };

/** Does one shaping. One that cannot be done leaves the pieces as they were. Never throws for what an author wrote. */
export function shapeOnce(planned: PlannedShaping, environment: Environment, before: readonly PieceResult[], absent: Absent): Shaped {
  const left = (outcome: Shaped["outcome"]): Shaped => ({ before, after: before, outcome });
  try {
    if (planned.when && !planned.when.run(environment)) return left({ status: "skipped", why: `Only when ${planned.source.when ?? ""}.` });
    if (!planned.apply)
      return left({ status: "failed", why: planned.problem?.why ?? "This cannot be read.", fix: planned.problem?.fix ?? "" });
    const missing = planned.needs.find((key) => !before.some((p) => p.key === key));
    if (missing !== undefined) return left(withoutPiece(missing, absent));
    return { before, after: planned.apply(before, environment, 1), outcome: { status: "done" } };
  } catch (error) {
    if (error instanceof DraftError || error instanceof FormulaError) return left({ status: "failed", why: error.why, fix: error.fix });
    throw error;
  }
}

function withoutPiece(key: string, absent: Absent): Shaped["outcome"] {
  const { why, failed } = absent(key);
  return failed
    ? { status: "failed", why: `It needs the piece ${key}, ${why}.`, fix: "Put that right first." }
    : { status: "skipped", why: `${key} is not on this draft.` };
}

/** True when a shaping can be watched half done. */
export const isGradual = ({ source }: PlannedShaping): boolean => source.is === "shape" && (SHAPINGS.get(source.verb)?.gradual ?? false);

/** The pieces with one shaping done to a share of the whole: to watch it happen. */
export function shapePartly(
  plan: Plan,
  { index, before, after, outcome }: ShapingResult,
  environment: Environment,
  share: number,
): readonly PieceResult[] {
  const planned = plan.shapings[index];
  if (outcome.status !== "done" || share >= 1 || !planned?.apply) return after;
  return share <= 0 || !isGradual(planned) ? before : planned.apply(before, environment, share);
}
