import { diagnose } from "../formula/diagnose.js";
import { FormulaError } from "../formula/error.js";
import { evaluated } from "../formula/evaluated.js";
import { type Frame, ONE_SLOT } from "../formula/scope.js";
import { runChecks } from "../check/run.js";
import type { CheckResult } from "../check/result.js";
import type { PlannedPiece } from "../piece/blueprint.js";
import { notchesOff } from "../piece/draw-on.js";
import { takePiece, withLateNames } from "../piece/take.js";
import type { PieceResult } from "../piece/piece.js";
import { shapeOnce, type ShapingResult } from "./shapings.js";
import type { HomeUnit } from "../quantity/units.js";
import { pointText } from "../verb/form.js";
import { stepName } from "../plan/step-name.js";
import { DraftError } from "../verb/draft-error.js";
import { type Given, type Inputs, rangeText, readInputs } from "./inputs.js";
import { MissingPart } from "../plan/missing.js";
import type { Plan, PlannedMeasure, PlannedSetting, PlannedShaping, PlannedStep } from "../plan/plan.js";

/** How a step came out. */
export type StepOutcome =
  | { readonly status: "drawn"; readonly doubt?: string }
  | { readonly status: "skipped"; readonly why: string }
  | { readonly status: "failed"; readonly why: string; readonly fix: string };

/** A doubt that does not stop the draft: about an answer (its key), a step (its place in the plan) or a piece (its key). */
export interface Warning {
  readonly key?: string;
  readonly step?: number;
  readonly piece?: string;
  readonly text: string;
}

/**
 * One body drafted by one system. Plain data, so that it can be posted to a worker or kept; the frame holds values, points
 * and paths by the indices of the plan it was made with, which stays where it was compiled.
 */
export interface Run {
  readonly title: string;
  readonly unit: HomeUnit;
  readonly inputs: Inputs;
  readonly frame: Frame;
  readonly outcomes: readonly StepOutcome[];
  readonly missing: readonly string[];
  /** The pieces as they come off the board. */
  readonly drafted: readonly PieceResult[];
  /** What is then done to them, in order. */
  readonly shapings: readonly ShapingResult[];
  /** The pieces to be cut. */
  readonly pieces: readonly PieceResult[];
  readonly checks: readonly CheckResult[];
  readonly warnings: readonly Warning[];
}

const DRAWN: StepOutcome = { status: "drawn" };

/**
 * Drafts one body. Pure: the same plan and answers give the same run. A step that cannot be drawn is reported and
 * what does not lean on it is drawn all the same. `writtenIn` is the unit of measurements written without one. Never throws for what a person typed.
 */
export function run(plan: Plan, measurements: Given, settings: Given = {}, writtenIn: HomeUnit = plan.system.unit): Run {
  const inputs = readInputs(plan, measurements, settings, writtenIn);
  const frame: Frame = {
    slots: new Float64Array(plan.scope.slotCount).fill(Number.NaN).fill(1, ONE_SLOT, ONE_SLOT + 1),
    points: new Array<undefined>(plan.scope.points.size),
    paths: new Array<undefined>(plan.scope.pathCount),
  };
  const missing = fillSlots(plan, inputs, frame);
  const made = carryOut(plan, frame);
  const checks = runChecks(plan, frame, made.pieces);
  const { title, unit } = plan.system;
  return { title, unit, inputs, frame, missing, ...made, checks, warnings: warningsOf(plan, frame, inputs, made) };
}

type Made = Pick<Run, "outcomes" | "drafted" | "shapings" | "pieces">;

/** Draws the steps, takes the pieces and shapes them, in the order of the statements: what is shaped may be drawn from below. */
function carryOut(plan: Plan, frame: Frame): Made {
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
      const { slot, wordSlot, defaultRule } = plan.settings[act.index] as PlannedSetting;
      if (Number.isNaN(frame.slots[slot] as number) && frame.slots[wordSlot] === 0) frame.slots[slot] = evaluated(defaultRule, frame);
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
  return { outcomes, drafted, shapings, pieces };
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

/** Puts measurements, settings and choices into their slots; returns the measurements still needed. */
function fillSlots(plan: Plan, inputs: Inputs, frame: Frame): string[] {
  const { slots } = frame;
  for (const m of plan.measures) slots[m.slot] = inputs.values.get(m.source.key) ?? Number.NaN;
  for (const c of plan.choices) slots[c.wordSlot] = inputs.words.get(c.source.key) ?? 0;
  for (const s of plan.settings) fillSetting(s, inputs, slots);
  for (const m of plan.measures)
    if (m.fallback && Number.isNaN(slots[m.slot] as number)) slots[m.slot] = evaluated(m.fallback.typed, frame);
  return plan.measures.filter((m) => !Number.isFinite(slots[m.slot] as number) && asked(m, frame)).map((m) => m.source.key);
}

function fillSetting(s: PlannedSetting, inputs: Inputs, slots: Float64Array): void {
  const word = inputs.words.get(s.source.key);
  const value = inputs.values.get(s.source.key);
  slots[s.wordSlot] = word ?? (value === undefined ? s.defaultWord : 0);
  slots[s.slot] = word === undefined ? (value ?? s.default) : Number.NaN;
}

/** True when the draft cannot do without this measurement, with the choices as they stand. */
const asked = (m: PlannedMeasure, frame: Frame): boolean => !m.source.checkOnly && (!m.when || evaluated(m.when, frame) !== 0);

function drawStep(step: PlannedStep, plan: Plan, frame: Frame, before: readonly StepOutcome[]): StepOutcome {
  try {
    if (step.when && !step.when.run(frame)) return { status: "skipped", why: `Only when ${step.source.when ?? ""}.` };
    if (!step.draw) return { status: "failed", why: step.problem?.why ?? "This step cannot be read.", fix: step.problem?.fix ?? "" };
    step.draw(frame);
    if (!sound(step, frame)) return failed(step, plan, frame);
    const doubt = backwards(step, frame);
    return doubt === undefined ? DRAWN : { status: "drawn", doubt };
  } catch (error) {
    clear(step, frame);
    if (error instanceof MissingPart)
      return { status: "failed", why: `It leans on ${error.what}, ${absence(error.what, plan, before)}.`, fix: "Put that right first." };
    if (error instanceof DraftError || error instanceof FormulaError) return { status: "failed", why: error.why, fix: error.fix };
    throw error;
  }
}

/** What is said of a step that measures less than nothing where its verb lays off a length. */
function backwards({ source, lays }: PlannedStep, frame: Frame): string | undefined {
  for (const { typed, text } of lays)
    if (typed.run(frame) < -BACKWARDS_MM)
      return `${text} comes to less than nothing, so ${source.is === "point" ? source.verb : ""} goes the other way. Check the figures, or write the other direction.`;
  return undefined;
}

/** What the arithmetic of a draft leaves is not less than nothing. */
const BACKWARDS_MM = 1e-6;

/** True when the step came to real figures. */
function sound(step: PlannedStep, frame: Frame): boolean {
  if (step.source.is === "value") return Number.isFinite(frame.slots[step.target] as number);
  if (step.source.is === "point") {
    const p = frame.points[step.target];
    return p !== undefined && Number.isFinite(p.x + p.y);
  }
  const parts = frame.paths[step.target]?.segments;
  return parts !== undefined && parts.every((c) => Number.isFinite(c.p1.x + c.p1.y + c.p2.x + c.p2.y + c.p3.x + c.p3.y));
}

function failed(step: PlannedStep, plan: Plan, frame: Frame): StepOutcome {
  clear(step, frame);
  for (const formula of step.formulas) {
    if (!Number.isFinite(formula.typed.run(frame))) {
      const { why, fix } = diagnose(formula.tree, plan.scope, frame);
      return { status: "failed", why, fix };
    }
  }
  return { status: "failed", why: "This comes to no figure.", fix: "Check the measurements it uses." };
}

function clear(step: PlannedStep, frame: Frame): void {
  if (step.source.is === "point") frame.points[step.target] = undefined;
  else if (step.source.is === "path") frame.paths[step.target] = undefined;
}

/** Why a point or path is not on the draft. */
function absence(what: string, plan: Plan, before: readonly StepOutcome[]): string {
  if (what.includes(".")) return "an edge that is not on this draft";
  const index = plan.steps.findIndex((s) =>
    s.source.is === "point" ? pointText(s.source.id) === what : s.source.is === "path" && s.source.key === what,
  );
  const outcome = before[index];
  return outcome?.status === "skipped" ? `which is left out: ${outcome.why.replace(/\.$/, "").toLowerCase()}` : "which could not be drawn";
}

function warningsOf(plan: Plan, frame: Frame, inputs: Inputs, made: Made): Warning[] {
  const { unit } = plan.system;
  const warnings: Warning[] = [...inputs.problems, ...inputs.unknown].map((p) => ({ key: p.key, text: p.why }));
  const outside = (value: number, from: number, to: number): boolean => value < from - 1e-6 || value > to + 1e-6;
  for (const m of plan.measures) {
    const value = frame.slots[m.slot] as number;
    if (!outside(value, m.from, m.to)) continue;
    const range = m.source.kind === "number" ? `${m.from} to ${m.to}` : rangeText(m.from, m.to, unit);
    warnings.push({
      key: m.source.key,
      text: `${m.source.key} is outside what this system expects (${range}). Measure again, or go on knowingly.`,
    });
  }
  for (const s of plan.settings) {
    const value = frame.slots[s.slot] as number;
    if (outside(value, s.from, s.to))
      warnings.push({ key: s.source.key, text: `${s.source.key} is set outside the range its author gave.` });
  }
  made.outcomes.forEach((outcome, step) => {
    if (outcome.status === "drawn" && outcome.doubt !== undefined)
      warnings.push({ step, text: `${stepName(plan.steps[step] as PlannedStep)}: ${outcome.doubt}` });
  });
  for (const { key, title, doubts, notches } of made.pieces)
    for (const text of [...doubts, ...notchesOff(notches)]) warnings.push({ piece: key, text: `${title}: ${text}` });
  return [...warnings, ...edgesMissing(plan, made.pieces)];
}

/** Edges that are sewn or checked, but that their piece does not have on this draft. */
function edgesMissing(plan: Plan, pieces: readonly PieceResult[]): Warning[] {
  return plan.edgesNamed.flatMap(({ name, piece: key }) => {
    const piece = pieces.find((p) => p.key === key);
    if (!piece || piece.edges.some((e) => e.name === name)) return [];
    const has = piece.edges.map((e) => e.role).join(", ");
    return [{ piece: key, text: `${name} is sewn or checked, but ${piece.title} has no such edge. It has: ${has}.` }];
  });
}
