import { evaluated } from "../formula/evaluated.js";
import type { Frame } from "../formula/scope.js";
import type { PlannedPiece } from "../piece/blueprint.js";
import type { PieceResult } from "../piece/piece.js";
import { withSeamNotches } from "../piece/seam-notches.js";
import { takePiece, withLateNames } from "../piece/take.js";
import { walkSeam } from "../piece/walk.js";
import { easeOf } from "../plan/ease-of.js";
import type { Plan, PlannedSetting, PlannedShaping, PlannedStep } from "../plan/plan.js";
import { drawStep } from "./draw-step.js";
import type { StepOutcome } from "./outcome.js";
import { shapeOnce, type ShapingResult } from "./shapings.js";

/** What was drawn, taken off the board and shaped. */
export interface Made {
  readonly outcomes: readonly StepOutcome[];
  /** The pieces as they come off the board. */
  readonly drafted: readonly PieceResult[];
  /** What is then done to them, in order. */
  readonly shapings: readonly ShapingResult[];
  /** The pieces to be cut. */
  readonly pieces: readonly PieceResult[];
}

/** Draws the steps alone, in the order of the statements; for a plan of which no step is drawn from the edge of a piece. */
export function drawSteps(plan: Plan, frame: Frame): StepOutcome[] {
  const outcomes: StepOutcome[] = [];
  for (const act of plan.order)
    if (act.do === "setting") workOut(plan.settings[act.index] as PlannedSetting, frame);
    else if (act.do === "step") outcomes.push(drawStep(plan.steps[act.index] as PlannedStep, plan, frame, outcomes));
  return outcomes;
}

/** Works out the default of a setting that depends on what is above it, unless it was set. */
function workOut({ slot, wordSlot, defaultRule }: PlannedSetting, frame: Frame): void {
  if (Number.isNaN(frame.slots[slot] as number) && frame.slots[wordSlot] === 0) frame.slots[slot] = evaluated(defaultRule, frame);
}

/** Draws the steps, takes the pieces and shapes them, in the order of the statements: what is shaped may be drawn from below. */
export function construct(plan: Plan, frame: Frame): Made {
  const outcomes: StepOutcome[] = [];
  const drafted: PieceResult[] = [];
  const shapings: ShapingResult[] = [];
  const lost = new Map<string, string>();
  let pieces: readonly PieceResult[] = [];
  const absent = (key: string): { why: string; failed: boolean } => {
    const why = lost.get(key);
    return { why: why ?? "which is left out", failed: why !== undefined };
  };
  for (const act of plan.order) {
    if (act.do === "setting") {
      workOut(plan.settings[act.index] as PlannedSetting, frame);
    } else if (act.do === "step") {
      const step = plan.steps[act.index] as PlannedStep;
      outcomes.push(drawStep(step, plan, frame, outcomes));
    } else if (act.do === "piece") {
      const planned = plan.pieces[act.index] as PlannedPiece;
      if (planned.when && evaluated(planned.when, frame) === 0) continue;
      const piece = takePiece(planned, frame, plan.shapingNames);
      if (piece) {
        drafted.push(piece);
        pieces = [...pieces, piece];
        noteCutEdges(plan, frame, [piece]);
      } else lost.set(planned.source.key, "whose outline could not be drawn");
    } else {
      const planned = plan.shapings[act.index] as PlannedShaping;
      const late = broughtUp(planned, plan, pieces, frame);
      const result = shapeOnce(planned, act.index, frame, late, absent);
      shapings.push(result);
      pieces = result.after;
      if (result.outcome.status === "done") edgesAsShaped(plan, frame, late, pieces);
      else if (result.outcome.status === "failed") for (const name of madeBy(planned)) lost.set(name, "which could not be made");
    }
  }
  return { outcomes, drafted, shapings, pieces: notched(plan, frame, pieces) };
}

/** The pieces as they are cut, with the balance notches their seams ask for. */
function notched({ sews }: Plan, frame: Frame, pieces: readonly PieceResult[]): readonly PieceResult[] {
  return sews.reduce((now, sew) => {
    if (sew.notches.length === 0) return now;
    const walk = walkSeam(now, sew, sews, easeOf(sew, frame));
    if (!walk) return now;
    const name = sew.first.join("+");
    return withSeamNotches(
      now,
      walk,
      sew.notches.map(({ after, ticks }, i) => ({ id: `${name} ${i + 1}`, mm: evaluated(after, frame), ticks })),
    );
  }, pieces);
}

/** The pieces, those a shaping needs with what was drawn since they were taken; the same list when nothing was. */
function broughtUp(planned: PlannedShaping, plan: Plan, pieces: readonly PieceResult[], frame: Frame): readonly PieceResult[] {
  const now = pieces.map((p) => (planned.needs.includes(p.key) ? withLateNames(p, plan.shapingNames, frame) : p));
  return now.every((p, i) => p === pieces[i]) ? pieces : now;
}

/** The pieces a shaping makes by new names. */
function madeBy({ source }: PlannedShaping): string[] {
  if (source.is === "pieceFrom") return [source.key];
  return source.is === "shape" ? ["first", "second", "name"].flatMap((slot) => source.args[slot] ?? []) : [];
}

/** Steps that draw from an edge draw from it as it is cut. */
function noteCutEdges({ scope }: Plan, frame: Frame, pieces: readonly PieceResult[]): void {
  if (scope.cutEdges.size === 0) return;
  for (const { edges } of pieces)
    for (const edge of edges) {
      const index = scope.cutEdges.get(edge.name);
      if (index !== undefined) frame.paths[index] = edge.path;
    }
}

/** Checks measure the edges of the pieces as they are cut; an edge that a piece has no longer is not on the draft any more. */
function edgesAsShaped(plan: Plan, frame: Frame, before: readonly PieceResult[], after: readonly PieceResult[]): void {
  const { paths, cutEdges } = plan.scope;
  const changed = after.filter((p) => !before.includes(p));
  for (const piece of changed) {
    const old = before.find((p) => p.key === piece.key);
    for (const { name } of old?.edges ?? [])
      if (!piece.edges.some((e) => e.name === name))
        for (const index of [paths.get(name), cutEdges.get(name)]) if (index !== undefined) frame.paths[index] = undefined;
    for (const edge of piece.edges) {
      const index = paths.get(edge.name);
      if (index !== undefined) frame.paths[index] = edge.sewn;
    }
  }
  noteCutEdges(plan, frame, changed);
}
