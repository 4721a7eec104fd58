import { evaluated } from "../formula/evaluated.js";
import { type Environment, ONE_SLOT } from "../formula/scope.js";
import type { Plan, PlannedMeasure, PlannedSetting } from "../plan/plan.js";
import type { Inputs } from "./inputs.js";

/** An environment with nothing on it yet. */
export function emptyEnvironment({ scope }: Plan): Environment {
  const slots = new Array<number>(scope.slotCount).fill(Number.NaN);
  slots[ONE_SLOT] = 1;
  return { slots, points: new Array<undefined>(scope.points.size), paths: new Array<undefined>(scope.pathCount) };
}

/** An environment that may be drawn into without touching the first. */
export const copyOf = ({ slots, points, paths }: Environment): Environment => ({
  slots: slots.slice(),
  points: points.slice(),
  paths: paths.slice(),
});

/** Puts measurements, settings and choices into their slots; returns the measurements still needed. */
export function fillSlots(plan: Plan, inputs: Inputs, environment: Environment): string[] {
  const { slots } = environment;
  for (const m of plan.measures) slots[m.slot] = inputs.values.get(m.key) ?? Number.NaN;
  for (const c of plan.choices) slots[c.wordSlot] = inputs.words.get(c.key) ?? 0;
  for (const s of plan.settings) fillSetting(s, inputs, slots);
  for (const m of plan.measures)
    if (m.fallback && Number.isNaN(slots[m.slot] as number)) slots[m.slot] = evaluated(m.fallback.typed, environment);
  return plan.measures.filter((m) => !Number.isFinite(slots[m.slot] as number) && asked(m, environment)).map((m) => m.key);
}

function fillSetting(s: PlannedSetting, inputs: Inputs, slots: number[]): void {
  const word = inputs.words.get(s.key);
  const value = inputs.values.get(s.key);
  slots[s.wordSlot] = word ?? (value === undefined ? s.defaultWord : 0);
  slots[s.slot] = word === undefined ? (value ?? s.default) : Number.NaN;
}

/** True when the draft cannot do without this measurement, with the choices as they stand. */
const asked = (m: PlannedMeasure, environment: Environment): boolean =>
  !m.source.checkOnly && (!m.when || evaluated(m.when, environment) !== 0);
