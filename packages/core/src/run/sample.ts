import type { Given } from "./inputs.js";
import type { Plan } from "../plan/plan.js";

/** A body so far up every range a system expects, in mm; in the middle for small drawings where no body was chosen. */
export function sampleBody(plan: Plan, share = 0.5): Given {
  return Object.fromEntries(
    plan.measures.map((m) => {
      const figure = m.from + (m.to - m.from) * share;
      return [m.key, m.source.kind === "number" ? Math.round(figure) : `${figure.toFixed(2)} mm`];
    }),
  );
}
