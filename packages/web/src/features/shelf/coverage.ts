import type { MeasurementSet } from "@lodrin/contract";
import { type Plan, run } from "@lodrin/core";

/** How far a set fills what a system needs. */
export interface Coverage {
  readonly needed: number;
  readonly there: number;
  readonly missing: readonly string[];
}

/** The needed measurements a set has and lacks, with a system's settings as they stand. */
export function coverageOf(plan: Plan, set: Pick<MeasurementSet, "written" | "unit">): Coverage {
  const { missing } = run(plan, set.written, {}, set.unit);
  const needed = plan.measures.filter((m) => !m.source.checkOnly && (!m.when || missing.includes(m.source.key))).length;
  return { needed, there: needed - missing.length, missing };
}
