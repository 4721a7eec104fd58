import { diagnose } from "../formula/diagnose.js";
import { FormulaError } from "../formula/error.js";
import type { Environment } from "../formula/scope.js";
import { MissingPart } from "../plan/missing.js";
import type { Plan, PlannedStep } from "../plan/plan.js";
import { DraftError } from "../verb/draft-error.js";
import { pointText } from "../verb/form.js";
import type { StepOutcome } from "./outcome.js";

const DRAWN: StepOutcome = { status: "drawn" };

/** Draws one step into the environment; what it could not do is its outcome. `before` are the outcomes of the steps above it. */
export function drawStep(step: PlannedStep, plan: Plan, environment: Environment, before: readonly StepOutcome[]): StepOutcome {
  try {
    if (step.when && !step.when.run(environment)) return { status: "skipped", why: `Only when ${step.source.when ?? ""}.` };
    if (!step.draw) return { status: "failed", why: step.problem?.why ?? "This step cannot be read.", fix: step.problem?.fix ?? "" };
    step.draw(environment);
    if (!sound(step, environment)) return failed(step, plan, environment);
    const doubt = backwards(step, environment);
    return doubt === undefined ? DRAWN : { status: "drawn", doubt };
  } catch (error) {
    clear(step, environment);
    if (error instanceof MissingPart)
      return { status: "failed", why: `It leans on ${error.what}, ${absence(error.what, plan, before)}.`, fix: "Put that right first." };
    if (error instanceof DraftError || error instanceof FormulaError) return { status: "failed", why: error.why, fix: error.fix };
    throw error;
  }
}

/** What is said of a step that measures less than nothing where its verb lays off a length. */
function backwards({ source, lays }: PlannedStep, environment: Environment): string | undefined {
  for (const { typed, text } of lays)
    if (typed.run(environment) < -BACKWARDS_MM)
      return `${text} comes to less than nothing, so ${source.is === "point" ? source.verb : ""} goes the other way. Check the figures, or write the other direction.`;
  return undefined;
}

/** What the arithmetic of a draft leaves is not less than nothing. */
const BACKWARDS_MM = 1e-6;

/** No paper reaches further from where a board begins (mm): what lies beyond comes of a figure that is wrong. */
const FURTHEST_MM = 100_000;

/** True for a real figure no further off than any paper reaches; false for what is not a number. */
const near = (mm: number): boolean => mm > -FURTHEST_MM && mm < FURTHEST_MM;

/** True when the step came to real figures, and what it draws lies on paper. */
function sound(step: PlannedStep, environment: Environment): boolean {
  if (step.makes === "value") return Number.isFinite(environment.slots[step.target] as number);
  if (step.makes === "point") {
    const p = environment.points[step.target];
    return p !== undefined && near(p.x) && near(p.y);
  }
  const segments = environment.paths[step.target]?.segments;
  if (!segments) return false;
  for (const { p1, p2, p3 } of segments)
    if (!(near(p1.x) && near(p1.y) && near(p2.x) && near(p2.y) && near(p3.x) && near(p3.y))) return false;
  return true;
}

function failed(step: PlannedStep, plan: Plan, environment: Environment): StepOutcome {
  const far = offThePaper(step, environment);
  clear(step, environment);
  for (const formula of step.formulas) {
    if (!Number.isFinite(formula.typed.run(environment))) {
      const { why, fix } = diagnose(formula.tree, plan.scope, environment);
      return { status: "failed", why, fix };
    }
  }
  if (far)
    return {
      status: "failed",
      why: "This comes to lie more than a hundred metres off.",
      fix: "Check the measurements and settings it uses.",
    };
  return { status: "failed", why: "This comes to no figure.", fix: "Check the measurements it uses." };
}

/** True when the step was drawn, but further off than any paper reaches. */
function offThePaper(step: PlannedStep, environment: Environment): boolean {
  const point = step.makes === "point" ? environment.points[step.target] : undefined;
  const ends = step.makes === "path" ? (environment.paths[step.target]?.segments ?? []).map((c) => c.p3) : point ? [point] : [];
  return ends.length > 0 && ends.every((p) => Number.isFinite(p.x + p.y));
}

function clear(step: PlannedStep, environment: Environment): void {
  if (step.makes === "point") environment.points[step.target] = undefined;
  else if (step.makes === "path") environment.paths[step.target] = undefined;
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
