import type { Given } from "./inputs.js";
import type { Plan } from "../plan/plan.js";

/** A body in the middle of every range a system expects, in mm: for small drawings where no body was chosen. */
export function sampleBody(plan: Plan): Given {
  return Object.fromEntries(
    plan.measures.map((m) => [
      m.key,
      m.source.kind === "number" ? Math.round((m.from + m.to) / 2) : `${((m.from + m.to) / 2).toFixed(2)} mm`,
    ]),
  );
}
