import type { Plan, PlannedShaping } from "../plan/plan.js";
import { FormulaError } from "../formula/error.js";
import type { Frame } from "../formula/scope.js";
import type { PieceResult } from "../piece/piece.js";
import { DraftError } from "../verb/draft-error.js";
import { NoSuchPiece } from "../shaping/find.js";
import { SHAPINGS } from "../shaping/index.js";

/** One shaping done: the pieces before and after it, or why it was not done. */
export interface ShapingResult {
  /** Which of the plan's shapings. */
  readonly index: number;
  readonly before: readonly PieceResult[];
  readonly after: readonly PieceResult[];
  readonly outcome:
    | { readonly status: "done" }
    | { readonly status: "skipped"; readonly why: string }
    | { readonly status: "failed"; readonly why: string; readonly fix: string };
}

/** Shapes the pieces in the order the author wrote. One that cannot be done leaves the pieces as they were. Never throws for what an author wrote. */
export function shapePieces(plan: Plan, frame: Frame, pieces: readonly PieceResult[]): ShapingResult[] {
  let now = pieces;
  return plan.shapings.map((planned, index) => {
    const result = shapeOnce(planned, index, frame, now);
    now = result.after;
    return result;
  });
}

function shapeOnce(planned: PlannedShaping, index: number, frame: Frame, before: readonly PieceResult[]): ShapingResult {
  const left = (outcome: ShapingResult["outcome"]): ShapingResult => ({ index, before, after: before, outcome });
  try {
    if (planned.when && !planned.when.run(frame)) return left({ status: "skipped", why: `Only when ${planned.source.when ?? ""}.` });
    if (!planned.shape)
      return left({ status: "failed", why: planned.problem?.why ?? "This cannot be read.", fix: planned.problem?.fix ?? "" });
    return { index, before, after: planned.shape(before, frame, 1), outcome: { status: "done" } };
  } catch (error) {
    if (error instanceof NoSuchPiece) return left({ status: "skipped", why: error.message });
    if (error instanceof DraftError || error instanceof FormulaError) return left({ status: "failed", why: error.why, fix: error.fix });
    throw error;
  }
}

/** True when a shaping can be watched half done. */
export const isGradual = ({ source }: PlannedShaping): boolean => SHAPINGS.get(source.verb)?.gradual ?? false;

/** The pieces with one shaping done to a share of the whole: to watch it happen. */
export function shapePartly(
  plan: Plan,
  { index, before, after, outcome }: ShapingResult,
  frame: Frame,
  share: number,
): readonly PieceResult[] {
  const planned = plan.shapings[index];
  if (outcome.status !== "done" || share >= 1 || !planned?.shape) return after;
  return share <= 0 || !isGradual(planned) ? before : planned.shape(before, frame, share);
}
