import { diagnose } from "../formula/diagnose.js";
import { FormulaError } from "../formula/error.js";
import type { Frame } from "../formula/scope.js";
import { runChecks } from "../check/run.js";
import type { CheckResult } from "../check/result.js";
import { buildPieces } from "./pieces.js";
import type { PieceResult } from "../piece/piece.js";
import { type ShapingResult, shapePieces } from "./shapings.js";
import type { HomeUnit } from "../quantity/units.js";
import { pointText } from "../verb/form.js";
import { DraftError } from "../verb/draft-error.js";
import { type Given, type InputProblem, type Inputs, rangeText, readInputs } from "./inputs.js";
import { MissingPart } from "../plan/missing.js";
import type { Plan, PlannedMeasure, PlannedSetting, PlannedStep } from "../plan/plan.js";

/** How a step came out. */
export type StepOutcome =
  | { readonly status: "drawn" }
  | { readonly status: "skipped"; readonly why: string }
  | { readonly status: "failed"; readonly why: string; readonly fix: string };

/** A doubt that does not stop the draft. */
export interface Warning {
  readonly key?: string;
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
    slots: new Float64Array(plan.scope.slotCount).fill(Number.NaN),
    points: new Array<undefined>(plan.scope.points.size),
    paths: new Array<undefined>(plan.scope.paths.size),
  };
  const missing = fillSlots(plan, inputs, frame);
  const outcomes = drawSteps(plan, frame);
  const drafted = buildPieces(plan, frame);
  const shapings = shapePieces(plan, frame, drafted);
  const pieces = shapings[shapings.length - 1]?.after ?? drafted;
  if (pieces !== drafted) edgesAsShaped(plan, frame, pieces);
  const checks = runChecks(plan, frame, pieces);
  const { title, unit } = plan.system;
  return {
    title,
    unit,
    inputs,
    frame,
    outcomes,
    missing,
    drafted,
    shapings,
    pieces,
    checks,
    warnings: warningsOf(plan, frame, inputs.problems),
  };
}

/** Checks measure the edges of the pieces as they are cut. */
function edgesAsShaped(plan: Plan, frame: Frame, pieces: readonly PieceResult[]): void {
  for (const piece of pieces) {
    for (const edge of piece.edges) {
      const index = plan.scope.paths.get(edge.name);
      if (index !== undefined) frame.paths[index] = edge.sewn;
    }
  }
}

/** Puts measurements, settings and choices into their slots; returns the measurements still needed. */
function fillSlots(plan: Plan, inputs: Inputs, frame: Frame): string[] {
  const { slots } = frame;
  for (const m of plan.measures) slots[m.slot] = inputs.values.get(m.source.key) ?? Number.NaN;
  for (const s of plan.settings) fillSetting(s, inputs, slots);
  for (const c of plan.choices) slots[c.wordSlot] = inputs.words.get(c.source.key) ?? 0;
  for (const m of plan.measures) if (m.fallback && Number.isNaN(slots[m.slot] as number)) slots[m.slot] = m.fallback.typed.run(frame);
  return plan.measures.filter((m) => !Number.isFinite(slots[m.slot] as number) && asked(m, frame)).map((m) => m.source.key);
}

function fillSetting(s: PlannedSetting, inputs: Inputs, slots: Float64Array): void {
  const word = inputs.words.get(s.source.key);
  const value = inputs.values.get(s.source.key);
  slots[s.wordSlot] = word ?? (value === undefined ? s.defaultWord : 0);
  slots[s.slot] = word === undefined ? (value ?? s.default) : Number.NaN;
}

/** True when the draft cannot do without this measurement, with the choices as they stand. */
const asked = (m: PlannedMeasure, frame: Frame): boolean => !m.source.checkOnly && (!m.when || m.when.run(frame) !== 0);

function drawSteps(plan: Plan, frame: Frame): StepOutcome[] {
  const outcomes: StepOutcome[] = [];
  for (const step of plan.steps) outcomes.push(drawStep(step, plan, frame, outcomes));
  return outcomes;
}

function drawStep(step: PlannedStep, plan: Plan, frame: Frame, before: readonly StepOutcome[]): StepOutcome {
  try {
    if (step.when && !step.when.run(frame)) return { status: "skipped", why: `Only when ${step.source.when ?? ""}.` };
    if (!step.draw) return { status: "failed", why: step.problem?.why ?? "This step cannot be read.", fix: step.problem?.fix ?? "" };
    step.draw(frame);
    if (!sound(step, frame)) return failed(step, plan, frame);
    return DRAWN;
  } catch (error) {
    clear(step, frame);
    if (error instanceof MissingPart)
      return { status: "failed", why: `It leans on ${error.what}, ${absence(error.what, plan, before)}.`, fix: "Put that right first." };
    if (error instanceof DraftError || error instanceof FormulaError) return { status: "failed", why: error.why, fix: error.fix };
    throw error;
  }
}

/** True when the step came to real figures. */
function sound(step: PlannedStep, frame: Frame): boolean {
  if (step.source.is === "value") return Number.isFinite(frame.slots[step.target] as number);
  if (step.source.is === "point") {
    const p = frame.points[step.target];
    return p !== undefined && Number.isFinite(p.x + p.y);
  }
  const parts = frame.paths[step.target]?.parts;
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
  const index = plan.steps.findIndex((s) =>
    s.source.is === "point" ? pointText(s.source.id) === what : s.source.is === "path" && s.source.key === what,
  );
  const outcome = before[index];
  return outcome?.status === "skipped" ? `which is left out: ${outcome.why.replace(/\.$/, "").toLowerCase()}` : "which could not be drawn";
}

function warningsOf(plan: Plan, frame: Frame, problems: readonly InputProblem[]): Warning[] {
  const { unit } = plan.system;
  const warnings: Warning[] = problems.map((p) => ({ key: p.key, text: p.why }));
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
  return warnings;
}
