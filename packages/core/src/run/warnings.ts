import { askedName } from "../body/asked-name.js";
import { evaluated } from "../formula/evaluated.js";
import { inWords } from "../formula/in-words.js";
import type { Environment } from "../formula/scope.js";
import { notchesOff } from "../piece/draw-on.js";
import type { PieceResult } from "../piece/piece.js";
import type { Plan, PlannedStep } from "../plan/plan.js";
import { stepName } from "../plan/step-name.js";
import { type Inputs, rangeText } from "./inputs.js";
import type { StepOutcome } from "./outcome.js";

/** A doubt that does not stop the draft: about an answer (its key), a step (its place in the plan) or a piece (its key). */
export interface Warning {
  readonly key?: string;
  readonly step?: number;
  readonly piece?: string;
  readonly text: string;
}

/** Every doubt about a draft, in the order a reader meets what they are about. */
export function warningsOf(
  plan: Plan,
  environment: Environment,
  inputs: Inputs,
  made: { readonly outcomes: readonly StepOutcome[]; readonly pieces: readonly PieceResult[] },
): Warning[] {
  const { unit } = plan.system;
  const warnings: Warning[] = [...inputs.problems, ...inputs.unknown].map((p) => ({ key: p.key, text: p.why }));
  const outside = (value: number, from: number, to: number): boolean => value < from - 1e-6 || value > to + 1e-6;
  for (const m of plan.measures) {
    const value = environment.slots[m.slot] as number;
    // What this draft does not ask for is not doubted.
    if (!outside(value, m.from, m.to) || (m.when && evaluated(m.when, environment) === 0)) continue;
    const range = m.source.kind === "number" ? `${m.from} to ${m.to}` : rangeText(m.from, m.to, unit);
    warnings.push({
      key: m.key,
      text: `${askedName(m)} is outside what this system expects (${range}). Measure again, or go on knowingly.`,
    });
  }
  for (const s of plan.settings) {
    const value = environment.slots[s.slot] as number;
    if (outside(value, s.from, s.to))
      warnings.push({ key: s.key, text: `${capital(inWords(s.key))} is set outside the range its author gave.` });
  }
  made.outcomes.forEach((outcome, step) => {
    if (outcome.status === "drawn" && outcome.doubt !== undefined)
      warnings.push({ step, text: `${stepName(plan.steps[step] as PlannedStep)}: ${outcome.doubt}` });
  });
  for (const { key, title, doubts, notches } of made.pieces)
    for (const text of [...doubts, ...notchesOff(notches)]) warnings.push({ piece: key, text: `${title}: ${text}` });
  return [...warnings, ...edgesMissing(plan, made.pieces)].map((w) => ({ ...w, text: inWords(w.text) }));
}

const capital = (text: string): string => text.replace(/^./, (c) => c.toUpperCase());

/** Edges that are sewn or checked, but that their piece does not have on this draft. */
function edgesMissing(plan: Plan, pieces: readonly PieceResult[]): Warning[] {
  return plan.edgesNamed.flatMap(({ name, piece: key }) => {
    const piece = pieces.find((p) => p.key === key);
    if (!piece || piece.edges.some((e) => e.name === name)) return [];
    const has = piece.edges.map((e) => e.role).join(", ");
    return [{ piece: key, text: `${name.replace(".", " ")} is sewn or checked, but ${piece.title} has no such edge. It has: ${has}.` }];
  });
}
